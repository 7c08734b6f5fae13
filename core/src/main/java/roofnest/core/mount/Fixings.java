package roofnest.core.mount;

import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.MountSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/**
 * What holds a mount on a wall.
 *
 * @param anchor what goes into the hole, or how the screw holds without one
 * @param drillMm diameter of the hole, millimetres
 * @param bit what kind of bit
 * @param depthMm depth of the hole, millimetres
 * @param cautions before drilling this wall
 */
public record Fixings(String anchor, double drillMm, String bit, int depthMm, int screws, List<String> cautions) {
    /** Dust collects at the end of a hole in masonry; it is drilled this much deeper than the screw, millimetres. */
    private static final int DUST_MM = 10;

    /** A camera farther than this from every wall hangs on none, metres. */
    public static final double ON_THE_WALL_M = 1;

    /** The wall that a camera hangs on. */
    public static Optional<Wall> wallBehind(HousePlan plan, CameraPose pose) {
        return plan.nearestWall(pose.onPlan()).filter(wall -> Segments.distanceM(pose.onPlan(), wall.from(), wall.to()) <= ON_THE_WALL_M);
    }

    public static Fixings into(Material material, MountSpec mount) {
        int length = mount.screwLengthMm();
        double screw = mount.screwMm();
        return switch (material) {
            case TIMBER -> new Fixings("straight into the timber, pilot hole first", Math.round(screw * 0.6), "wood bit",
                    length, mount.screws(), List.of());
            case PLASTERBOARD, FOIL -> new Fixings("cavity anchor for " + plain(screw) + " mm screws", 2 * screw, "wood bit", 15,
                    mount.screws(),
                    List.of("Feel for studs, pipes and cables behind the board; old boards may hold asbestos: if in doubt, do not drill."));
            case BRICK, CAVITY_BRICK,
                    CONCRETE ->
                new Fixings(plugMm(screw) + " mm plug with " + plain(screw) + " × " + length + " mm screw",
                        plugMm(screw), "masonry bit, hammer on", length + DUST_MM, mount.screws(),
                        List.of("Check for cables and pipes above and below sockets and taps."));
            case STONE -> new Fixings(plugMm(screw) + " mm plug with " + plain(screw) + " × " + length + " mm screw",
                    plugMm(screw), "masonry bit, hammer off until the hole is started", length + DUST_MM, mount.screws(),
                    List.of("Drill the stone, not the joint; soft joints and edges break out.",
                            "Check for cables and pipes above and below sockets and taps."));
            case METAL -> new Fixings("self-drilling screw into the frame, sealing washer", 0, "no bit: the screw drills", length,
                    mount.screws(), List.of("Metal carries voltage and swarf: eye protection, and nothing live behind the sheet.",
                            "Sheet alone holds little; find the frame."));
            case GLASS, COATED_GLASS, HEDGE, OPEN, FOLIAGE, WATER_TANK -> new Fixings("nothing here holds a screw", 0, "none", 0, 0,
                    List.of("Choose a wall, post or soffit."));
        };
    }

    /** Plugs come in whole millimetres, two wider than the screw they take. */
    private static long plugMm(double screwMm) {
        return Math.round(screwMm + 2);
    }

    private static String plain(double value) {
        return Numbers.plain(value);
    }
}
