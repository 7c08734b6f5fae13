package roofnest.core.lang;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.stream.IntStream;

import org.junit.jupiter.api.Test;

class SideBySideTest {
    private static final List<Integer> MANY = IntStream.range(0, 200).boxed().toList();

    @Test
    void answers_come_in_the_order_of_what_was_asked_and_each_is_found_once() {
        List<Integer> asked = new ArrayList<>();
        assertThat(SideBySide.all(MANY, n -> {
            synchronized (asked) {
                asked.add(n);
            }
            return n * n;
        })).isEqualTo(MANY.stream().map(n -> n * n).toList());
        assertThat(asked).containsExactlyInAnyOrderElementsOf(MANY);
        assertThat(SideBySide.all(List.of(), n -> n)).isEmpty();
        assertThat(SideBySide.all(List.of(7), n -> n)).containsExactly(7);
    }

    @Test
    void what_one_throws_is_thrown() {
        assertThatThrownBy(() -> SideBySide.all(MANY, n -> {
            if (n == 120) {
                throw new IllegalStateException("the hundred and twentieth");
            }
            return n;
        })).isInstanceOf(IllegalStateException.class).hasMessageContaining("the hundred and twentieth");
    }

    /** The first is held up until the second is done: with one helper that can only be by whoever asks. */
    @Test
    void whoever_asks_does_what_is_not_begun() {
        assertThat(ForkJoinPool.commonPool().awaitQuiescence(1, TimeUnit.MINUTES)).as("help is free").isTrue();
        CountDownLatch second = new CountDownLatch(1);
        Supplier<String> both = SideBySide.both(() -> {
            try {
                return second.await(20, TimeUnit.SECONDS) ? "first" : "nobody did the second";
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }, () -> {
            second.countDown();
            return "second";
        }, (one, other) -> one + " and " + other);
        assertThat(both.get()).isEqualTo("first and second");
    }

    @Test
    void what_one_of_both_throws_is_thrown() {
        assertThatThrownBy(() -> SideBySide.both(() -> 1, () -> {
            throw new IllegalStateException("the second");
        }, (one, other) -> one).get()).isInstanceOf(IllegalStateException.class).hasMessageContaining("the second");
    }

    /** While somebody else has the helpers, nobody waits for them. */
    @Test
    void while_help_is_taken_whoever_asks_does_it_all() throws InterruptedException {
        CountDownLatch taken = new CountDownLatch(1);
        CountDownLatch done = new CountDownLatch(1);
        ForkJoinPool.commonPool().submit(() -> {
            taken.countDown();
            return done.await(1, TimeUnit.MINUTES);
        });
        taken.await();
        try {
            Set<Thread> workers = ConcurrentHashMap.newKeySet();
            SideBySide.all(MANY, n -> workers.add(Thread.currentThread()));
            assertThat(workers).containsExactly(Thread.currentThread());
            assertThat(SideBySide.both(Thread::currentThread, Thread::currentThread, List::of).get()).containsOnly(Thread.currentThread());
        } finally {
            done.countDown();
        }
    }
}
