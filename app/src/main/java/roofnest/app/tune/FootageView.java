package roofnest.app.tune;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import roofnest.app.household.Frame;
import roofnest.core.alert.Content;
import roofnest.core.alert.RingDelay;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.MonthData;
import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.lang.Numbers;

/**
 * Where footage can be kept, and what is left of it.
 *
 * @param line by which sending is reckoned
 */
record FootageView(List<OfCamera> cameras, String line) {
    private static final double LEAST_MBPS = 0.01;
    private static final int MONTHS = 36;
    private static final int DAYS_A_WEEK = 7;
    private static final double MB_A_GB = 1000;
    private static final double YEAR_DAYS = 365;

    /**
     * What is known of the house and the firm.
     *
     * @param hubsWithCard models of hubs in the house that hold a card
     * @param plans of makers that keep clips
     * @param upMbps of the line, where somebody measured it
     */
    record House(List<String> hubsWithCard, List<CloudPlan> plans, Map<String, Long> prices, String currency, Optional<Double> upMbps) {}

    /** @param now where its clips are kept as it is set; empty for nowhere */
    record OfCamera(long id, String name, String head, List<Way> ways, List<String> columns, List<Row> rows) {}

    record Way(String name, boolean now, String kept, String sends, String threeYears) {}

    /** @param left one for each column */
    record Row(String loss, List<Left> left, String rings) {}

    /** @param state kept, thin or broken */
    record Left(String state, String words) {}

    static FootageView of(Frame frame, House house) {
        double up = house.upMbps().filter(mbps -> mbps >= LEAST_MBPS).orElse(RingDelay.USUAL_UP_MBPS);
        return new FootageView(frame.facts().cameras().stream().map(camera -> of(frame, house, camera, up)).toList(),
                "Sending is reckoned at " + Numbers.plain(up) + " Mbit/s" + (house.upMbps().isPresent() ? ", as it was measured."
                        : ", since nobody measured the line.") + " Seconds are the most that can be missing at the end.");
    }

    private static OfCamera of(Frame frame, House house, Camera camera, double up) {
        List<Survival.Place> can = new ArrayList<>();
        boolean viaHub = camera.model().hub() != null && house.hubsWithCard().contains(camera.model().hub());
        if (camera.model().recording().cardMaxGb() > 0) {
            can.add(Survival.Place.CARD);
        }
        if (viaHub) {
            can.add(Survival.Place.HUB);
        }
        Optional<CloudPlan> plan = CloudPlan.cheapest(house.plans(), camera.model().maker(), Set.of(), ofMaker(frame, camera));
        if (plan.isPresent()) {
            can.add(Survival.Place.CLOUD);
        }
        Optional<Survival.Place> now = camera.settings().cardGb() == 0 ? Optional.empty() : can.contains(Survival.Place.CARD)
                ? Optional.of(Survival.Place.CARD) : viaHub ? Optional.of(Survival.Place.HUB) : Optional.empty();
        double clipS = camera.settings().clipSeconds();
        double sendS = Math.max(0, RingDelay.of(camera.model(), camera.settings().clipSeconds(), Content.EVERYTHING, up).uploadS() - clipS);
        Survival.Sends sends = new Survival.Sends(clipS, sendS, camera.model().power().onBattery(), camera.model().radio().viaHub());
        List<Set<Survival.Place>> columns = new ArrayList<>(can.stream().map(place -> (Set<Survival.Place>) EnumSet.of(place)).toList());
        if (can.size() > 1) {
            columns.add(EnumSet.copyOf(can));
        }
        Survival thief = Survival.of(now.map(place -> (Set<Survival.Place>) EnumSet.of(place)).orElse(Set.of()),
                Set.of(Survival.Loss.CAMERA), sends);
        return new OfCamera(camera.id(), camera.name(), head(camera, now, thief), can.stream().map(place -> way(frame, house, camera, place,
                now.filter(place::equals).isPresent(), plan)).toList(), columns.stream().map(FootageView::column).toList(),
                List.of(Survival.Loss.values()).stream().filter(loss -> loss != Survival.Loss.HUB || camera.model().radio().viaHub())
                        .map(loss -> new Row(loss.words(), columns.stream().map(places -> left(Survival.of(places, Set.of(loss), sends)))
                                .toList(), Survival.ringsAfter(Set.of(loss), sends) ? "phones still ring" : "no phone rings any more"))
                        .toList());
    }

    private static int ofMaker(Frame frame, Camera camera) {
        return (int) frame.facts().cameras().stream().filter(each -> each.model().maker().equals(camera.model().maker())).count();
    }

    private static String head(Camera camera, Optional<Survival.Place> now, Survival thief) {
        if (now.isEmpty()) {
            return "As it is set it keeps nothing: " + (camera.settings().cardGb() == 0 ? "no card is agreed."
                    : "its model holds no card, and no hub with one is in the house.");
        }
        return "As it is set its clips are on " + now.get().words() + ". If the camera is taken, " + (thief.place().isEmpty()
                ? "nothing is left of them." : "all but the last " + seconds(thief.lastLostS()) + " at most are left.");
    }

    private static String column(Set<Survival.Place> places) {
        return places.size() > 1 ? "All of them" : switch (places.iterator().next()) {
            case CARD -> "Card in the camera";
            case HUB -> "Card in the hub";
            case CLOUD -> "Paid plan";
        };
    }

    private static Left left(Survival left) {
        return left.place().isEmpty() ? new Left("broken", "nothing is left") : left.lastLostS() == 0 ? new Left("kept", "all is left")
                : new Left("thin", "all but the last " + seconds(left.lastLostS()));
    }

    private static String seconds(double seconds) {
        return Numbers.fixed(Math.ceil(seconds), 0) + " s";
    }

    private static Way way(Frame frame, House house, Camera camera, Survival.Place place, boolean now, Optional<CloudPlan> plan) {
        double gbAWeek = camera.settings().clipsPerDay() * DAYS_A_WEEK * Retention.clipMb(camera.settings().clipSeconds(),
                camera.model().recording().bitrateMbps()) / MB_A_GB;
        return switch (place) {
            case CARD -> new Way("the card in the camera", now, camera.settings().cardGb() == 0 ? "no card is agreed"
                    : days(HouseholdJudge.retention(camera).days()) + " in the busiest week of 100, on " + camera.settings().cardGb()
                            + " GB",
                    looked(gbAWeek), money(house, Optional.ofNullable(house.prices().get("card " + camera.settings().cardGb()))));
            case HUB -> new Way("the card in the hub", now, "as its card allows, shared by all cameras of the hub", looked(gbAWeek),
                    "the hub’s own");
            case CLOUD -> {
                CloudPlan bought = plan.orElseThrow();
                int cameras = ofMaker(frame, camera);
                yield new Way("paid plan " + bought.name(), now, days(bought.keepsDays()) + (camera.settings().clipSeconds() > bought
                        .clipMostS() ? ", clips cut to " + bought.clipMostS() + " s" : ""), gb(gbAWeek) + " a week up the line",
                        money(house, Optional.of(bought.centsFor(cameras) * MONTHS)) + (cameras == 1 ? "" : " for all " + cameras
                                + " cameras of " + bought.maker()));
            }
        };
    }

    private static String looked(double gbAWeek) {
        return gb(gbAWeek * MonthData.LOOKED_AT_SHARE) + " a week, of what is looked at";
    }

    private static String gb(double gb) {
        return Numbers.fixed(gb, gb < 10 ? 1 : 0) + " GB";
    }

    private static String days(double days) {
        return days >= YEAR_DAYS ? "a year or more" : Numbers.fixed(days, 0) + " days";
    }

    private static String money(House house, Optional<Long> cents) {
        return cents.map(each -> String.format(Locale.ROOT, "%.2f", each / 100.0) + " " + house.currency()).orElse("no price written down");
    }
}
