package roofnest.core.promise;

import java.util.regex.Pattern;

/**
 * Names one promise within a household. Promises written at the brief are {@code p12}; those that every camera brings
 * with it are {@code c7.link}, {@code c7.password} and so on, so that re-judging finds the same promise again.
 */
public record PromiseKey(String value) {
    private static final Pattern FORM = Pattern.compile("[pc][0-9]{1,12}(\\.[a-z]{1,12})?");

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

    @Override
    public String toString() {
        return value;
    }
}
