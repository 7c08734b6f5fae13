package roofnest.app.tune;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import roofnest.app.household.Frame;
import roofnest.app.records.CardRepository;
import roofnest.app.records.FootageListRepository;
import roofnest.core.footage.CardCheck;
import roofnest.core.footage.CardWear;
import roofnest.core.footage.CheapestWays;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.Keeping;
import roofnest.core.footage.MonthData;
import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;
import roofnest.core.judge.Camera;
import roofnest.core.judge.FootageKept;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.WeekUse;
import roofnest.core.lang.Numbers;
import roofnest.core.week.WeekOutcome;

/**
 * Where one camera's footage is and can be kept, what is left of it when something is lost, and the card in it.
 *
 * @param head in one sentence
 * @param weeks what the drawn weeks say of its card; empty where none are drawn
 * @param thief the cheapest that leaves more of it when it is taken
 */
record CameraFootageView(String head, String line, List<Way> ways, List<String> columns, List<Row> rows, List<String> thief,
        Keeping keeping, List<CloudPlan> plans, Card card, String weeks, List<Given> given) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);
    private static final int DAYS_A_WEEK = 7;
    /** Seconds before a loss that its picture shows, and how wide that is. */
    static final double SHOWN_S = 60;
    static final double SHOWN_WIDTH = 120;
    /** Asked for where nobody promised what survives a theft, seconds. */
    private static final double USUAL_LAST_S = 60;
    private static final int HOURS_A_DAY = 24;

    /** A way to keep it. @param now whether it is kept so as it is set */
    record Way(String name, boolean now, String kept, String sends, String threeYears) {}

    /** @param left one for each column */
    record Row(String loss, List<Left> left, String rings) {}

    /** @param width of the last minute that is there, in its picture */
    record Left(String state, String words, double width) {}

    /**
     * The card in it.
     *
     * @param wants what it has to be
     * @param lasts by what is written to it
     * @param verdict what filling it told, with its egg
     */
    record Card(boolean fits, String wants, String lasts, LocalDate putIn, boolean highEndurance, String printed, String wrote, String same,
            String verdict, String state, int version) {}

    record Given(long id, String words, int files) {}

    static CameraFootageView of(Frame frame, Camera camera, StorePrices.Offered offered, Optional<CardRepository.Card> card,
            List<FootageListRepository.Kept> lists, Optional<WeekOutcome.OfCamera> week) {
        HouseholdFacts facts = frame.facts();
        FootageKept kept = FootageKept.of(facts, camera);
        List<Survival.Place> can = can(camera, offered);
        List<Set<Survival.Place>> columns = new ArrayList<>(can.stream().map(place -> (Set<Survival.Place>) EnumSet.of(place)).toList());
        if (can.size() > 1) {
            columns.add(EnumSet.copyOf(can));
        }
        Survival.Sends sends = FootageKept.sends(facts, camera);
        return new CameraFootageView(head(facts, camera, kept), FootageView.line(facts), Stream.concat(can.stream().map(place -> way(facts,
                camera, place, kept, offered)), Stream.of(new Way("the phone only", kept.places().isEmpty(),
                        "nothing is kept; somebody sees it then or never", "what is looked at", FootageWords.money(0, offered.currency()))))
                .toList(), columns.stream().map(CameraFootageView::column).toList(),
                Stream.of(Survival.Loss.values()).filter(
                        loss -> concerns(loss, camera, can)).map(
                                loss -> new Row(loss.words(), columns.stream().map(places -> left(Survival.of(
                                        places, Set.of(loss), sends))).toList(),
                                        Survival.ringsAfter(Set.of(loss), sends) ? "phones still ring"
                                                : "no phone rings any more"))
                        .toList(),
                thief(frame, camera, offered), facts.footage().of(camera
                        .id()),
                offered.plans().stream().filter(plan -> plan.maker().equals(camera.model().maker()))
                        .toList(),
                card(facts, camera, card), weeks(camera, week), lists.stream().map(
                        list -> new Given(list.id(), AT.format(list.at()) + ", for " + list
                                .forWhom() + ", by " + list.by(), list.files().size()))
                        .toList());
    }

    /** Where its footage can go, by its model, the house and the firm's plans. */
    private static List<Survival.Place> can(Camera camera, StorePrices.Offered offered) {
        List<Survival.Place> can = new ArrayList<>();
        if (camera.model().recording().cardMaxGb() > 0) {
            can.add(Survival.Place.CARD);
        }
        if (camera.model().hub() != null && offered.hubs().containsKey(camera.model().hub())) {
            can.add(Survival.Place.HUB);
        }
        if (camera.model().recording().streams()) {
            can.add(Survival.Place.RECORDER);
        }
        if (offered.plans().stream().anyMatch(plan -> plan.maker().equals(camera.model().maker()))) {
            can.add(Survival.Place.CLOUD);
        }
        return can;
    }

    private static boolean concerns(Survival.Loss loss, Camera camera, List<Survival.Place> can) {
        return switch (loss) {
            case HUB -> camera.model().radio().viaHub();
            case RECORDER -> can.contains(Survival.Place.RECORDER);
            default -> true;
        };
    }

    private static String head(HouseholdFacts facts, Camera camera, FootageKept kept) {
        if (kept.places().isEmpty()) {
            return "As it is set it keeps nothing" + (camera.model().recording().cardMaxGb() > 0 ? ": no card is agreed."
                    : ": its model holds no card.");
        }
        FootageKept.At longest = kept.longest().orElseThrow();
        Survival left = kept.left(facts, camera, Set.of(Survival.Loss.CAMERA));
        return "As it is set its footage is on " + String.join(" and ", kept.places().stream().map(at -> at.place().words()).toList())
                + (longest.said() ? "" : ", as agreed: nobody said what card that holds") + ": " + FootageWords.days(longest)
                + ". If the camera is taken, " + FootageWords.left(left) + (left.place().isEmpty() ? "." : " at most.").replace(
                        "all is left at most.", "all is left.");
    }

    private static String column(Set<Survival.Place> places) {
        return places.size() > 1 ? "All of them" : switch (places.iterator().next()) {
            case CARD -> "Card in the camera";
            case HUB -> "Card in the hub";
            case RECORDER -> "Recorder";
            case CLOUD -> "Paid plan";
        };
    }

    private static Left left(Survival left) {
        return new Left(FootageWords.state(left), FootageWords.left(left), left.place().isEmpty() ? 0 : SHOWN_WIDTH * Math.max(0, SHOWN_S
                - left.lastLostS()) / SHOWN_S);
    }

    private static Way way(HouseholdFacts facts, Camera camera, Survival.Place place, FootageKept kept, StorePrices.Offered offered) {
        Optional<FootageKept.At> at = kept.places().stream().filter(each -> each.place() == place).findFirst();
        double aWeek = DAYS_A_WEEK * FootageKept.clipsMeanGbADay(camera);
        String now = at.map(FootageWords::days).orElse("not set so");
        String looked = FootageWords.gb(aWeek * MonthData.LOOKED_AT_SHARE) + " a week, of what is looked at";
        return switch (place) {
            case CARD -> new Way(place.words(), at.isPresent(), now + (at.isPresent() ? ", on " + at.get().gb() + " GB" : ""), looked,
                    FootageWords.money(Optional.ofNullable(offered.offers().cards().get(camera.settings().cardGb())), offered.currency()));
            case HUB, RECORDER -> new Way(place.words(), at.isPresent(), now + at.map(store -> ", on " + store.gb() + " GB" + (store.said()
                    ? " shared by all that write there" : "")).orElse(""), looked, "shared by all that write there");
            case CLOUD -> {
                CloudPlan plan = facts.footage().of(camera.id()).plan().orElseGet(() -> CloudPlan.cheapest(offered.plans(), camera.model()
                        .maker(), Set.of(), 1).orElseThrow());
                yield new Way("paid plan " + plan.name(), at.isPresent(), (at.isPresent() ? "" : "would be ") + FootageWords.days(plan
                        .keepsDays())
                        + (camera.settings().clipSeconds() > plan.clipMostS() ? ", clips cut to " + plan.clipMostS() + " s"
                                : ""),
                        FootageWords.gb(aWeek) + " a week up the line", FootageWords.money(plan.centsFor(1)
                                * CheapestWays.MONTHS, offered.currency()) + (plan.camerasMost() == 1 ? "" : ", also for others"));
            }
        };
    }

    /** What would leave more of it when it is taken, the cheapest first. */
    private static List<String> thief(Frame frame, Camera camera, StorePrices.Offered offered) {
        HouseholdFacts facts = frame.facts();
        double last = FootageView.wanted(facts).lastS().orElse(USUAL_LAST_S);
        Survival now = FootageKept.of(facts, camera).left(facts, camera, Set.of(Survival.Loss.CAMERA));
        if (now.place().isPresent() && now.lastLostS() <= last) {
            return List.of();
        }
        return CheapestWays.find(List.of(FootageView.cam(facts, camera, offered)), offered.offers(), new CheapestWays.Wanted(0, 0,
                OptionalDouble.of(last))).stream().map(way -> String.join(" and ", FootageView.buys(List.of(camera), way, offered)))
                .toList();
    }

    private static Card card(HouseholdFacts facts, Camera camera, Optional<CardRepository.Card> card) {
        double rate = camera.model().recording().bitrateMbps();
        double written = FootageKept.meanGbADay(facts, camera);
        int gb = camera.settings().cardGb();
        boolean endures = card.map(CardRepository.Card::highEndurance).orElse(true);
        double size = card.map(CardRepository.Card::printedGb).orElse((double) gb);
        double years = size < 1 ? 0 : CardWear.years(CardWear.ratedTbw((int) Math.round(size), endures), written);
        String lasts = size < 1 ? ""
                : "At " + FootageWords.gb(written) + " a day " + (endures ? "a high-endurance card" : "an ordinary card")
                        + " of " + Numbers.fixed(size, 0) + " GB stands " + (years >= CardWear.MOST_YEARS ? "ten years and more"
                                : Numbers.fixed(years, 1) + " years")
                        + card.map(put -> "; this one is to be changed by " + DAY.format(CardWear
                                .replaceBy(put.putIn(), years))
                                + (CardWear.replaceBy(put.putIn(), years).isBefore(facts.today())
                                        ? ", which is past" : ""))
                                .orElse("")
                        + ".";
        Optional<CardCheck> check = card.flatMap(CardRepository.Card::check);
        return new Card(camera.model().recording().cardMaxGb() > 0, "Up to " + camera.model().recording().cardMaxGb()
                + " GB, of the high-endurance kind, " + CardWear.videoClass(rate).stream().mapToObj(speed -> "video class V" + speed
                        + " or faster").findFirst().orElse("faster than any video class")
                + ": it has to take twice the " + Numbers.plain(
                        rate)
                + " Mbit/s that it is written at.", lasts, card.map(CardRepository.Card::putIn).orElse(facts.today()),
                endures, card.map(put -> Numbers.plain(put.printedGb())).orElse(gb == 0 ? "" : String.valueOf(gb)), check.map(
                        each -> Numbers.plain(each.wroteGb())).orElse(""),
                check.map(each -> Numbers.plain(each.sameGb())).orElse(""),
                check.map(each -> "Tested on " + DAY.format(card.orElseThrow().testedOn()) + ": " + each.verdict().words() + (each
                        .verdict() == CardCheck.Verdict.FALSE ? "; only " + Numbers.plain(each.sameGb()) + " GB of "
                                + Numbers.plain(each
                                        .wroteGb())
                                + " GB came back the same" : "")
                        + ".").orElse("Nobody has filled it and read it back."),
                check.map(each -> switch (each.verdict()) {
                    case TRUE -> "kept";
                    case FALSE -> "broken";
                    case OPEN -> "untried";
                }).orElse("untried"), card.map(CardRepository.Card::version).orElse(0));
    }

    /** The closed form stands beside what was drawn. */
    private static String weeks(Camera camera, Optional<WeekOutcome.OfCamera> week) {
        if (week.isEmpty() || camera.settings().cardGb() == 0) {
            return "";
        }
        Camera drawn = camera.withSettings(WeekUse.taken(camera.settings(), week.get()));
        double worst = Retention.onCard(camera.settings().cardGb(), drawn.settings().clipsPerDay(), drawn.settings().clipSeconds(), camera
                .model().recording().bitrateMbps(), drawn.settings().worstWeekShare()).days();
        double now = Retention.onCard(camera.settings().cardGb(), camera.settings().clipsPerDay(), camera.settings().clipSeconds(), camera
                .model().recording().bitrateMbps(), camera.settings().worstWeekShare()).days();
        boolean taken = camera.settings().worstWeekShare().isPresent();
        return "By the worst of " + WeeksKept.WEEKS + " drawn weeks of this month clips stay " + FootageWords.days(worst) + " on "
                + camera.settings().cardGb() + " GB" + (taken ? "; the promises go by the weeks that were taken over: " : "; the promises "
                        + "go by the visits a day that are set, and by chance: ")
                + FootageWords.days(now) + ".";
    }

    /** Hours that can be chosen. */
    public static List<Integer> hours() {
        return IntStream.range(0, HOURS_A_DAY).boxed().toList();
    }
}
