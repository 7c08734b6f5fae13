package roofnest.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

/** Edits of storeys with their floors, stairwells and roofs. */
final class StoreyEdits {
    /** Floor and ceiling between two storeys, metres. */
    private static final double SLAB_M = 0.3;

    private final HousePlan plan;

    StoreyEdits(HousePlan plan) {
        this.plan = plan;
    }

    HousePlan make(PlanEdit edit) throws EditRefused {
        if (edit instanceof PlanEdit.AddStorey add) {
            String id = PlanEdits.ids("storey", plan.storeys(), Storey::id).get();
            return plan.withStoreys(PlanEdits.plus(plan.storeys(), new Storey(id, add.name(), add.floorM(), add.heightM(), List.of())));
        } else if (edit instanceof PlanEdit.SetStorey set) {
            return setStorey(set);
        } else if (edit instanceof PlanEdit.SetRoof set) {
            return changed(set.id(), storey -> storey.withRoof(roof(set)));
        } else if (edit instanceof PlanEdit.AddStairwell add) {
            return addStairwell(add);
        } else if (edit instanceof PlanEdit.CloseStairwells close) {
            return changed(close.id(), storey -> storey.withStairwells(List.of()));
        }
        return duplicate((PlanEdit.DuplicateStorey) edit);
    }

    private HousePlan changed(String id, UnaryOperator<Storey> change) throws EditRefused {
        return plan.withStoreys(PlanEdits.replaced(plan.storeys(), storey -> storey.id().equals(id), change));
    }

    /** Walls that were as high as the storey stay so. */
    private HousePlan setStorey(PlanEdit.SetStorey set) throws EditRefused {
        Shell shell = new Shell(plan);
        List<Wall> walls = plan.walls().stream()
                .map(wall -> wall.storey().equals(set.id()) && shell.full(wall) ? wall.withHeight(set.heightM()) : wall).toList();
        return changed(set.id(), storey -> storey.with(set.name(), set.floorM(), set.heightM())).withWalls(walls);
    }

    private static Roof roof(PlanEdit.SetRoof set) {
        if (set.kind().isEmpty()) {
            return null;
        }
        Roof.Kind kind = Stream.of(Roof.Kind.values()).filter(each -> each.name().equals(set.kind().toUpperCase(Locale.ROOT))).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("a roof is flat, pitched or none"));
        boolean pitched = kind == Roof.Kind.PITCHED;
        return new Roof(kind, kind == Roof.Kind.NONE ? null : set.eavesM(), pitched ? set.ridgeM() : null, pitched ? set.ridgeDeg() : null,
                kind == Roof.Kind.NONE ? null : set.overhangM(), null);
    }

    private HousePlan addStairwell(PlanEdit.AddStairwell add) throws EditRefused {
        Storey storey = plan.storey(add.id()).orElseThrow(() -> new EditRefused("That storey is no longer on the plan."));
        if (storey.slab().size() < 3) {
            throw new EditRefused(storey.name() + " has no floor of its own to open; it lies on the ground.");
        }
        if (!(add.widthM() >= 0.3 && add.depthM() >= 0.3)) {
            throw new EditRefused("A stairwell is at least 0.3 m wide and deep.");
        }
        List<PlanPoint> well = List.of(new PlanPoint(add.xM(), add.yM()), new PlanPoint(add.xM() + add.widthM(), add.yM()),
                new PlanPoint(add.xM() + add.widthM(), add.yM() + add.depthM()), new PlanPoint(add.xM(), add.yM() + add.depthM()));
        if (well.stream().noneMatch(storey::covers)) {
            throw new EditRefused("No corner of this stairwell lies on the floor of " + storey.name() + ".");
        }
        return changed(add.id(), each -> each.withStairwells(PlanEdits.plus(each.stairwells(), well)));
    }

    /** The roof goes up with the new storey: what lay over the one below is under a floor now. */
    private HousePlan duplicate(PlanEdit.DuplicateStorey duplicate) throws EditRefused {
        Storey copied = plan.storey(duplicate.id()).orElseThrow(() -> new EditRefused("That storey is no longer on the plan."));
        double topM = plan.storeys().stream().mapToDouble(Storey::ceilingM).max().orElse(0);
        String id = PlanEdits.ids("storey", plan.storeys(), Storey::id).get();
        List<Wall> walls = new ArrayList<>(plan.walls());
        List<Coordinate> corners = new ArrayList<>();
        for (Wall wall : plan.walls()) {
            if (wall.storey().equals(copied.id())) {
                walls.add(new Wall(PlanEdits.ids("wall", walls, Wall::id).get(), id, wall.from(), wall.to(), wall.material(),
                        wall.thicknessM(), wall.heightM(), wall.openings()));
                corners.add(Segments.coordinate(wall.from()));
                corners.add(Segments.coordinate(wall.to()));
            }
        }
        Storey storey = new Storey(id, duplicate.name(), topM + SLAB_M, copied.heightM(),
                copied.slab().isEmpty() ? hull(corners) : copied.slab());
        return plan.withStoreys(PlanEdits.plus(plan.storeys(), storey)).withWalls(walls);
    }

    /** The floor of a storey whose outline nobody has drawn: what its walls stand around. */
    private static List<PlanPoint> hull(List<Coordinate> corners) {
        Coordinate[] ring = new ConvexHull(corners.toArray(Coordinate[]::new), new GeometryFactory()).getConvexHull().getCoordinates();
        return ring.length < 4 ? List.of() : Stream.of(ring).limit(ring.length - 1L).map(c -> new PlanPoint(c.x, c.y)).toList();
    }
}
