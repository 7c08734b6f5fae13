package roofnest.core.footage;

import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * What footage is left when something is taken, cut or lost. Footage is left if some place that keeps it is out of reach of all that was
 * lost; of the last moments before it those are gone that had not got there yet.
 *
 * @param place that still has it; empty where none has
 * @param lastLostS of the last seconds before the loss, so many at most are gone; of no account where none is left
 */
public record Survival(Optional<Survival.Place> place, double lastLostS) {
    /** Sent to a hub in the house while it is recorded, footage is so far behind, seconds. */
    public static final double HUB_LAG_S = 2;

    /** Where clips are kept. */
    public enum Place implements Worded {
        CARD("the card in the camera"), HUB("the card in the hub"), RECORDER("the recorder in the house"),
        CLOUD("the maker’s servers, by a paid plan");

        private final String words;

        Place(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** What is gone. */
    public enum Loss implements Worded {
        CAMERA("the camera is taken"), HUB("the hub is taken"), RECORDER("the recorder is taken"), ROUTER("the router is taken"),
        LINE("the line is cut"),
        POWER("the power is cut"), JAMMED("the Wi-Fi is jammed"), ACCOUNT("the account is lost");

        private final String words;

        Loss(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /**
     * How a camera records and sends.
     *
     * @param clipS length of a clip, seconds
     * @param sendS that a clip takes to be sent up the line after it is over, seconds
     * @param battery whether it goes on without the house's power
     * @param viaHub whether it reaches the house through a hub
     */
    public record Sends(double clipS, double sendS, boolean battery, boolean viaHub) {
        public Sends {
            Require.inRange("clip length in seconds", clipS, 1, 600);
            Require.inRange("seconds to send a clip", sendS, 0, 1e6);
        }
    }

    /** @param places that keep the camera's clips. @param losses that come at once */
    public static Survival of(Set<Place> places, Set<Loss> losses, Sends sends) {
        return places.stream().flatMap(place -> lost(place, losses, sends).stream().mapToObj(seconds -> new Survival(Optional.of(place),
                seconds))).min(Comparator.comparingDouble(Survival::lastLostS).thenComparing(left -> left.place().orElseThrow()))
                .orElseGet(() -> new Survival(Optional.empty(), 0));
    }

    /** Seconds at the end that one place has not got, at most; empty where it has nothing any more. */
    private static OptionalDouble lost(Place place, Set<Loss> losses, Sends sends) {
        double most = 0;
        for (Loss loss : losses) {
            OptionalDouble one = lost(place, loss, sends);
            if (one.isEmpty()) {
                return one;
            }
            most = Math.max(most, one.getAsDouble());
        }
        return OptionalDouble.of(most);
    }

    private static OptionalDouble lost(Place place, Loss loss, Sends sends) {
        return switch (place) {
            case CARD -> switch (loss) {
                case CAMERA -> OptionalDouble.empty();
                // A clip that is being written when the power goes may not open any more.
                case POWER -> OptionalDouble.of(sends.battery() ? 0 : sends.clipS());
                case HUB, RECORDER, ROUTER, LINE, JAMMED, ACCOUNT -> OptionalDouble.of(0);
            };
            case RECORDER -> switch (loss) {
                case RECORDER -> OptionalDouble.empty();
                case POWER -> OptionalDouble.of(sends.clipS());
                // The stream goes by the router, and over the hub where the camera reaches the house through one.
                case CAMERA, ROUTER, JAMMED -> OptionalDouble.of(HUB_LAG_S);
                case HUB -> OptionalDouble.of(sends.viaHub() ? HUB_LAG_S : 0);
                case LINE, ACCOUNT -> OptionalDouble.of(0);
            };
            case HUB -> switch (loss) {
                case HUB -> OptionalDouble.empty();
                case POWER -> OptionalDouble.of(sends.clipS());
                case CAMERA, JAMMED -> OptionalDouble.of(HUB_LAG_S);
                case ROUTER -> OptionalDouble.of(sends.viaHub() ? 0 : HUB_LAG_S);
                case RECORDER, LINE, ACCOUNT -> OptionalDouble.of(0);
            };
            case CLOUD -> switch (loss) {
                case ACCOUNT -> OptionalDouble.empty();
                case RECORDER -> OptionalDouble.of(0);
                case HUB -> OptionalDouble.of(sends.viaHub() ? sends.clipS() + sends.sendS() : 0);
                case CAMERA, ROUTER, LINE, POWER, JAMMED -> OptionalDouble.of(sends.clipS() + sends.sendS());
            };
        };
    }

    /** Whether a phone is still rung by what happens after the loss. */
    public static boolean ringsAfter(Set<Loss> losses, Sends sends) {
        return losses.stream().allMatch(loss -> switch (loss) {
            case HUB -> !sends.viaHub();
            case RECORDER -> true;
            case CAMERA, ROUTER, LINE, JAMMED, POWER, ACCOUNT -> false;
        });
    }
}
