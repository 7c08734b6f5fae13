package roofnest.core.lang;

import java.util.List;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinTask;
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

    /** Something that is begun at once if somebody is free to, else done when it is asked for; to be asked for once. */
    public static <T> Supplier<T> begun(Supplier<T> work) {
        return helpIsFree() ? ForkJoinPool.commonPool().submit(work::get)::join : work;
    }

    private static boolean helpIsFree() {
        ForkJoinPool pool = ForkJoinPool.commonPool();
        return pool.getActiveThreadCount() == 0 && !pool.hasQueuedSubmissions();
    }
}
