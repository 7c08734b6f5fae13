package roofnest.core.alert;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.lang.Worded;

/**
 * When one device notices something, another does something.
 *
 * @param whenCamera that notices
 * @param kind of what it notices
 * @param thenCamera that does it; may be the same
 */
public record DeviceRule(long whenCamera, AlertSpec.Kind kind, At at, Act act, long thenCamera) {
    /** By what light a rule holds. */
    public enum At implements Worded {
        ALWAYS("at any hour"), DARK("in the dark"), LIGHT("by daylight");

        private final String words;

        At(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }

        public boolean holds(boolean dark) {
            return this == ALWAYS || (this == DARK) == dark;
        }

        boolean meets(At other) {
            return this == ALWAYS || other == ALWAYS || this == other;
        }
    }

    /** What is done. */
    public enum Act implements Worded {
        RECORD("records too"), LIGHT("switches its light on"), SIREN("sounds its siren");

        private final String words;

        Act(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public DeviceRule {
        if (act == Act.RECORD && whenCamera == thenCamera) {
            throw new IllegalArgumentException("a camera that notices something records already");
        }
    }
}
