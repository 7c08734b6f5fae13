package roofnest.core.catalogue;

import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.lang.Require;

/**
 * How a model gets into a house.
 *
 * @param cues what it shows in each state; listening and updating may look like others
 * @param bootSeconds power to ready
 * @param joinSeconds details sent to joined, ordinarily
 * @param giveUpSeconds details sent to giving up, when they are wrong
 * @param hotspotPrefix start of its own network's name; null when it has none
 * @param powerAction how it is switched on, as an instruction
 * @param reset how it is reset, as an instruction
 * @param bootShows what it does while it starts, other than its light; null when nothing
 * @param limits distances and windows of its ways in; {@link PairingLimits#USUAL} when left out
 * @param resets the ways back, the gentlest first; none when they were not written down apart
 * @param recovery what a forgotten password leaves to do; a reset when left out
 * @param updateSeconds how long its first firmware update takes
 * @param updateFirst whether it wants that update before anything else works
 */
public record SetUp(
        List<PairingMethod> methods, Map<DeviceState, Cue> cues, int bootSeconds, int joinSeconds, int giveUpSeconds,
        String hotspotPrefix, String powerAction, String reset, String stickerPlace, String bootShows, PairingLimits limits,
        List<Reset> resets, Recovery recovery, Integer updateSeconds, Boolean updateFirst) {
    private static final int USUAL_UPDATE_SECONDS = 240;

    public SetUp {
        limits = limits == null ? PairingLimits.USUAL : limits;
        resets = resets == null ? List.of() : List.copyOf(resets);
        recovery = recovery == null ? Recovery.NONE : recovery;
        updateSeconds = updateSeconds == null ? USUAL_UPDATE_SECONDS : updateSeconds;
        updateFirst = updateFirst != null && updateFirst;
        Require.inRange("update seconds", updateSeconds, 1, 3600);
        methods = List.copyOf(methods);
        cues = Map.copyOf(cues);
        Require.inRange("boot seconds", bootSeconds, 1, 600);
        Require.inRange("join seconds", joinSeconds, 1, 600);
        Require.inRange("give-up seconds", giveUpSeconds, joinSeconds, 1200);
        powerAction = Require.text("power action", powerAction, 200);
        reset = Require.text("reset", reset, 300);
        stickerPlace = Require.text("sticker place", stickerPlace, 100);
        for (DeviceState state : DeviceState.values()) {
            if (state.looksLike().isEmpty() && !cues.containsKey(state)) {
                throw new IllegalArgumentException("no cue is given for the state " + state);
            }
        }
    }

    /** What it shows in a state. */
    public Cue cue(DeviceState state) {
        return cues.containsKey(state) ? cues.get(state) : cues.get(state.looksLike().orElseThrow());
    }

    /** Whether its lights and voice tell a state from every other. */
    public boolean tellsApart(DeviceState state) {
        return cues.containsKey(state);
    }

    /** Minutes to join it by the way that costs least, its failures counted: minutes + (1 − chance) · minutes lost. */
    public double expectedMinutes() {
        return methods.stream().mapToDouble(method -> method.minutes() + (1 - method.chance()) * method.minutesLost()).min().orElse(0);
    }

    public Optional<PairingMethod> method(PairingMethod.Way way) {
        return methods.stream().filter(method -> method.way() == way).findFirst();
    }
}
