package roofnest.app.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.Place;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.Eye;
import roofnest.core.view.PictureShape;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Projection;
import roofnest.core.view.Zone;

/**
 * A camera's computed picture, as drawn.
 *
 * @param columns and {@code rows} of the mask grid; 0 when the model cannot mask
 * @param zonesDrawn how its app draws zones, and how many; empty when it has none
 */
public record PictureView(
        int width, int height, boolean night, List<Shape> shapes, List<FigureLabel> labels, List<Cell> masked, List<ZoneShape> zones,
        int columns, int rows, String caption, String zonesDrawn) {
    private static final double LABEL_PX = 60;
    private static final double LETTER_SHARE = 0.52;

    /** @param kind what it shows and how it is shaded, as style classes */
    public record Shape(String kind, String path) {}

    /** @param headX where the head is that it belongs to */
    public record FigureLabel(String words, double x, double y, double headX, double headY) {}

    public record Cell(String name, double x, double y, double width, double height) {}

    /**
     * @param path in pixels; the name stands at ({@code x}, {@code y})
     * @param corners as shares of the picture, {@code across,down across,down …}
     */
    public record ZoneShape(String name, String path, double x, double y, String corners) {}

    public static PictureView of(House house, HouseholdFacts facts, Camera at, boolean night) {
        DeviceModel model = at.model();
        LensSpec lens = model.lens();
        Projection projection = new Projection(lens, at.pose());
        List<Place> watched = house.plan().places().stream().filter(place -> isPromised(facts, place)).toList();
        List<CameraPicture.Figure> figures = watched.stream()
                .map(place -> new CameraPicture.Figure(place.name(), SpacePoint.at(place.at(), place.groundM()))).toList();
        List<Shape> shapes = new CameraPicture(house.scene(), projection, night).shapes(figures).stream().map(PictureView::shape).toList();
        String caption = "what " + at.name() + " will see"
                + (night ? " at night, its own light reaching " + Numbers.plain(lens.nightRangeM()) + " m" : "")
                + " · " + lens.widthPx() + " × " + lens.heightPx() + " px · " + Numbers.plain(lens.hfovDeg()) + "°";
        return new PictureView(lens.widthPx(), lens.heightPx(), night, shapes, labels(watched, house.eye(lens, at.pose())), masked(at),
                zones(at), model.mask().columns(), model.mask().rows(), caption, zonesDrawn(model.alerts()));
    }

    private static String zonesDrawn(AlertSpec alerts) {
        String many = alerts.zones() + (alerts.zones() == 1 ? " zone" : " zones") + " at most";
        return alerts.zones() == 0 ? "" : switch (alerts.zoneShape()) {
            case POLYGONS -> many + ", with corners of your own.";
            case RECTANGLES -> many + ", as upright rectangles: what you draw is fitted to them.";
            case CELLS -> "Zones of cells, " + alerts.zoneGrid().columns() + " across and " + alerts.zoneGrid().rows()
                    + " down: those count whose middle lies in what you draw.";
        };
    }

    /** The cells of its picture that are blacked out. */
    public static List<Cell> masked(Camera at) {
        DeviceModel model = at.model();
        double cellWidth = model.mask().canMask() ? (double) model.lens().widthPx() / model.mask().columns() : 0;
        double cellHeight = model.mask().canMask() ? (double) model.lens().heightPx() / model.mask().rows() : 0;
        return at.masked().stream().sorted()
                .map(cell -> new Cell(cell.toString(), cell.column() * cellWidth, cell.row() * cellHeight, cellWidth, cellHeight)).toList();
    }

    /** The zones of its picture in which movement counts. */
    public static List<ZoneShape> zones(Camera at) {
        return at.zones().stream().map(zone -> zone(zone, at.model().lens())).toList();
    }

    /**
     * Of those whose face nothing hides, each over its own head, the nearest first; where two would lie on one another the farther
     * one is raised, with a line down to its head, or says its name alone. Whoever finds no room is left without.
     */
    private static List<FigureLabel> labels(List<Place> watched, Eye eye) {
        List<FigureLabel> labels = new ArrayList<>();
        watched.stream().filter(place -> eye.clearTo(place.at().xM(), place.at().yM(), place.face().zM()))
                .sorted(Comparator.comparingDouble(place -> eye.pose().onPlan().distanceM(place.at())))
                .forEach(place -> {
                    String density = Unit.PX_PER_M.format(PixelDensity.atPxPerM(eye.projection(), place.face())) + " at "
                            + Numbers.fixed(eye.pose().onPlan().distanceM(place.at()), 1) + " m";
                    eye.projection().pixel(SpacePoint.at(place.at(), place.groundM() + CameraPicture.Figure.HEIGHT_M + 0.15))
                            .filter(eye.projection()::inFrame)
                            .flatMap(head -> free(place.name() + " · " + density, head, eye, labels)
                                    .or(() -> free(place.name(), head, eye, labels)))
                            .ifPresent(labels::add);
                });
        return labels;
    }

    /** Where a label finds room over its head, below the picture's upper edge. */
    private static Optional<FigureLabel> free(String words, Projection.Pixel head, Eye eye, List<FigureLabel> taken) {
        double half = words.length() * LETTER_SHARE * LABEL_PX / 2;
        double x = Math.max(half, Math.min(eye.lens().widthPx() - half, head.x()));
        double y = Math.max(LABEL_PX, head.y() - LABEL_PX * 0.3);
        while (y >= LABEL_PX) {
            double wanted = y;
            Optional<FigureLabel> under = taken.stream().filter(other -> Math.abs(other.y() - wanted) < LABEL_PX
                    && Math.abs(other.x() - x) < half + other.words().length() * LETTER_SHARE * LABEL_PX / 2).findFirst();
            if (under.isEmpty()) {
                return Optional.of(new FigureLabel(words, x, y, head.x(), head.y()));
            }
            y = under.get().y() - LABEL_PX * 1.05;
        }
        return Optional.empty();
    }

    private static ZoneShape zone(Zone zone, LensSpec lens) {
        List<Projection.Pixel> outline = zone.corners().stream()
                .map(corner -> new Projection.Pixel(corner.acrossShare() * lens.widthPx(), corner.downShare() * lens.heightPx())).toList();
        return new ZoneShape(zone.name(), Svg.pixels(outline), outline.stream().mapToDouble(Projection.Pixel::x).average().orElse(0),
                outline.stream().mapToDouble(Projection.Pixel::y).average().orElse(0),
                zone.corners().stream().map(corner -> corner.acrossShare() + "," + corner.downShare()).collect(Collectors.joining(" ")));
    }

    private static boolean isPromised(HouseholdFacts facts, Place place) {
        return facts.written().stream()
                .anyMatch(promise -> promise instanceof Promise.MakeOut makeOut && makeOut.placeId().equals(place.id())
                        || promise instanceof Promise.RecordedBefore before && before.placeId().equals(place.id()));
    }

    /**
     * All shapes as SVG paths, runs of one kind as one path. Written here and not by the template, since there are hundreds
     * on every move; they hold nothing but our own class names and numbers.
     */
    public String paths() {
        return paths(shapes);
    }

    /** @see #paths() */
    public static String paths(List<Shape> shapes) {
        StringBuilder svg = new StringBuilder();
        String open = null;
        for (Shape shape : shapes) {
            if (!shape.kind().equals(open)) {
                svg.append(open == null ? "" : "\"/>").append("<path class=\"shape ").append(shape.kind()).append("\" d=\"");
                open = shape.kind();
            }
            svg.append(shape.path());
        }
        return svg.append(open == null ? "" : "\"/>").toString();
    }

    public static Shape shape(PictureShape shape) {
        String kind = shape.kind().name().toLowerCase(Locale.ROOT).replace('_', '-');
        String shade = shape.shade() == 0 ? "" : " shade-" + shape.shade();
        return new Shape(kind + shade + " lit-" + shape.lit(), Svg.pixels(shape.outline()));
    }
}
