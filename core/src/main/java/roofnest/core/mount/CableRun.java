package roofnest.core.mount;

import java.util.Comparator;
import java.util.Optional;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Thing;
import roofnest.core.view.CameraPose;

/**
 * The lead from the nearest socket: along the wall and up, never across, with slack at both ends and a tenth to spare.
 *
 * @param lengthM to buy or bring, metres
 * @param beyondLeadM how much longer than the lead that comes with the model, metres
 */
public record CableRun(String socket, double lengthM, double beyondLeadM, int clips) {
    public static final double SLACK_EACH_END_M = 0.3;
    public static final double SPARE = 1.1;
    public static final double CLIP_SPACING_M = 0.25;

    /** @param alongM run along walls and up, metres */
    public static CableRun of(String socket, double alongM, double leadM) {
        Require.inRange("cable path in metres", alongM, 0, 200);
        double length = (alongM + 2 * SLACK_EACH_END_M) * SPARE;
        // One more clip holds the cable within a hand's width of the camera.
        int clips = (int) Math.ceil(alongM / CLIP_SPACING_M) + 1;
        return new CableRun(socket, length, Math.max(0, length - leadM), clips);
    }

    /** Empty for a model with a pack, and for a plan without sockets. */
    public static Optional<CableRun> toNearestSocket(HousePlan plan, PowerSpec power, CameraPose pose) {
        if (power.onBattery()) {
            return Optional.empty();
        }
        return plan.things().stream()
                .filter(thing -> thing.kind() == Thing.Kind.SOCKET)
                .min(Comparator.comparingDouble(socket -> alongM(socket, pose)))
                .map(socket -> of(socket.name(), alongM(socket, pose), power.leadM()));
    }

    private static double alongM(Thing socket, CameraPose pose) {
        return Math.abs(socket.at().xM() - pose.xM()) + Math.abs(socket.at().yM() - pose.yM())
                + Math.abs(socket.heightM() - pose.heightM());
    }
}
