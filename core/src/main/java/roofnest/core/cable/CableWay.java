package roofnest.core.cable;

import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;
import roofnest.core.mount.CableRun;
import roofnest.core.plan.Thing;

/**
 * One way of a lead from a socket to a camera.
 *
 * @param socketOutdoors whether the socket stands out of doors
 * @param weighing by which it was found; empty for one that was drawn by hand
 * @param legs from the socket on
 * @param doors over whose frames it goes
 * @param climb what one has to stand on at its highest
 * @param effortM what the way is as bad as, in metres of lead in plain sight; of one that was drawn its length
 */
public record CableWay(Thing socket, boolean socketOutdoors, Optional<Weighing> weighing, List<Leg> legs, List<Bore> bores, int doors,
        Climb climb,
        double effortM) {
    /** Longer ones are no lead any more, metres. */
    static final double LONGEST_M = 100;

    public CableWay {
        legs = List.copyOf(legs);
        bores = List.copyOf(bores);
        Require.inRange("effort in metres", effortM, 0, Double.MAX_VALUE);
    }

    /** Whether somebody drew it. */
    public boolean drawn() {
        return weighing.isEmpty();
    }

    /** Of the way itself, metres, without slack. */
    public double alongM() {
        return legs.stream().mapToDouble(Leg::lengthM).sum();
    }

    /** Metres of it that run across a wall, where they are seen. */
    public double seenM() {
        return legs.stream().filter(leg -> leg.kind() == Leg.Kind.WALL).mapToDouble(Leg::lengthM).sum();
    }

    /** Left at the camera of what is at the plug, with its light on, volts: by its own lead, or as much wire as the way asks for. */
    public double volts(PowerSpec power) {
        double length = Math.max(power.leadM(), run(power.leadM()).lengthM());
        return Math.max(0, power.packVolts() - PowerSpec.dropV(length, power.leadMm2(), power.mostMa() / 1000));
    }

    /** With slack and something to spare. @param leadM that comes with the camera, metres */
    public CableRun run(double leadM) {
        return CableRun.of(socket.name(), alongM(), leadM);
    }
}
