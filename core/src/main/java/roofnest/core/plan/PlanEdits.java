package roofnest.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * Makes edits of a plan: a new plan out, the old one untouched. Ids are given here. What an edit leaves must still be a
 * sound plan; the caller has the outcome checked by {@link PlanDocument#faults}.
 */
public final class PlanEdits {
    /** Ends of walls this near to one another are one corner, metres. */
    private static final double SAME_CORNER_M = 0.02;
    /** Two walls that run on from one another may differ this much in heading, degrees. */
    private static final double STRAIGHT_DEG = 1;

    private final HousePlan plan;

    private PlanEdits(HousePlan plan) {
        this.plan = plan;
    }

    /** @throws EditRefused with a sentence for whoever draws */
    public static HousePlan apply(HousePlan plan, PlanEdit edit) throws EditRefused {
        try {
            return new PlanEdits(plan).make(edit);
        } catch (IllegalArgumentException e) {
            String said = String.valueOf(e.getMessage());
            throw new EditRefused(Character.toUpperCase(said.charAt(0)) + said.substring(1) + ".");
        }
    }

    private HousePlan make(PlanEdit edit) throws EditRefused {
        if (edit instanceof PlanEdit.AddWalls add) {
            return addWalls(add);
        } else if (edit instanceof PlanEdit.SetWall set) {
            return replaceWall(set.id(), wall -> List.of(new Wall(
                    wall.id(), wall.storey(), wall.from(), wall.to(), set.material(), set.thicknessM(), set.heightM(), wall.openings())));
        } else if (edit instanceof PlanEdit.MoveCorner move) {
            return moveCorner(move);
        } else if (edit instanceof PlanEdit.SplitWall split) {
            return replaceWall(split.id(), wall -> halves(wall, split.atM(), ids("wall", plan.walls(), Wall::id)));
        } else if (edit instanceof PlanEdit.JoinWalls join) {
            return joinWalls(wall(join.id()), wall(join.otherId()));
        } else if (edit instanceof PlanEdit.SetOpening set) {
            return setOpening(set);
        } else if (edit instanceof PlanEdit.RemoveOpening remove) {
            return replaceWall(remove.id(), wall -> List.of(withOpenings(wall, without(wall.openings(), remove.index()))));
        } else if (edit instanceof PlanEdit.AddArea add) {
            return plan.withAreas(
                    plus(plan.areas(), new Area(ids("area", plan.areas(), Area::id).get(), add.name(), add.kind(), add.outline())));
        } else if (edit instanceof PlanEdit.SetArea set) {
            return plan.withAreas(
                    replaced(plan.areas(), area -> area.id().equals(set.id()), area -> new Area(area.id(), set.name(), set.kind(),
                            area.outline(), set.heightM(), set.riseM() == 0 ? null : new Area.Slope(set.riseM(), set.uphillDeg()))));
        } else if (edit instanceof PlanEdit.AddPath add) {
            return plan.withPaths(plus(plan.paths(), new Walk(ids("path", plan.paths(), Walk::id).get(), add.name(), add.points())));
        } else if (edit instanceof PlanEdit.AddPlace add) {
            return plan.withPlaces(plus(plan.places(), new Place(ids("place", plan.places(), Place::id).get(), add.name(), add.at(),
                    new Ground(plan).heightM(add.at()))));
        } else if (edit instanceof PlanEdit.AddThing add) {
            return plan.withThings(plus(plan.things(),
                    new Thing(ids("thing", plan.things(), Thing::id).get(), add.name(), add.kind(), add.at(), add.heightM())));
        } else if (edit instanceof PlanEdit.AddLabel add) {
            return plan.withLabels(plus(plan.labels(), new Label(add.text(), add.at(), add.storey())));
        }
        return makeOther(edit);
    }

    private HousePlan makeOther(PlanEdit edit) throws EditRefused {
        if (edit instanceof PlanEdit.SetNamed set) {
            return setNamed(set);
        } else if (edit instanceof PlanEdit.Boundary boundary) {
            return plan.withBoundary(boundary.points());
        } else if (edit instanceof PlanEdit.Move move) {
            return move(move.id(), point -> new PlanPoint(point.xM() + move.dxM(), point.yM() + move.dyM()));
        } else if (edit instanceof PlanEdit.Delete delete) {
            return delete(delete.id());
        } else if (edit instanceof PlanEdit.Site site) {
            return plan.withSite(site.latitudeDeg(), site.northDeg());
        }
        return new StoreyEdits(plan).make(edit);
    }

    private HousePlan addWalls(PlanEdit.AddWalls add) throws EditRefused {
        List<Wall> walls = new ArrayList<>(plan.walls());
        for (int i = 1; i < add.points().size(); i++) {
            PlanPoint from = add.points().get(i - 1);
            PlanPoint to = add.points().get(i);
            if (from.distanceM(to) < PlanSense.LEAST_WALL_M) {
                throw new EditRefused(String.format(Locale.ROOT, "A wall of %.2f m is too short; draw at least %.2f m.", from.distanceM(to),
                        PlanSense.LEAST_WALL_M));
            }
            addWall(walls, new Wall(ids("wall", walls, Wall::id).get(), add.storey(), from, to, add.material(), add.thicknessM(),
                    add.heightM(), List.of()));
        }
        return plan.withWalls(walls);
    }

    /** Splits what it runs through, and itself there. */
    private void addWall(List<Wall> walls, Wall added) throws EditRefused {
        List<PlanPoint> cuts = new ArrayList<>(List.of(added.from()));
        for (Wall wall : List.copyOf(walls)) {
            Optional<PlanPoint> crossing = wall.storey().equals(added.storey())
                    ? Segments.crossing(wall.from(), wall.to(), added.from(), added.to()) : Optional.empty();
            if (crossing.isPresent()) {
                cuts.add(crossing.get());
                int at = walls.indexOf(wall);
                walls.remove(at);
                walls.addAll(at, halves(wall, wall.from().distanceM(crossing.get()), ids("wall", walls, Wall::id, wall.id(), added.id())));
            }
        }
        cuts.add(added.to());
        cuts.sort(Comparator.comparingDouble(added.from()::distanceM));
        for (int i = 1; i < cuts.size(); i++) {
            String id = i == 1 ? added.id() : ids("wall", walls, Wall::id).get();
            walls.add(new Wall(id, added.storey(), cuts.get(i - 1), cuts.get(i), added.material(), added.thicknessM(), added.heightM(),
                    List.of()));
        }
    }

    private static List<Wall> halves(Wall wall, double atM, IdSource ids) throws EditRefused {
        if (!(atM >= PlanSense.LEAST_WALL_M && atM <= wall.lengthM() - PlanSense.LEAST_WALL_M)) {
            throw new EditRefused("Split the wall somewhere between its ends.");
        }
        List<Opening> before = new ArrayList<>();
        List<Opening> after = new ArrayList<>();
        for (Opening opening : wall.openings()) {
            if (opening.atM() + opening.widthM() <= atM + 1e-6) {
                before.add(opening);
            } else if (opening.atM() >= atM - 1e-6) {
                after.add(new Opening(opening.kind(), Math.max(0, opening.atM() - atM), opening.widthM(), opening.sillM(), opening.headM(),
                        opening.material()));
            } else {
                throw new EditRefused("A " + opening.kind().name().toLowerCase(Locale.ROOT) + " is there; split the wall beside it.");
            }
        }
        PlanPoint cut = wall.along(atM);
        return List.of(
                new Wall(wall.id(), wall.storey(), wall.from(), cut, wall.material(), wall.thicknessM(), wall.heightM(), before),
                new Wall(ids.get(), wall.storey(), cut, wall.to(), wall.material(), wall.thicknessM(), wall.heightM(), after));
    }

    private HousePlan joinWalls(Wall first, Wall second) throws EditRefused {
        Wall a = meet(first.to(), second.from()) || meet(first.to(), second.to()) ? first : reversed(first);
        Wall b = meet(a.to(), second.from()) ? second : reversed(second);
        double turn = Math.abs((a.from().headingToDeg(a.to()) - b.from().headingToDeg(b.to()) + 540) % 360 - 180);
        if (first.id().equals(second.id()) || !a.storey().equals(b.storey()) || !meet(a.to(), b.from()) || turn > STRAIGHT_DEG) {
            throw new EditRefused("Only two walls of one storey that meet and run on straight can be joined.");
        }
        if (a.material() != b.material() || a.thicknessM() != b.thicknessM()) {
            throw new EditRefused("The walls are of different material or thickness; make them the same first.");
        }
        List<Opening> openings = new ArrayList<>(a.openings());
        b.openings().forEach(opening -> openings.add(new Opening(
                opening.kind(), a.lengthM() + opening.atM(), opening.widthM(), opening.sillM(), opening.headM(), opening.material())));
        Wall joined = new Wall(first.id(), a.storey(), a.from(), b.to(), a.material(), a.thicknessM(), Math.max(a.heightM(), b.heightM()),
                openings);
        return plan.withWalls(plan.walls().stream().filter(wall -> !wall.id().equals(second.id()))
                .map(wall -> wall.id().equals(first.id()) ? joined : wall).toList());
    }

    private static Wall reversed(Wall wall) {
        List<Opening> openings = wall.openings().stream()
                .map(opening -> new Opening(opening.kind(), Math.max(0, wall.lengthM() - opening.atM() - opening.widthM()),
                        opening.widthM(),
                        opening.sillM(), opening.headM(), opening.material()))
                .toList();
        return new Wall(wall.id(), wall.storey(), wall.to(), wall.from(), wall.material(), wall.thicknessM(), wall.heightM(), openings);
    }

    private static boolean meet(PlanPoint a, PlanPoint b) {
        return a.distanceM(b) <= SAME_CORNER_M;
    }

    private HousePlan setOpening(PlanEdit.SetOpening set) throws EditRefused {
        Wall wall = wall(set.id());
        if (set.widthM() > wall.lengthM() + 1e-6) {
            throw new EditRefused(String.format(Locale.ROOT, "The wall is %.2f m long; an opening %.2f m wide does not fit into it.",
                    wall.lengthM(), set.widthM()));
        }
        // Too near a corner it is moved along as far as it has to be.
        double atM = Math.max(0, Math.min(set.atM(), wall.lengthM() - set.widthM()));
        Opening opening = new Opening(set.kind(), atM, set.widthM(), set.sillM(), set.headM(), set.material());
        List<Opening> openings = new ArrayList<>(wall.openings());
        if (set.index() == null) {
            openings.add(opening);
        } else if (set.index() < 0 || set.index() >= openings.size()) {
            throw new EditRefused("That opening is no longer there.");
        } else {
            openings.set(set.index(), opening);
        }
        return replaceWall(wall.id(), w -> List.of(withOpenings(w, openings)));
    }

    private static Wall withOpenings(Wall wall, List<Opening> openings) {
        return new Wall(wall.id(), wall.storey(), wall.from(), wall.to(), wall.material(), wall.thicknessM(), wall.heightM(), openings);
    }

    private HousePlan moveCorner(PlanEdit.MoveCorner move) throws EditRefused {
        UnaryOperator<PlanPoint> moved = point -> meet(point, move.from()) ? move.to() : point;
        if (move.id() != null && plan.area(move.id()).isPresent()) {
            return plan.withAreas(replaced(plan.areas(), area -> area.id().equals(move.id()), area -> reshaped(area, moved)));
        }
        if (move.id() != null && plan.path(move.id()).isPresent()) {
            return plan.withPaths(replaced(plan.paths(), path -> path.id().equals(move.id()),
                    path -> new Walk(path.id(), path.name(), path.points().stream().map(moved).toList())));
        }
        return plan.withWalls(replaced(plan.walls(),
                wall -> wall.storey().equals(move.storey()) && (meet(wall.from(), move.from()) || meet(wall.to(), move.from())),
                wall -> stretched(wall, moved)));
    }

    /** Openings keep their distance from the wall's start, unless the wall has become too short for that. */
    private static Wall stretched(Wall wall, UnaryOperator<PlanPoint> moved) {
        PlanPoint from = moved.apply(wall.from());
        PlanPoint to = moved.apply(wall.to());
        double length = from.distanceM(to);
        List<Opening> openings = wall.openings().stream()
                .filter(opening -> opening.widthM() <= length)
                .map(opening -> new Opening(opening.kind(), Math.min(opening.atM(), length - opening.widthM()), opening.widthM(),
                        opening.sillM(), opening.headM(), opening.material()))
                .toList();
        return new Wall(wall.id(), wall.storey(), from, to, wall.material(), wall.thicknessM(), wall.heightM(), openings);
    }

    private static Area reshaped(Area area, UnaryOperator<PlanPoint> moved) {
        return new Area(area.id(), area.name(), area.kind(), area.outline().stream().map(moved).toList(), area.heightM(), area.slope());
    }

    private HousePlan move(String id, UnaryOperator<PlanPoint> moved) throws EditRefused {
        if (plan.area(id).isPresent()) {
            return plan.withAreas(replaced(plan.areas(), area -> area.id().equals(id), area -> reshaped(area, moved)));
        } else if (plan.path(id).isPresent()) {
            return plan.withPaths(replaced(plan.paths(), path -> path.id().equals(id),
                    path -> new Walk(path.id(), path.name(), path.points().stream().map(moved).toList())));
        } else if (plan.place(id).isPresent()) {
            return plan.withPlaces(replaced(plan.places(), place -> place.id().equals(id),
                    place -> new Place(place.id(), place.name(), moved.apply(place.at()), place.groundM())));
        } else if (plan.things().stream().anyMatch(thing -> thing.id().equals(id))) {
            return plan.withThings(replaced(plan.things(), thing -> thing.id().equals(id),
                    thing -> new Thing(thing.id(), thing.name(), thing.kind(), moved.apply(thing.at()), thing.heightM(), thing.radiusM())));
        } else if (labelAt(id).isPresent()) {
            Label label = labelAt(id).get();
            return plan.withLabels(replaced(plan.labels(), l -> l == label, l -> new Label(l.text(), moved.apply(l.at()), l.storey())));
        }
        return replaceWall(id, wall -> List.of(stretched(wall, moved)));
    }

    private HousePlan setNamed(PlanEdit.SetNamed set) throws EditRefused {
        if (plan.path(set.id()).isPresent()) {
            return plan.withPaths(
                    replaced(plan.paths(), path -> path.id().equals(set.id()), path -> new Walk(path.id(), set.name(), path.points())));
        } else if (plan.place(set.id()).isPresent()) {
            return plan.withPlaces(replaced(plan.places(), place -> place.id().equals(set.id()), place -> new Place(
                    place.id(), set.name(), place.at(), set.heightM() == null ? place.groundM() : set.heightM())));
        } else if (labelAt(set.id()).isPresent()) {
            Label label = labelAt(set.id()).get();
            return plan.withLabels(replaced(plan.labels(), l -> l == label, l -> new Label(set.name(), l.at(), l.storey())));
        }
        return plan.withThings(replaced(plan.things(), thing -> thing.id().equals(set.id()),
                thing -> new Thing(thing.id(), set.name(), thing.kind(),
                        thing.at(), set.heightM() == null ? thing.heightM() : set.heightM(),
                        set.radiusM() == null ? thing.radiusM() : set.radiusM())));
    }

    private HousePlan delete(String id) throws EditRefused {
        if (plan.storey(id).isPresent()) {
            if (plan.storeys().size() == 1) {
                throw new EditRefused("A house has at least one storey.");
            }
            return plan.withWalls(plan.walls().stream().filter(wall -> !wall.storey().equals(id)).toList())
                    .withLabels(plan.labels().stream().filter(label -> !label.storey().equals(id)).toList())
                    .withStoreys(plan.storeys().stream().filter(storey -> !storey.id().equals(id)).toList());
        }
        Optional<Label> label = labelAt(id);
        HousePlan without = plan.withWalls(plan.walls().stream().filter(wall -> !wall.id().equals(id)).toList())
                .withAreas(plan.areas().stream().filter(area -> !area.id().equals(id)).toList())
                .withPaths(plan.paths().stream().filter(path -> !path.id().equals(id)).toList())
                .withPlaces(plan.places().stream().filter(place -> !place.id().equals(id)).toList())
                .withThings(plan.things().stream().filter(thing -> !thing.id().equals(id)).toList())
                .withLabels(plan.labels().stream().filter(l -> label.filter(found -> found == l).isEmpty()).toList());
        if (without.equals(plan)) {
            throw new EditRefused("That is no longer on the plan.");
        }
        return without;
    }

    private Wall wall(String id) throws EditRefused {
        return plan.walls().stream().filter(wall -> wall.id().equals(id)).findFirst()
                .orElseThrow(() -> new EditRefused("That wall is no longer on the plan."));
    }

    /** Labels have no id in documents; they are named {@code label-n} by their order. */
    private Optional<Label> labelAt(String id) {
        for (int i = 0; i < plan.labels().size(); i++) {
            if (id != null && id.equals(labelId(i))) {
                return Optional.of(plan.labels().get(i));
            }
        }
        return Optional.empty();
    }

    public static String labelId(int index) {
        return "label-" + (index + 1);
    }

    @FunctionalInterface
    private interface WallChange {
        List<Wall> of(Wall wall) throws EditRefused;
    }

    private HousePlan replaceWall(String id, WallChange change) throws EditRefused {
        Wall changed = wall(id);
        List<Wall> walls = new ArrayList<>(plan.walls());
        int at = walls.indexOf(changed);
        walls.remove(at);
        walls.addAll(at, change.of(changed));
        return plan.withWalls(walls);
    }

    static <T> List<T> replaced(List<T> items, Predicate<T> which, UnaryOperator<T> change) throws EditRefused {
        if (items.stream().noneMatch(which)) {
            throw new EditRefused("That is no longer on the plan.");
        }
        return items.stream().map(item -> which.test(item) ? change.apply(item) : item).toList();
    }

    static <T> List<T> plus(List<T> items, T item) {
        return Stream.concat(items.stream(), Stream.of(item)).toList();
    }

    private static <T> List<T> without(List<T> items, int index) {
        List<T> left = new ArrayList<>(items);
        if (index >= 0 && index < left.size()) {
            left.remove(index);
        }
        return left;
    }

    @FunctionalInterface
    interface IdSource {
        String get();
    }

    /** The first free id of a kind: {@code wall-7}. */
    static <T> IdSource ids(String kind, List<T> items, Function<T, String> id, String... taken) {
        return () -> {
            for (int n = items.size() + 1;; n++) {
                String candidate = kind + "-" + n;
                boolean free = items.stream().noneMatch(item -> id.apply(item).equals(candidate)) && !List.of(taken).contains(candidate);
                if (free) {
                    return candidate;
                }
            }
        };
    }
}
