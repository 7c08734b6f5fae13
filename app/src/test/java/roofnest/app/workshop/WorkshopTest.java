package roofnest.app.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.ModelAndView;

import roofnest.app.AppTest;

@AppTest
class WorkshopTest {
    @Autowired private Workshop workshop;

    private final AtomicInteger times = new AtomicInteger();

    @Test
    void what_is_quick_is_answered_at_once_and_made_once() {
        Function<String, byte[]> work = drawn -> bytes(drawn + times.incrementAndGet());
        assertThat(made("quick", work)).isEqualTo("quick1");
        assertThat(made("quick", work)).as("kept").isEqualTo("quick1");
        assertThat(made("quick, but changed", work)).isEqualTo("quick, but changed2");
    }

    @Test
    void who_waits_is_told_so_and_two_wait_for_the_same_work() throws Exception {
        CountDownLatch done = new CountDownLatch(1);
        Function<String, byte[]> work = drawn -> {
            times.incrementAndGet();
            await(done);
            return bytes("late");
        };
        for (int i = 0; i < 2; i++) {
            assertThat(ask("slow", work)).isInstanceOfSatisfying(ModelAndView.class, page -> {
                assertThat(page.getStatus()).isEqualTo(HttpStatus.ACCEPTED);
                assertThat(page.getModel()).containsEntry("what", "The test");
            });
        }
        done.countDown();
        assertThat(made("slow", work)).isEqualTo("late");
        assertThat(times).hasValue(1);
    }

    @Test
    void what_failed_is_not_kept_and_may_be_asked_for_again() {
        assertThatThrownBy(() -> made("broken", drawn -> {
            throw new IllegalStateException("no ink");
        })).hasMessage("The test could not be made").hasRootCauseMessage("no ink");
        assertThat(made("broken", drawn -> bytes("whole"))).isEqualTo("whole");
    }

    private Object ask(String drawn, Function<String, byte[]> work) {
        return workshop.answer("The test", "test", drawn, work, file -> new String(file, StandardCharsets.UTF_8));
    }

    /** The benches may be busy with what other tests asked for; each look waits a moment by itself. */
    private Object made(String drawn, Function<String, byte[]> work) {
        Object answer = ask(drawn, work);
        for (int look = 0; answer instanceof ModelAndView && look < 100; look++) {
            answer = ask(drawn, work);
        }
        return answer;
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
