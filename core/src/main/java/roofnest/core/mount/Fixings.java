package roofnest.core.mount;

import java.util.ArrayList;
import java.util.Comparator;
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
 * @param depthMm depth of the hole, millimetres, through what lies on the wall
 * @param edgeMm no nearer than this to an edge or a joint of what carries it, millimetres; 0 where that is no matter
 * @param pull on one of the upper fixings; empty where nothing is screwed or no ordinary figure is known
 * @param cautions before drilling this wall
 */
public record Fixings(String anchor, double drillMm, String bit, int depthMm, int screws, int edgeMm, Optional<PullCheck> pull,
        List<String> cautions) {
    /** Dust collects at the end of a hole in masonry; it is drilled this much deeper than the screw, millimetres. */
    private static final int DUST_MM = 10;
    /** A plug keeps so many of its own widths from an edge. */
    private static final int EDGE_PLUGS = 10;
    /** Screws come in lengths of so many millimetres more. */
    private static final int SCREW_STEP_MM = 5;
    /** Insulation thicker than this gives way under a plate, millimetres. */
    public static final int SOFT_FROM_MM = 20;
    private static final String NOTHING = "nothing here holds a screw";
    private static final String PIPES = "Check for cables and pipes above and below sockets and taps.";

    /** A camera farther than this from every wall hangs on none, metres. */
    public static final double ON_THE_WALL_M = 1;

    /** The wall that a camera hangs on. */
    public static Optional<Wall> wallBehind(HousePlan plan, CameraPose pose) {
        return plan.nearestWall(pose.onPlan()).filter(wall -> Segments.distanceM(pose.onPlan(), wall.from(), wall.to()) <= ON_THE_WALL_M);
    }

    /** What is right behind a camera: its wall, or the door, pane or gap in it; empty where no wall is near. */
    public static Optional<Material> materialBehind(HousePlan plan, CameraPose pose) {
        double z = pose.heightM();
        return plan.walls().stream().filter(wall -> Segments.distanceM(pose.onPlan(), wall.from(), wall.to()) <= ON_THE_WALL_M)
                .min(Comparator.comparing((Wall wall) -> z < plan.baseM(wall) || z > plan.baseM(wall) + wall.heightM())
                        .thenComparingDouble(wall -> Segments.distanceM(pose.onPlan(), wall.from(), wall.to())))
                .map(wall -> {
                    double heading = Math.toRadians(wall.from().headingToDeg(wall.to()));
                    double along = (pose.xM() - wall.from().xM()) * Math.sin(heading) + (pose.yM() - wall.from().yM())
                            * Math.cos(heading);
                    return wall.materialAt(along, z - plan.baseM(wall));
                });
    }

    /** Into what the plan says that the wall is, with nothing on it. */
    public static Fixings into(Material material, MountSpec mount) {
        return Base.of(material).map(base -> into(new SaidWall(base, Covering.NONE, 0), mount)).orElseGet(() -> none(NOTHING,
                List.of("Choose a wall, post or soffit.")));
    }

    /** Into what somebody who stood before the wall says that it is. */
    public static Fixings into(SaidWall wall, MountSpec mount) {
        if (wall.covering() == Covering.OLD_BOARD) {
            return none("do not drill here",
                    List.of("Old boards, tiles and soffits may hold asbestos. Do not drill, cut or sand them; have "
                            + "them tested, or hang it elsewhere or without holes."));
        }
        if (wall.covering() == Covering.INSULATION && wall.coveringMm() > SOFT_FROM_MM) {
            return none("anchors made for insulation, by their maker’s table",
                    List.of("The plate would sink into the insulation. An anchor "
                            + "that stands off it carries the plate; what it may carry stands in its maker’s table.",
                            "Seal the hole: wet insulation is worth nothing."));
        }
        int through = wall.coveringMm();
        int length = (int) Math.ceil((mount.screwLengthMm() + through) / (double) SCREW_STEP_MM) * SCREW_STEP_MM;
        length = through == 0 ? mount.screwLengthMm() : length;
        List<String> cautions = new ArrayList<>(coveringCautions(wall));
        Optional<PullCheck> pull = mount.screws() == 0 ? Optional.empty() : wall.base().allowedPullN().stream().boxed().findFirst()
                .map(allowed -> PullCheck.of(mount, through, allowed));
        double screw = mount.screwMm();
        long plug = Math.round(screw + 2);
        String plugged = plug + " mm plug with " + plain(screw) + " × " + length + " mm screw";
        return switch (wall.base()) {
            case SOFTWOOD -> new Fixings("straight into the timber, pilot hole first", Math.round(screw * 0.6), "wood bit", length,
                    mount.screws(), 0, pull, cautions);
            case PLASTERBOARD -> {
                cautions.add("Feel for studs, pipes and cables behind the board; old boards may hold asbestos: if in doubt, do not drill.");
                yield new Fixings("cavity anchor for " + plain(screw) + " mm screws", 2 * screw, "wood bit", 15 + through, mount.screws(),
                        0,
                        pull, cautions);
            }
            case SOLID_BRICK, CONCRETE -> masonry(plugged, plug, "masonry bit, hammer on", length, mount, pull, cautions, List.of(PIPES));
            case HOLLOW -> masonry(plugged, plug, "masonry bit, hammer off", length, mount, pull, cautions,
                    List.of("The plug has to spread behind a web: one made for hollow blocks; hammering breaks the webs.", PIPES));
            case AERATED -> masonry(plugged, plug, "masonry bit, hammer off", length, mount, pull, cautions,
                    List.of("A plug made for aerated block; it is soft, so drill a size smaller where its maker says so.", PIPES));
            case STONE -> masonry(plugged, plug, "masonry bit, hammer off until the hole is started", length, mount, pull, cautions,
                    List.of("Drill the stone, not the joint; soft joints and edges break out.", PIPES));
            case SHEET_METAL -> {
                cautions.add("Metal carries voltage and swarf: eye protection, and nothing live behind the sheet.");
                cautions.add("Sheet alone holds little; find the frame.");
                yield new Fixings("self-drilling screw into the frame, sealing washer", 0, "no bit: the screw drills", length,
                        mount.screws(), 0,
                        pull, cautions);
            }
        };
    }

    private static Fixings none(String why, List<String> cautions) {
        return new Fixings(why, 0, "none", 0, 0, 0, Optional.empty(), cautions);
    }

    private static Fixings masonry(String anchor, long plugMm, String bit, int lengthMm, MountSpec mount, Optional<PullCheck> pull,
            List<String> cautions, List<String> more) {
        cautions.addAll(more);
        return new Fixings(anchor, plugMm, bit, lengthMm + DUST_MM, mount.screws(), (int) (EDGE_PLUGS * plugMm), pull, cautions);
    }

    private static List<String> coveringCautions(SaidWall wall) {
        return switch (wall.covering()) {
            case NONE, OLD_BOARD -> List.of();
            case RENDER -> List.of("Render carries nothing: plug and screw reach the " + wall.base().words() + " behind it.");
            case INSULATION -> List.of("Insulation carries nothing: plug and screw reach the " + wall.base().words()
                    + " behind it. Do not tighten the plate into it; seal the hole.");
            case TILES ->
                List.of("Never through a hanging tile: take it out, fix a board to the batten or the wall behind, and dress it in.");
            case TIMBER_CLADDING -> List.of("Boards move and carry little: screw where a batten is behind, or through to the "
                    + wall.base().words() + ".");
            case METAL_CLADDING -> List.of("Sheet carries little and rattles: reach the rail or the " + wall.base().words()
                    + " behind it, with a spacer and a sealing washer; nothing live behind it.");
        };
    }

    private static String plain(double value) {
        return Numbers.plain(value);
    }
}
