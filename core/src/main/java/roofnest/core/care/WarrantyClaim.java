package roofnest.core.care;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is at hand when a device that broke is sent in, and what is still to be found before it comes off the wall.
 *
 * @param covered by what was written down
 * @param missing what whoever takes the device back will ask for and nobody wrote down, as sentences
 */
public record WarrantyClaim(Covered covered, List<String> missing) {
    /** Whether a warranty holds. */
    public enum Covered {
        WITHIN, PASSED, NOT_WRITTEN;

        /** In one sentence. @param until the last day that was written down; of no account where none was */
        public String words(String until) {
            return switch (this) {
                case WITHIN -> "Its warranty was written down to run until " + until + ".";
                case PASSED -> "Its warranty was written down to run until " + until + ", which has passed. What the seller owes by law may"
                        + " run longer: ask where it was bought.";
                case NOT_WRITTEN -> "No warranty was written down for it. The receipt says; what the seller owes by law may run longer.";
            };
        }
    }

    /**
     * What is known of a device.
     *
     * @param serial empty where nobody noted one
     * @param joinedOn empty where it never joined
     * @param warrantyUntil the latest last day of a warranty that was written down for it or for the whole house
     * @param tried whether what was found and tried about its fault is kept
     * @param pictured whether a picture of it or of its sticker is kept
     */
    public record Known(String serial, Optional<LocalDate> joinedOn, Optional<LocalDate> warrantyUntil, boolean tried, boolean pictured) {}

    public WarrantyClaim {
        missing = List.copyOf(missing);
    }

    /** The last day of a warranty is still within it. */
    public static WarrantyClaim of(Known known, LocalDate today) {
        List<String> missing = new ArrayList<>();
        if (known.serial().isBlank()) {
            missing.add("Its serial: read it off the sticker, its box or its app before it comes down.");
        }
        if (known.warrantyUntil().isEmpty()) {
            missing.add("The receipt, with the day on which it was bought.");
        }
        if (known.joinedOn().isEmpty()) {
            missing.add("Since when it was in use: it never joined here.");
        }
        if (!known.tried()) {
            missing.add("What was tried: whoever takes it back will ask for a restart and a reset. Find out why first.");
        }
        if (!known.pictured()) {
            missing.add("A picture of it where it hangs.");
        }
        Covered covered = known.warrantyUntil().map(last -> today.isAfter(last) ? Covered.PASSED : Covered.WITHIN).orElse(
                Covered.NOT_WRITTEN);
        return new WarrantyClaim(covered, missing);
    }
}
