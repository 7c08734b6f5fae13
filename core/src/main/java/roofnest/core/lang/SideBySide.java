package roofnest.core.lang;

import java.util.List;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinTask;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * Work shared with a processor that nobody else is using. While others are at it everything is done by whoever asks: shared out then,
 * each of many askers would wait for the one helper, and all of them longer than for themselves.
 *
 * <p>What is shared out may not share out in turn while it holds a lock: waiting for its parts, a thread would take up another piece that
 * wants the same lock.
 */
public final class SideBySide {
    private SideBySide() {}

    /** The answers, in the order of what was asked; what one of them throws is thrown. */
    public static <A, B> List<B> all(List<A> asked, Function<A, B> answer) {
        if (asked.size() < 2 || !helpIsFree()) {
            return asked.stream().map(answer).toList();
        }
        List<ForkJoinTask<B>> tasks = asked.stream().map(each -> ForkJoinTask.adapt(() -> answer.apply(each))).toList();
        return ForkJoinTask.invokeAll(tasks).stream().map(ForkJoinTask::join).toList();
    }

    /**
     * Two things that are begun at once if somebody is free to, one after the other; whoever asks for them does the second meanwhile,
     * if it is not begun by then. To be asked for once.
     */
    public static <A, B, C> Supplier<C> both(Supplier<A> first, Supplier<B> second, BiFunction<A, B, C> together) {
        if (!helpIsFree()) {
            return () -> together.apply(first.get(), second.get());
        }
        ForkJoinTask<A> sooner = ForkJoinPool.commonPool().submit(first::get);
        ForkJoinTask<B> later = ForkJoinPool.commonPool().submit(second::get);
        return () -> {
            // What is joined and not begun is done by whoever joins it; the helper takes up what was submitted first.
            B done = later.join();
            return together.apply(sooner.join(), done);
        };
    }

    private static boolean helpIsFree() {
        ForkJoinPool pool = ForkJoinPool.commonPool();
        return pool.getActiveThreadCount() == 0 && !pool.hasQueuedSubmissions();
    }
}
