package roofnest.core.judge;

import java.time.Month;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.IntStream;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.distance.DistanceOp;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Segments;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.SunTrack;
import roofnest.core.view.Zone;

/**
 * What is right and what is not about how a camera's picture is set, from how it hangs, the sun and the plan.
 *
 * @param faults that are to be put right
 * @param words to know, none of them a fault
 */
public record PictureAdvice(List<String> faults, List<String> words) {
    /** So many hours a year of sun in the lens are worth evening out. */
    static final double SUN_HOURS = 20;
    /** A spotlight falls so far to each side of where its camera looks, degrees. */
    static final double SPOT_HALF_DEG = 60;
    private static final double MINUTES_AN_HOUR = 60;
    private static final double ALL_PERCENT = 99.5;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    /** @param eye and {@code sun}, empty without a plan */
    static PictureAdvice of(Camera camera, Optional<CameraEye> eye, Optional<SunTrack> sun, Optional<HousePlan> plan) {
        List<String> faults = new ArrayList<>();
        List<String> words = new ArrayList<>();
        PictureSetup set = camera.pictureSetup();
        upright(camera, set, faults);
        sun.ifPresent(track -> sun(camera, set, track.glareMinutesByMonth(eye.orElseThrow().eye()), faults, words));
        night(camera, set, plan, faults, words);
        overlap(camera, faults, words);
        zoom(camera, words);
        if (set.sound()) {
            words.add(
                    "It records sound. Whether that is allowed, and who has to be told, is for the law of the place: many forbid it where "
                            + "others may be heard. Off is the careful choice.");
        }
        if (set.listens()) {
            words.add("It listens for smoke and carbon monoxide alarms as a courtesy. It is no alarm: the house needs its own.");
        }
        return new PictureAdvice(faults, words);
    }

    /** Held upright, a phone's screen is so many pixels wide; a picture that is magnified further gets larger and not sharper. */
    static final int SCREEN_PX = 1080;

    /** How far it is worth magnifying, against how far its app goes. */
    private static void zoom(Camera camera, List<String> words) {
        double worth = Math.max(1, (double) camera.model().lens().widthPx() / SCREEN_PX);
        if (camera.model().picture().zoomMost() > worth) {
            words.add("Its app magnifies " + Numbers.plain(camera.model().picture().zoomMost()) + " times; past " + Numbers.fixed(worth, 1)
                    + " times on a phone of " + SCREEN_PX + " px across, the picture gets larger and not sharper.");
        }
    }

    /**
     * The smallest size of picture in which every promise stands as it does in the full one.
     *
     * @param again judges the household with another camera in its place
     */
    static List<String> sizes(Camera camera, Function<Camera, Judgement> again) {
        List<PictureSpec.Size> sizes = camera.model().picture().sizes();
        if (sizes.size() < 2) {
            return List.of();
        }
        PictureSetup set = camera.pictureSetup();
        Map<PromiseKey, Standing> full = standings(again.apply(camera.withSetup(set.of(sizes.get(0)))));
        PictureSpec.Size enough = sizes.get(0);
        for (PictureSpec.Size size : sizes) {
            if (standings(again.apply(camera.withSetup(set.of(size)))).equals(full)) {
                enough = size;
            }
        }
        int now = camera.model().lens().widthPx();
        if (now < enough.widthPx()) {
            return List.of("In this size of picture promises are worse kept than in " + enough.name() + ": take " + enough.name() + ".");
        }
        return now == enough.widthPx() ? List.of() : List.of("Every promise stands as well in the size " + enough.name() + ", "
                + enough.widthPx() + " px, at " + Numbers.plain(enough.bitrateMbps()) + " Mbit/s rather than "
                + Numbers.plain(camera.model().recording().bitrateMbps()) + ".");
    }

    private static Map<PromiseKey, Standing> standings(Judgement judgement) {
        Map<PromiseKey, Standing> standings = new HashMap<>();
        judgement.promises().forEach(judged -> standings.put(judged.promise().key(), judged.finding().standing()));
        return standings;
    }

    /** With more words. */
    PictureAdvice and(List<String> more) {
        List<String> all = new ArrayList<>(words);
        all.addAll(more);
        return new PictureAdvice(faults, all);
    }

    private static void upright(Camera camera, PictureSetup set, List<String> faults) {
        boolean upsideDown = Math.cos(Math.toRadians(camera.pose().rollDeg())) < 0;
        if (upsideDown && !set.turned()) {
            faults.add(camera.model().picture().turns() ? "It hangs upside down: turn its picture."
                    : "It hangs upside down, and its model cannot turn its picture: hang it upright.");
        } else if (!upsideDown && set.turned()) {
            faults.add("It hangs upright, and its picture is turned: turn it back.");
        }
    }

    private static void sun(Camera camera, PictureSetup set, int[] minutes, List<String> faults, List<String> words) {
        double hours = Arrays.stream(minutes).sum() / MINUTES_AN_HOUR;
        int worst = IntStream.range(0, minutes.length).reduce((a, b) -> minutes[b] > minutes[a] ? b : a).orElseThrow();
        String said = "The sun is in its lens " + Numbers.fixed(hours, 0) + " hours of a cloudless year, most in "
                + Month.of(worst + 1).getDisplayName(TextStyle.FULL, Locale.ENGLISH);
        if (hours < SUN_HOURS) {
            words.add(hours < 1 ? "The sun is never in its lens." : said + ": little.");
        } else if (!camera.model().picture().wideRange()) {
            words.add(said + "; its model cannot even out low sun and shade: turn it, or shade it.");
        } else if (!set.wideRange()) {
            faults.add(said + ": let it even out low sun and shade.");
        } else {
            words.add(said + "; low sun and shade are evened out.");
        }
    }

    private static void night(Camera camera, PictureSetup set, Optional<HousePlan> plan, List<String> faults, List<String> words) {
        switch (set.light()) {
            case INFRARED -> words.add("By night it shows black and white to " + Numbers.fixed(camera.model().lens().nightRangeM(), 0)
                    + " m.");
            case AMBIENT -> words.add("By night it shows what lamps light and nothing else: nothing is promised of the dark.");
            case SPOTLIGHT -> {
                words.add("By night its spotlight comes on and shows colour to " + Numbers.fixed(camera.model().lens().nightRangeM(), 0)
                        + " m.");
                OptionalDouble next = plan.map(house -> house.areas().stream().filter(area -> area.kind() == Area.Kind.NEIGHBOUR)
                        .filter(area -> area.outline().stream().anyMatch(corner -> Math.abs(Math.IEEEremainder(
                                camera.pose().onPlan().headingToDeg(corner) - camera.pose().headingDeg(), 360)) <= SPOT_HALF_DEG))
                        .mapToDouble(area -> distanceM(camera, area)).min()).orElse(OptionalDouble.empty());
                if (next.isPresent() && next.getAsDouble() <= camera.model().lens().nightRangeM()) {
                    faults.add("Its spotlight reaches next door, " + Numbers.fixed(next.getAsDouble(), 1) + " m off: choose infrared, or "
                            + "tilt it down.");
                }
            }
        }
        if (camera.watchSetting().kinds().contains(AlertSpec.Kind.SOUND) && !set.sound()) {
            faults.add("Sounds count, but its sound is off: one of the two is wrong.");
        }
    }

    /** Blacked out is blacked out, also within a zone. */
    private static void overlap(Camera camera, List<String> faults, List<String> words) {
        DeviceModel.MaskGrid grid = camera.model().mask();
        for (Zone zone : camera.model().alerts().zones() > 0 && grid.canMask() ? camera.zones() : List.<Zone>of()) {
            Geometry drawn = polygon(zone.corners().stream().map(corner -> new Coordinate(corner.acrossShare(), corner.downShare()))
                    .toList()).buffer(0);
            double covered = camera.masked().stream().mapToDouble(cell -> drawn.intersection(polygon(List.of(
                    new Coordinate((double) cell.column() / grid.columns(), (double) cell.row() / grid.rows()),
                    new Coordinate((cell.column() + 1.0) / grid.columns(), (double) cell.row() / grid.rows()),
                    new Coordinate((cell.column() + 1.0) / grid.columns(), (cell.row() + 1.0) / grid.rows()),
                    new Coordinate((double) cell.column() / grid.columns(), (cell.row() + 1.0) / grid.rows())))).getArea()).sum();
            double percent = drawn.getArea() == 0 ? 0 : 100 * covered / drawn.getArea();
            if (percent > ALL_PERCENT) {
                faults.add("Zone " + zone.name() + " is blacked out altogether: it can never notice anything.");
            } else if (percent >= 1) {
                words.add(Numbers.fixed(percent, 0) + " % of zone " + zone.name() + " is blacked out.");
            }
        }
    }

    private static Polygon polygon(List<Coordinate> corners) {
        List<Coordinate> ring = new ArrayList<>(corners);
        ring.add(corners.get(0));
        return FACTORY.createPolygon(ring.toArray(Coordinate[]::new));
    }

    private static double distanceM(Camera camera, Area area) {
        Point at = Segments.polygon(area.outline()).getFactory().createPoint(new Coordinate(camera.pose().xM(), camera.pose().yM()));
        return DistanceOp.distance(Segments.polygon(area.outline()), at);
    }
}
