package roofnest.app.survey;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import org.springframework.stereotype.Component;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.app.drawing.Svg;
import roofnest.app.watch.Metrics;
import roofnest.core.catalogue.Band;
import roofnest.core.judge.House;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Label;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Wall;
import roofnest.core.promise.Unit;
import roofnest.core.radio.Contours;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.SignalMap;

/** Contour lines of a house's signal, drawn once for each band and height and kept: turning a camera changes none of them. */
@Component
class Contouring {
    private static final double GRID_STEP_M = 0.5;
    /** Heights are taken to the nearest of these, metres. */
    private static final double HEIGHT_STEP_M = 0.1;
    private static final int[] CONTOURS_DBM = {-45, -53, -60, -67, -75};
    private static final int SHORTEST = 8;
    private static final int SHORTEST_NAMED = 14;
    private static final int KEPT = 48;

    private final Cache<Key, Drawn> drawn;

    Contouring(Metrics metrics) {
        drawn = metrics.watched("contours", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build());
    }

    /** Houses are compared as objects: each is kept for as long as it is the same. */
    private record Key(House house, Band band, double eirpDbm, long heightSteps) {}

    /** @param label written at ({@code labelX}, {@code labelY}); empty on short lines */
    public record Contour(int dbm, boolean twoBars, List<String> paths, String label, double labelX, double labelY) {}

    /**
     * @param key names these lines, for a page to say which it has
     * @param sure where two bars are reached with 95 % certainty
     */
    record Drawn(String key, List<Contour> contours, List<String> sure) {
        static final Drawn NONE = new Drawn("none", List.of(), List.of());
    }

    Drawn of(House house, Band band, double eirpDbm, double heightM) {
        if (!house.signal().transmits()) {
            return Drawn.NONE;
        }
        return drawn.get(new Key(house, band, eirpDbm, Math.round(heightM / HEIGHT_STEP_M)), Contouring::draw);
    }

    private static Drawn draw(Key key) {
        House house = key.house();
        double heightM = key.heightSteps() * HEIGHT_STEP_M;
        SignalMap map = SignalMap.of(house.plan(), house.signal(), key.band(), key.eirpDbm(), heightM, GRID_STEP_M, false).localMean();
        SignalMap sureMap = SignalMap.of(house.plan(), house.signal(), key.band(), key.eirpDbm(), heightM, GRID_STEP_M, true).localMean();
        List<Contour> contours = new ArrayList<>();
        List<PlanPoint> labelled = new ArrayList<>();
        for (int dbm : CONTOURS_DBM) {
            List<List<PlanPoint>> lines = Contours.at(map, dbm);
            List<PlanPoint> longest = lines.stream().max(Comparator.comparingInt(List::size)).orElse(List.of());
            Optional<PlanPoint> label = longest.size() < SHORTEST_NAMED ? Optional.empty() : spotForLabel(longest, labelled, house.plan());
            label.ifPresent(labelled::add);
            boolean two = dbm == (int) LinkBudget.TWO_BARS_DBM;
            contours.add(new Contour(dbm, two, drawn(lines), label.isEmpty() ? "" : Unit.DBM.format(dbm) + (two ? " · two bars" : ""),
                    label.map(PlanPoint::xM).orElse(0.0), label.map(point -> -point.yM()).orElse(0.0)));
        }
        String name = String.format(Locale.ROOT, "%x-%s-%.0f-%.1f", System.identityHashCode(house), key.band(), key.eirpDbm(), heightM);
        return new Drawn(name, contours, drawn(Contours.at(sureMap, LinkBudget.TWO_BARS_DBM)));
    }

    private static List<String> drawn(List<List<PlanPoint>> lines) {
        return lines.stream().filter(line -> line.size() > SHORTEST).map(Svg::smooth).toList();
    }

    /** A point of the line that is away from other labels and from places; the one with most room wins. */
    private static Optional<PlanPoint> spotForLabel(List<PlanPoint> line, List<PlanPoint> labelled, HousePlan plan) {
        double[] box = plan.extentM();
        return line.stream()
                .filter(point -> point.xM() > box[0] + 2 && point.xM() < box[2] - 2 && point.yM() > box[1] + 1 && point.yM() < box[3] - 1)
                .max(Comparator.comparingDouble(point -> room(point, labelled, plan)))
                .filter(point -> room(point, labelled, plan) > 0.8);
    }

    private static double room(PlanPoint point, List<PlanPoint> labelled, HousePlan plan) {
        double room = 4;
        for (Wall wall : plan.walls()) {
            room = Math.min(room, 0.8 * Segments.distanceM(point, wall.from(), wall.to()));
        }
        for (PlanPoint other : labelled) {
            room = Math.min(room, Math.hypot((point.xM() - other.xM()) / 3, point.yM() - other.yM()));
        }
        for (Place place : plan.places()) {
            room = Math.min(room, Math.hypot((point.xM() - place.at().xM()) / 2, point.yM() - place.at().yM()));
        }
        for (Label label : plan.labels()) {
            room = Math.min(room, Math.hypot((point.xM() - label.at().xM()) / 3, point.yM() - label.at().yM()));
        }
        return room;
    }
}
