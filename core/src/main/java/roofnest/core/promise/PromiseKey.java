package roofnest.core.promise;

import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Names one promise within a household. Promises written at the brief are {@code p12}; those that every camera brings
 * with it are {@code c7.link}, {@code c7.password} and so on, so that re-judging finds the same promise again.
 */
public record PromiseKey(String value) {
    private static final Pattern FORM = Pattern.compile("p[0-9]{1,12}|c[0-9]{1,12}\\.[a-z]{1,12}");

    public PromiseKey {
        if (value == null || !FORM.matcher(value).matches()) {
            throw new IllegalArgumentException("not a promise key: " + value);
        }
    }

    public static PromiseKey written(long promiseId) {
        return new PromiseKey("p" + promiseId);
    }

    public static PromiseKey ofCamera(long cameraId, String what) {
        return new PromiseKey("c" + cameraId + "." + what);
    }

    /** The number of the promise that was written at the brief; empty for one that a camera brings. */
    public Optional<Long> writtenId() {
        return value.startsWith("p") ? Optional.of(Long.parseLong(value.substring(1))) : Optional.empty();
    }

    /** The camera that brings it; empty for one that was written. */
    public Optional<Long> cameraId() {
        return value.startsWith("c") ? Optional.of(Long.parseLong(value.substring(1, value.indexOf('.')))) : Optional.empty();
    }

    /** What a camera brings, such as {@code link}; empty for one that was written. */
    public Optional<String> brought() {
        return value.startsWith("c") ? Optional.of(value.substring(value.indexOf('.') + 1)) : Optional.empty();
    }

    @Override
    public String toString() {
        return value;
    }
}
