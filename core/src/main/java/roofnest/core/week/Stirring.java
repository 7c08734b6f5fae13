package roofnest.core.week;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.view.Eye;
import roofnest.core.view.Projection;
import roofnest.core.view.Zone;

/**
 * What stirs before a camera without coming anywhere: wings, insects in its own light, headlights, branches, patches of sun, warm air. Only
 * a picture notices what has no warmth; an infrared sensor feels warm air, and a branch now and then where its leaves are warm.
 */
final class Stirring {
    /** Rates of branches are of so many metres of crown or hedge in view. */
    static final double CROWN_M = 10;
    /** Of the times that a picture notices a branch, an infrared sensor feels warm leaves by day. */
    static final double WARM_LEAVES = 0.15;
    /** Headlights are seen across a picture from so far, metres. */
    static final double HEADLIGHT_M = 40;
    private static final double HEADLIGHT_HEIGHT_M = 0.8;
    /** Washing hangs so high over the grass, metres. */
    static final double LINE_HEIGHT_M = 1.4;
    /** Just before a pane: a wall’s own thickness is not in the way of it, metres. */
    private static final double BEFORE_PANE_M = 0.3;
    private static final double CROWN_STEP_M = 0.5;
    private static final double HEDGE_HEIGHT_SHARE = 0.7;
    private static final int GRID_ACROSS = 24;
    private static final int GRID_DOWN = 14;
    private static final int FEW = 40;

    private final HousePlan plan;
    private final Ground ground;

    Stirring(HousePlan plan, Ground ground) {
        this.plan = plan;
        this.ground = ground;
    }

    /** How much of a source's rate a camera has, and where on the plan it stirs. */
    record Share(double of, PlanPoint at) {}

    Optional<Share> share(SourceKind kind, Watch watch, boolean dark, Conditions conditions) {
        boolean picture = watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE;
        return switch (kind) {
            case BIRD -> when(picture && !watch.indoors() && !dark, watch);
            case SUN_PATCH -> when(picture && !watch.indoors() && !dark, watch);
            case INSECT -> when(picture && !watch.indoors() && dark && conditions.insects()
                    && watch.vision().eye().lens().nightRangeM() > 0, watch);
            case HEADLIGHT -> picture && dark ? headlights(watch) : Optional.empty();
            case BRANCH -> watch.indoors() || !picture && dark ? Optional.empty() : branches(watch, picture ? 1 : WARM_LEAVES);
            // Drops near the lens shine in its own light; with none of its own there is nothing for them to shine in.
            case RAIN -> when(picture && !watch.indoors() && dark && watch.vision().eye().lens().nightRangeM() > 0, watch);
            case WASHING -> watch.indoors() || !picture && dark ? Optional.empty() : washing(watch, picture ? 1 : WARM_LEAVES);
            case TELEVISION -> picture && dark && !watch.indoors() ? windows(watch) : Optional.empty();
            case VENT -> picture || !conditions.heated() ? Optional.empty() : warmAir(watch);
            default -> Optional.empty();
        };
    }

    private static Optional<Share> when(boolean stirs, Watch watch) {
        double counts = stirs ? countingShare(watch) : 0;
        return counts > 0 ? Optional.of(new Share(counts, middle(watch.vision().eye()))) : Optional.empty();
    }

    private static PlanPoint middle(Eye eye) {
        return eye.pose().onPlan().towards(eye.pose().headingDeg(), 1);
    }

    /** Share of a camera's picture in which movement counts. */
    static double countingShare(Watch watch) {
        int counts = 0;
        for (int across = 0; across < GRID_ACROSS; across++) {
            for (int down = 0; down < GRID_DOWN; down++) {
                Projection.Pixel pixel = new Projection.Pixel((across + 0.5) / GRID_ACROSS * watch.vision().eye().lens().widthPx(),
                        (down + 0.5) / GRID_DOWN * watch.vision().eye().lens().heightPx());
                counts += !watch.vision().masked(pixel) && inZone(watch, pixel) ? 1 : 0;
            }
        }
        return counts / (double) (GRID_ACROSS * GRID_DOWN);
    }

    private static boolean inZone(Watch watch, Projection.Pixel pixel) {
        return !watch.zoned() || watch.zones().stream().anyMatch((Zone zone) -> zone.contains(pixel, watch.vision().eye().lens()));
    }

    private boolean stirsAt(Watch watch, PlanPoint at, double zM) {
        return watch.vision().sees(at.xM(), at.yM(), zM).filter(pixel -> inZone(watch, pixel)).isPresent();
    }

    /** Share of the points along the roads within reach that are in its picture and count. */
    private Optional<Share> headlights(Watch watch) {
        List<PlanPoint> near = new ArrayList<>();
        for (Area road : plan.areas().stream().filter(area -> area.kind() == Area.Kind.ROAD).toList()) {
            for (int i = 0; i < road.outline().size(); i++) {
                PlanPoint a = road.outline().get(i);
                PlanPoint b = road.outline().get((i + 1) % road.outline().size());
                for (int step = 0; step < FEW; step++) {
                    near.add(a.towards(a.headingToDeg(b), a.distanceM(b) * step / FEW));
                }
            }
        }
        return some(near, at -> at.distanceM(watch.vision().eye().pose().onPlan()) <= HEADLIGHT_M
                && stirsAt(watch, at, ground.heightM(at) + HEADLIGHT_HEIGHT_M), seen -> seen.isEmpty() ? 0 : 1);
    }

    private interface Weighs {
        double of(List<PlanPoint> seen);
    }

    private static Optional<Share> some(List<PlanPoint> points, Predicate<PlanPoint> seen, Weighs weighs) {
        List<PlanPoint> all = points.stream().filter(seen).toList();
        double share = weighs.of(all);
        return share <= 0 ? Optional.empty() : Optional.of(new Share(share, all.get(all.size() / 2)));
    }

    /** Metres of crown and hedge in its range, picture and zones, over ten. */
    private Optional<Share> branches(Watch watch, double felt) {
        List<PlanPoint> leaves = new ArrayList<>();
        PlanPoint lens = watch.vision().eye().pose().onPlan();
        for (Thing tree : plan.ofKind(Thing.Kind.TREE).toList()) {
            double towardsLens = tree.at().headingToDeg(lens);
            for (double aside = -tree.radiusM(); aside <= tree.radiusM(); aside += CROWN_STEP_M) {
                leaves.add(tree.at().towards(towardsLens, tree.radiusM() + CROWN_STEP_M).towards(towardsLens + 90, aside));
            }
        }
        for (Wall wall : plan.walls().stream().filter(each -> each.material() == Material.HEDGE || each.material() == Material.FOLIAGE)
                .toList()) {
            Wall face = wall.facing(lens);
            for (double along = 0; along <= face.lengthM(); along += CROWN_STEP_M) {
                leaves.add(face.along(along));
            }
        }
        return some(leaves, at -> at.distanceM(lens) <= watch.rangeM() && stirsAt(watch, at, ground.heightM(at)
                + SourceKind.Body.GROWN.heightM() * HEDGE_HEIGHT_SHARE), seen -> felt * seen.size() * CROWN_STEP_M / CROWN_M);
    }

    /** A line stands on grass: where any of it is within its range, in its picture and in what counts. */
    private Optional<Share> washing(Watch watch, double felt) {
        List<PlanPoint> grass = new ArrayList<>();
        for (Area lawn : plan.areas().stream().filter(area -> area.kind() == Area.Kind.LAWN).toList()) {
            PlanPoint middle = new PlanPoint(lawn.outline().stream().mapToDouble(PlanPoint::xM).average().orElseThrow(),
                    lawn.outline().stream().mapToDouble(PlanPoint::yM).average().orElseThrow());
            grass.add(middle);
            lawn.outline().forEach(corner -> grass.add(corner.towards(corner.headingToDeg(middle), corner.distanceM(middle) / 2)));
        }
        return some(grass, at -> at.distanceM(watch.vision().eye().pose().onPlan()) <= watch.rangeM()
                && stirsAt(watch, at, ground.heightM(at) + LINE_HEIGHT_M), seen -> seen.isEmpty() ? 0 : felt);
    }

    /** Panes that it looks into from so near that what moves behind them changes its picture. */
    private Optional<Share> windows(Watch watch) {
        PlanPoint lens = watch.vision().eye().pose().onPlan();
        List<PlanPoint> panes = new ArrayList<>();
        for (Wall wall : plan.walls()) {
            for (Opening opening : wall.openings()) {
                PlanPoint middle = wall.along(opening.atM() + opening.widthM() / 2);
                PlanPoint before = middle.towards(middle.headingToDeg(lens), BEFORE_PANE_M);
                if (opening.kind() == Opening.Kind.WINDOW && middle.distanceM(lens) <= watch.rangeM()
                        && stirsAt(watch, before, plan.baseM(wall) + (opening.sillM() + opening.headM()) / 2)) {
                    panes.add(middle);
                }
            }
        }
        return some(panes, at -> true, seen -> seen.isEmpty() ? 0 : 1);
    }

    private Optional<Share> warmAir(Watch watch) {
        Eye eye = watch.vision().eye();
        List<Thing> warm = plan.things().stream().filter(thing -> thing.kind().warm()).filter(thing -> {
            boolean felt = thing.at().distanceM(eye.pose().onPlan()) <= watch.rangeM()
                    && Math.abs(eye.bearingDeg(thing.at())) <= watch.model().motion().fanDeg() / 2
                    && eye.clearTo(thing.at().xM(), thing.at().yM(), thing.heightM());
            return felt && (!watch.zoned() || stirsAt(watch, thing.at(), thing.heightM()));
        }).toList();
        return some(warm.stream().map(Thing::at).toList(), at -> true, List::size);
    }
}
