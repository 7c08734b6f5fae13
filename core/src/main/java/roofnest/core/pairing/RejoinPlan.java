package roofnest.core.pairing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import roofnest.core.lang.Require;

/**
 * What to do when the router or its password changes. Giving the new router the old name and password avoids nearly all
 * of it, if the old ones were sound; else every device is joined again: hubs before their cameras, which then follow by
 * themselves, and of the rest those that fail most often first, while patience lasts.
 *
 * @param canKeep whether the new router can take the old name and password over
 * @param shouldKeep whether that is wise
 * @param reasons for either, in sentences
 * @param order of rejoining, those that are done already last
 * @param minutes left if nothing is kept, other things counted
 */
public record RejoinPlan(boolean canKeep, boolean shouldKeep, List<String> reasons, List<Line> order, int otherThings, double minutes) {
    /** A shorter password is guessed too soon to be carried on for years. */
    public static final int SOUND_LENGTH = 12;
    private static final double MINUTES_A_THING = 2;

    public RejoinPlan {
        reasons = List.copyOf(reasons);
        order = List.copyOf(order);
    }

    /**
     * The network that was.
     *
     * @param known whether its password is in the sealed store
     * @param knownByLeavers names of people who have left and knew it
     */
    public record Old(String name, int passwordLength, boolean known, boolean secured, List<String> knownByLeavers) {
        public Old {
            Require.inRange("password length", passwordLength, 0, 63);
            knownByLeavers = List.copyOf(knownByLeavers);
        }
    }

    /**
     * A device of the house.
     *
     * @param viaHub name of the hub that it joins through; empty when it joins the Wi-Fi
     * @param best the way to try first, by the firm's log; empty when none is open here
     * @param done whether it has rejoined already
     */
    public record Device(long id, String name, boolean hub, Optional<String> viaHub, Optional<MethodOrder.Ranked> best,
            double expectedMinutes, boolean done) {
        public Device {
            Require.inRange("expected minutes", expectedMinutes, 0, 600);
        }
    }

    /** @param how it rejoins, in words */
    public record Line(Device device, String how, double minutes) {}

    /** @param setsNames whether the new router lets its name and password be set */
    public static RejoinPlan of(Old old, boolean setsNames, List<Device> devices, int otherThings) {
        List<String> reasons = new ArrayList<>();
        boolean canKeep = setsNames && old.known() && (!old.secured() || old.passwordLength() >= 8);
        if (!setsNames) {
            reasons.add("The new router does not let its name and password be set.");
        }
        if (!old.known()) {
            reasons.add("Nobody wrote the old password down.");
        }
        boolean sound = old.secured() && old.passwordLength() >= SOUND_LENGTH && old.knownByLeavers().isEmpty();
        if (!old.secured()) {
            reasons.add("The old network had no password at all.");
        } else if (old.known() && old.passwordLength() < SOUND_LENGTH) {
            reasons.add(
                    "The old password has " + old.passwordLength() + " characters; " + SOUND_LENGTH + " are the least to carry on with.");
        }
        if (!old.knownByLeavers().isEmpty()) {
            reasons.add(String.join(", ", old.knownByLeavers()) + (old.knownByLeavers().size() == 1 ? " has" : " have")
                    + " left and may still know the old password.");
        }
        if (canKeep && sound) {
            reasons.add("Give the new router the old name and the old password: every device comes back by itself.");
        }
        List<Line> lines = devices.stream()
                .sorted(Comparator.comparing(Device::done).thenComparing(device -> !device.hub())
                        .thenComparing(device -> device.viaHub().isPresent())
                        .thenComparingDouble(device -> device.best().map(MethodOrder.Ranked::chance).orElse(0.0))
                        .thenComparing(Device::name))
                .map(RejoinPlan::line).toList();
        double minutes
                = lines.stream().filter(line -> !line.device().done()).mapToDouble(Line::minutes).sum()
                        + MINUTES_A_THING * Math.max(0, otherThings);
        return new RejoinPlan(canKeep, canKeep && sound, reasons, lines, otherThings, minutes);
    }

    private static Line line(Device device) {
        if (device.viaHub().isPresent()) {
            return new Line(device, "follows when " + device.viaHub().get() + " is online again", 0);
        }
        return new Line(device, device.best().map(best -> "by " + best.way().words()).orElse("by none of its ways here: see Ready"),
                device.expectedMinutes());
    }

    public long done() {
        return order.stream().filter(line -> line.device().done()).count();
    }
}
