package roofnest.app.survey;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Label;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanEdits;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Walk;
import roofnest.core.plan.Wall;
import roofnest.core.promise.Promise;

/**
 * The sheet that is drawn on: one storey, with everything on it named so that it can be taken hold of. Coordinates are
 * metres with y flipped.
 *
 * @param size walls, areas and so on, in words
 */
record DrawView(
        PlanDrawing drawing, List<Storey> storeys, Storey storey, int version, Optional<String> undo, Optional<String> redo,
        List<Item> items,
        Optional<UnderlayView> underlay, double latitudeDeg, double northDeg, String size, String counts, List<String> wished) {
    private static final double SHEET_WIDTH_M = 20;
    private static final double SHEET_HEIGHT_M = 14;
    private static final double ROOM_M = 2;

    /**
     * Something that can be selected.
     *
     * @param kind which form edits it
     * @param points its corners, as {@code x,y x,y}, y downwards
     * @param path what is drawn to take hold of
     */
    record Item(
            String id, String kind, String name, String path, String points, boolean closed, String lengthWords, Optional<Wall> wall,
            Optional<Area> area,
            Optional<Double> heightM, Optional<Double> radiusM, List<OpeningRow> openings) {}

    record OpeningRow(int index, Opening opening, String words) {}

    record UnderlayView(double x, double y, double width, double height) {}

    static DrawView of(HousePlan plan, Storey storey, PlanSteps.State state, Optional<UnderlayRepository.Underlay> underlay,
            String counts, List<Promise> written) {
        List<Item> items = new ArrayList<>();
        plan.areas().forEach(area -> items.add(area(area)));
        plan.paths().forEach(path -> items.add(path(path)));
        plan.walls().stream().filter(wall -> wall.storey().equals(storey.id())).forEach(wall -> items.add(wall(wall)));
        plan.places().forEach(
                place -> items.add(point(place.id(), "place", place.name(), place.at(), Optional.of(place.groundM()), Optional.empty())));
        plan.things().forEach(thing -> items.add(
                point(thing.id(), "thing", thing.name(), thing.at(), Optional.of(thing.heightM()), Optional.ofNullable(thing.radiusM()))));
        for (int i = 0; i < plan.labels().size(); i++) {
            Label label = plan.labels().get(i);
            if (label.storey().equals(storey.id())) {
                items.add(point(PlanEdits.labelId(i), "label", label.text(), label.at(), Optional.empty(), Optional.empty()));
            }
        }
        return new DrawView(PlanDrawing.of(plan, storey, sheet(plan)), plan.storeys(), storey, state.version(), state.undo(), state.redo(),
                items,
                underlay.map(u -> new UnderlayView(u.xM(), -u.yM(), u.widthPx() * u.metresPerPx(), u.heightPx() * u.metresPerPx())),
                plan.latitudeDeg(), plan.trueNorthDeg(),
                String.join(", ", count(plan.walls().size(), "wall"), count(plan.areas().size(), "area"),
                        count(plan.paths().size(), "path"),
                        count(plan.places().size(), "place")),
                counts, wished(plan, written));
    }

    /** Places that are promised to be watched and that the plan does not show yet. */
    private static List<String> wished(HousePlan plan, List<Promise> written) {
        return written.stream().flatMap(promise -> promise instanceof Promise.MakeOut out ? Stream.of(out.placeId())
                : promise instanceof Promise.RecordedBefore before ? Stream.of(before.placeId()) : Stream.empty())
                .filter(id -> plan.place(id).isEmpty()).flatMap(id -> Place.wishedName(id).stream()).distinct().toList();
    }

    /** Room to draw on: everything that is there, and at least a plot's worth of paper. */
    private static double[] sheet(HousePlan plan) {
        double[] box = plan.extentM();
        return new double[] {Math.min(box[0], 0) - ROOM_M, Math.min(box[1], 0) - ROOM_M, Math.max(box[2], SHEET_WIDTH_M) + ROOM_M,
            Math.max(box[3], SHEET_HEIGHT_M) + ROOM_M};
    }

    private static String count(int count, String what) {
        return count + " " + what + (count == 1 ? "" : "s");
    }

    Optional<Item> item(String id) {
        return items.stream().filter(item -> item.id().equals(id)).findFirst();
    }

    public List<Material> materials() {
        return Arrays.stream(Material.values())
                .filter(material -> material != Material.FOLIAGE && material != Material.WATER_TANK && material != Material.OPEN).toList();
    }

    public List<Area.Kind> areaKinds() {
        return List.of(Area.Kind.values());
    }

    public List<Thing.Kind> thingKinds() {
        return List.of(Thing.Kind.values());
    }

    /** A constant's name as people read it. */
    public String words(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** A constant as plan documents write it. */
    public String slug(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static Item wall(Wall wall) {
        List<OpeningRow> openings = new ArrayList<>();
        for (int i = 0; i < wall.openings().size(); i++) {
            Opening opening = wall.openings().get(i);
            openings.add(new OpeningRow(i, opening,
                    opening.kind().name().toLowerCase(Locale.ROOT) + " " + Numbers.fixed(opening.widthM(), 2) + " m wide, "
                            + Numbers.fixed(opening.atM(), 2) + " m along"));
        }
        List<PlanPoint> ends = List.of(wall.from(), wall.to());
        return new Item(wall.id(), "wall", wall.material().words() + " wall", Svg.line(ends), points(ends), false,
                Numbers.fixed(wall.lengthM(), 2) + " m",
                Optional.of(wall), Optional.empty(), Optional.empty(), Optional.empty(), openings);
    }

    private static Item area(Area area) {
        return new Item(area.id(), "area", area.name(), Svg.closed(area.outline()), points(area.outline()), true, "", Optional.empty(),
                Optional.of(area),
                Optional.empty(), Optional.empty(), List.of());
    }

    private static Item path(Walk path) {
        return new Item(path.id(), "path", path.name(), Svg.line(path.points()), points(path.points()), false,
                Numbers.fixed(path.lengthM(), 1) + " m",
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), List.of());
    }

    private static Item point(String id, String kind, String name, PlanPoint at, Optional<Double> heightM, Optional<Double> radiusM) {
        return new Item(id, kind, name, "", points(List.of(at)), false, "", Optional.empty(), Optional.empty(), heightM, radiusM,
                List.of());
    }

    private static String points(List<PlanPoint> points) {
        StringBuilder text = new StringBuilder();
        for (PlanPoint point : points) {
            text.append(text.isEmpty() ? "" : " ").append(Svg.number(point.xM(), 3)).append(',').append(Svg.number(-point.yM(), 3));
        }
        return text.toString();
    }
}
