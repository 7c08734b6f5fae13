package roofnest.core.catalogue;

import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.lang.Require;

/**
 * How a model gets into a house.
 *
 * @param cues what it shows in each state; every state it can be in has one
 * @param bootSeconds power to ready
 * @param joinSeconds details sent to joined, ordinarily
 * @param giveUpSeconds details sent to giving up, when they are wrong
 * @param hotspotPrefix start of its own network's name; null when it has none
 * @param powerAction how it is switched on, as an instruction
 * @param reset how it is reset, as an instruction
 */
public record SetUp(
        List<PairingMethod> methods, Map<DeviceState, Cue> cues, int bootSeconds, int joinSeconds, int giveUpSeconds,
        String hotspotPrefix, String powerAction, String reset, String stickerPlace) {
    public SetUp {
        methods = List.copyOf(methods);
        cues = Map.copyOf(cues);
        Require.inRange("boot seconds", bootSeconds, 1, 600);
        Require.inRange("join seconds", joinSeconds, 1, 600);
        Require.inRange("give-up seconds", giveUpSeconds, joinSeconds, 1200);
        powerAction = Require.text("power action", powerAction, 200);
        reset = Require.text("reset", reset, 300);
        stickerPlace = Require.text("sticker place", stickerPlace, 100);
        for (DeviceState state : DeviceState.values()) {
            if (!cues.containsKey(state)) {
                throw new IllegalArgumentException("no cue is given for the state " + state);
            }
        }
    }

    public Optional<PairingMethod> method(PairingMethod.Way way) {
        return methods.stream().filter(method -> method.way() == way).findFirst();
    }
}
