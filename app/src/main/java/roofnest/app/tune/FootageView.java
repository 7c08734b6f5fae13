package roofnest.app.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.app.household.Frame;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.RouterRepository;
import roofnest.core.footage.CheapestWays;
import roofnest.core.footage.MonthData;
import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;
import roofnest.core.judge.Camera;
import roofnest.core.judge.FootageKept;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Judged;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Promise;

/**
 * Where the footage of a house is kept, and the cheapest ways to keep it as it is promised.
 *
 * @param promised what was promised of it, and how that stands
 * @param waysNote why there are no ways, or what they leave out
 * @param month what it takes of a month's data, with {@code monthState} for its egg
 */
record FootageView(List<Promised> promised, List<Row> rows, List<HubCard> hubs, FootageRepository.House house, List<Way> ways,
        String waysNote, String month, String monthState, String line) {
    /** A promise of days is met by a store with so much to spare. */
    private static final double STORE_TOLERANCE = 0.1;
    private static final double ONLY_JUST = 0.8;
    private static final int DAYS_A_WEEK = 7;
    private static final int HOURS_A_DAY = 24;
    private static final double MBIT_A_GB = 8000;
    private static final double SECONDS_AN_HOUR = 3600;

    record Promised(String state, String words, String says) {}

    record Row(long id, String name, String kept, String days, String taken, String takenState, String aDay) {}

    /** @param gb in it; null where nobody said */
    record HubCard(long id, String name, Integer gb) {}

    /** @param key by which it is known again when it is taken. @param buys one line each */
    record Way(String key, String cost, List<String> buys, boolean proved) {}

    static FootageView of(Frame frame, StorePrices.Offered offered, FootageRepository.House house, RouterRepository.Router router) {
        HouseholdFacts facts = frame.facts();
        List<CheapestWays.Way> ways = ways(facts, offered);
        return new FootageView(frame.judgement().promises().stream().filter(each -> each.promise() instanceof Promise.KeepsDays
                || each.promise() instanceof Promise.SurvivesTheft).map(FootageView::promised).toList(), facts.cameras().stream().map(
                        camera -> row(facts, camera)).toList(),
                offered.hubs().values().stream().map(hub -> new HubCard(hub.id(), hub
                        .name(), hub.cardGb())).toList(),
                house, ways.stream().map(way -> way(facts, way, offered)).toList(),
                note(facts, ways, offered), month(facts, router), monthState(facts, router), line(facts));
    }

    private static Promised promised(Judged judged) {
        return new Promised(judged.finding().standing().name().toLowerCase(Locale.ROOT), judged.wording(), judged.finding()
                .reason());
    }

    /** By which sending is reckoned. */
    static String line(HouseholdFacts facts) {
        OptionalDouble measured = facts.footage().upMbps();
        double up = FootageKept.upMbps(measured);
        return "Sending is reckoned at " + Numbers.plain(up) + " Mbit/s" + (measured.isPresent() && measured.getAsDouble() == up
                ? ", as it was measured." : measured.isPresent() ? "; the line that was measured sends nothing that counts."
                        : ", since nobody measured the line.");
    }

    private static Row row(HouseholdFacts facts, Camera camera) {
        FootageKept kept = FootageKept.of(facts, camera);
        Survival left = kept.left(facts, camera, Set.of(Survival.Loss.CAMERA));
        return new Row(camera.id(), camera.name(), kept.places().isEmpty() ? "nowhere" : kept.places().stream().map(at -> at.place()
                .words()).collect(Collectors.joining("; ")), kept.longest().map(FootageWords::days).orElse("nothing is kept"),
                FootageWords.left(left), FootageWords.state(left), FootageWords.gb(FootageKept.gbADay(facts, camera)));
    }

    /** What is wanted: by the promises that were written. */
    static CheapestWays.Wanted wanted(HouseholdFacts facts) {
        int days = 0;
        OptionalDouble last = OptionalDouble.empty();
        for (Promise promise : facts.written()) {
            if (promise instanceof Promise.KeepsDays keeps) {
                days = Math.max(days, keeps.days());
            } else if (promise instanceof Promise.SurvivesTheft theft) {
                last = OptionalDouble.of(Math.min(last.orElse(Double.MAX_VALUE), theft.seconds()));
            }
        }
        return new CheapestWays.Wanted(days, STORE_TOLERANCE, last);
    }

    static CheapestWays.Cam cam(HouseholdFacts facts, Camera camera, StorePrices.Offered offered) {
        Survival.Sends sends = FootageKept.sends(facts, camera);
        return new CheapestWays.Cam(camera.id(), camera.name(), camera.model().maker(), FootageKept.gbADay(facts, camera), FootageKept
                .meanGbADay(facts, camera), facts.footage().of(camera.id()).when().clips(), sends.clipS() + sends.sendS(),
                camera.model()
                        .recording().cardMaxGb(),
                Optional.ofNullable(camera.model().hub()).filter(offered.hubs()::containsKey), camera
                        .model().recording().streams());
    }

    static List<CheapestWays.Way> ways(HouseholdFacts facts, StorePrices.Offered offered) {
        return CheapestWays.find(facts.cameras().stream().map(camera -> cam(facts, camera, offered)).toList(), offered.offers(), wanted(
                facts));
    }

    private static Way way(HouseholdFacts facts, CheapestWays.Way way, StorePrices.Offered offered) {
        return new Way(key(way), FootageWords.money(way.cents(), offered.currency()), buys(facts.cameras(), way, offered), way.proved());
    }

    /** One line for each thing to buy, in the names of the house. */
    static List<String> buys(List<Camera> cameras, CheapestWays.Way way, StorePrices.Offered offered) {
        Map<Long, String> names = cameras.stream().collect(Collectors.toMap(Camera::id, Camera::name));
        return way.buys().stream().map(buy -> what(buy) + " for " + buy.cameras().stream().map(names::get).collect(Collectors.joining(
                ", ")) + ": " + FootageWords.money(buy.cents(), offered.currency())).toList();
    }

    private static String what(CheapestWays.Buy buy) {
        String again = buy.count() > 1 ? ", changed " + (buy.count() == 2 ? "once" : buy.count() - 1 + " times") : "";
        return switch (buy.place()) {
            case CARD -> "a card of " + buy.gb() + " GB" + again;
            case HUB -> "a card of " + buy.gb() + " GB in the hub" + again;
            case RECORDER -> "a recorder with " + buy.gb() + " GB";
            case CLOUD -> (buy.count() > 1 ? buy.count() + " × " : "") + "paid plan " + buy.plan().orElseThrow().name();
        };
    }

    /** The same things for the same cameras at the same price have the same key. */
    static String key(CheapestWays.Way way) {
        return way.buys().stream().map(buy -> buy.place() + "-" + buy.gb() + "-" + buy.plan().map(plan -> plan.id()).orElse(0L) + "-"
                + buy.cameras().stream().map(String::valueOf).collect(Collectors.joining("."))).collect(Collectors.joining("_")) + "_" + way
                        .cents();
    }

    private static String note(HouseholdFacts facts, List<CheapestWays.Way> ways, StorePrices.Offered offered) {
        CheapestWays.Wanted wanted = wanted(facts);
        String unpriced = offered.unpriced().isEmpty() ? "" : " No price is written down for " + String.join(", ", offered.unpriced())
                + ".";
        if (wanted.days() == 0 && wanted.lastS().isEmpty()) {
            return "Nobody promised how long footage is kept, or what is left of it after a theft: write that at the brief.";
        }
        return ways.isEmpty() ? "Nothing that has a price keeps it so for " + without(facts, offered, wanted) + ": no card, hub, recorder "
                + "or plan that its model can use and that is written down does." + unpriced
                : "Cards are bought anew when they are worn out; what is in the house already is not taken off." + unpriced;
    }

    /** The cameras that no way keeps by themselves; all of them where each has one, but not all together. */
    private static String without(HouseholdFacts facts, StorePrices.Offered offered, CheapestWays.Wanted wanted) {
        List<String> none = facts.cameras().stream().filter(camera -> CheapestWays.find(List.of(cam(facts, camera, offered)), offered
                .offers(), wanted).isEmpty()).map(Camera::name).toList();
        return none.isEmpty() ? "all cameras together" : String.join(", ", none);
    }

    private static List<MonthData.Use> uses(HouseholdFacts facts) {
        List<MonthData.Use> uses = new ArrayList<>();
        facts.cameras().forEach(camera -> uses.add(FootageKept.month(facts, camera)));
        return uses;
    }

    private static String month(HouseholdFacts facts, RouterRepository.Router router) {
        double gb = MonthData.totalGb(uses(facts));
        String takes = "A month takes " + FootageWords.gb(gb) + " of data, for what is sent and what is looked at from outside";
        return router.simGb().map(most -> takes + ", of the " + Numbers.plain(most) + " GB that the line may.").orElse(takes
                + ". No limit of the line is written down.") + up(facts) + playback(facts);
    }

    /** What goes up the line by itself in a bad week, and how long that takes it. */
    private static String up(HouseholdFacts facts) {
        double gb = DAYS_A_WEEK * facts.cameras().stream().filter(camera -> FootageKept.of(facts, camera).where().contains(
                Survival.Place.CLOUD)).mapToDouble(FootageKept::clipsBadGbADay).sum();
        double hours = gb * MBIT_A_GB / FootageKept.upMbps(facts.footage().upMbps()) / SECONDS_AN_HOUR;
        return gb == 0 ? " Nothing goes up the line by itself."
                : " In a bad week " + FootageWords.gb(gb) + " go up the line by themselves, "
                        + (hours < 1 ? "less than an hour" : Numbers.fixed(hours, 0) + " h") + " of sending.";
    }

    /** What looking at it from away takes of a phone's own data. */
    private static String playback(HouseholdFacts facts) {
        double most = facts.cameras().stream().mapToDouble(camera -> camera.model().recording().bitrateMbps()).max().orElse(0);
        return " An hour of footage that is looked at from away takes up to " + FootageWords.gb(Retention.continuousGbPerDay(most)
                / HOURS_A_DAY) + " of the phone’s own data.";
    }

    private static String monthState(HouseholdFacts facts, RouterRepository.Router router) {
        double gb = MonthData.totalGb(uses(facts));
        return router.simGb().map(most -> gb > most ? "broken" : gb > ONLY_JUST * most ? "thin" : "kept").orElse("untried");
    }
}
