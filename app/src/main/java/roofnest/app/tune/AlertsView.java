package roofnest.app.tune;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import roofnest.app.household.Frame;
import roofnest.app.records.AlertRepository;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Content;
import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.alert.Phone;
import roofnest.core.alert.QuietHours;
import roofnest.core.alert.RingDelay;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Ears;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Promise;
import roofnest.core.week.Ear;
import roofnest.core.week.SourceKind;
import roofnest.core.week.Week;
import roofnest.core.week.WeekOutcome;

/**
 * When cameras watch and whom they ring, with what that comes to in an ordinary week.
 *
 * @param head in one sentence
 * @param circles of rules that set one another off, in words
 * @param holiday what rings while the house is on holiday; empty where that is set as the week is
 * @param unknown cameras that nobody was given yet
 */
record AlertsView(String head, String signs, int version, List<Day> days, List<Row> rows, List<OfPerson> people, List<Rule> rules,
        List<String> circles, List<Delay> delays, String line, List<String> unknown, String holiday, List<CameraOption> cameras,
        List<AlertSpec.Kind> kinds, List<BellView> bells) {
    private static final double LEAST_MBPS = 0.01;
    private static final String[] DAYS = {"Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"};
    private static final String[] WHOLE_DAYS = {"Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"};

    /** @param name of the day, as a heading */
    record Day(String name, List<Hour> hours) {}

    /** @param index of the week, 0 to 167 */
    record Hour(int index, String sign, String label) {}

    /**
     * @param rings hours of the week in which it rings, in words
     * @param silent from and to which hour of every day it rings nobody
     */
    record Row(String name, List<Cell> cells, String rings, List<HourField> silent) {}

    record HourField(String field, String label, String now) {}

    record Cell(String field, String mode, String now) {}

    /**
     * @param bars rings of a day by hour, from 0 to 1 of the most of any phone
     * @param said what its week comes to
     */
    record OfPerson(long id, String name, Phone phone, String from, String to, List<Given> cameras, List<Double> bars, String said,
            String storms) {}

    /** @param kinds that its model tells, each with whether it rings here */
    record Given(long id, String name, List<KindBox> kinds) {}

    record KindBox(String field, String words, boolean rings) {}

    record Rule(String words, String said, String caution) {}

    /** @param late whether it is later than what is promised */
    record Delay(String camera, String text, String thumbnail, String everything, List<Boolean> late) {}

    record CameraOption(long id, String name) {}

    static AlertsView of(Frame frame, AlertRepository.Said said, Optional<Double> upMbps, Optional<WeekOutcome> week) {
        HouseholdFacts facts = frame.facts();
        AlertPlan plan = said.plan();
        return new AlertsView(head(week), plan.week().signs(), said.version(), days(plan.week()), rows(facts, plan),
                people(facts, plan, week), rules(facts, plan, week), frame.judge().circles(facts).stream()
                        .map(circle -> circle(circle, facts.cameras())).toList(),
                delays(facts, upMbps), line(upMbps, promised(facts)), facts.cameras().stream().filter(camera -> !Ears.given(facts, camera))
                        .map(Camera::name).toList(),
                holiday(frame, plan),
                facts.cameras().stream().map(camera -> new CameraOption(camera.id(), camera.name())).toList(),
                Arrays.stream(AlertSpec.Kind.values()).filter(kind -> facts.cameras().stream()
                        .anyMatch(camera -> camera.model().alerts().kinds().stream().anyMatch(of -> of.kind() == kind))).toList(),
                BellView.of(frame, plan));
    }

    /** So many were drawn. */
    public int weeks() {
        return HouseholdJudge.WEEKS_JUDGED;
    }

    static void requirePerson(HouseholdFacts facts, long person) {
        if (facts.access().people().stream().noneMatch(each -> each.id() == person)) {
            throw new NoSuchPage();
        }
    }

    private static String holiday(Frame frame, AlertPlan plan) {
        if (plan.onHoliday().equals(plan) || frame.cameras().isEmpty()) {
            return "";
        }
        Optional<WeekOutcome> week = frame.judge().weekOutcome(frame.facts().withAlerts(plan.onHoliday()));
        return week.map(all -> "On holiday " + all.loudestPhone().map(phone -> "the phone that rings most would ring "
                + Numbers.fixed(phone.rings().aDay(), 1) + " times a day, if as much goes on about the house as ever.")
                .orElse("no phone would ring.")).orElse("");
    }

    private static String head(Optional<WeekOutcome> week) {
        Optional<WeekOutcome.OfPhone> most = week.flatMap(WeekOutcome::loudestPhone);
        if (week.isEmpty()) {
            return "When cameras watch and whom they ring";
        }
        if (most.isEmpty()) {
            return "No phone is rung.";
        }
        String who = most.get().personId() == Ear.NOBODYS ? "A phone" : "The phone of " + most.get().name();
        return who + " rings " + Numbers.fixed(most.get().rings().aDay(), 1) + " times a day"
                + (week.get().phones().size() > 1 ? ", the most of all." : ".");
    }

    private static List<Day> days(ModeWeek week) {
        return IntStream.range(0, Week.DAYS).mapToObj(day -> new Day(DAYS[day], IntStream.range(0, Week.HOURS_A_DAY)
                .mapToObj(hour -> new Hour(day * Week.HOURS_A_DAY + hour, String.valueOf(week.at(day * Week.HOURS_A_DAY + hour).sign()),
                        WHOLE_DAYS[day] + " " + hour + " to " + (hour + 1) + " h"))
                .toList())).toList();
    }

    private static List<Row> rows(HouseholdFacts facts, AlertPlan plan) {
        return facts.cameras().stream().map(camera -> {
            String rings = ModeWeek.said(plan.hours(camera.id(), Does.RINGS));
            return new Row(camera.name(), Arrays.stream(Mode.values()).map(mode -> new Cell(AlertForms.field("does", camera.id(), mode),
                    mode.words(), plan.does(camera.id(), mode).name())).toList(), rings.isEmpty() ? "never rings" : "rings " + rings,
                    List.of(new HourField(AlertForms.field("silentfrom", camera.id()), "Silent from, h", silent(plan, camera,
                            QuietHours::fromHour)), new HourField(AlertForms.field("silentto", camera.id()), "Silent to, h",
                                    silent(plan, camera, QuietHours::toHour))));
        }).toList();
    }

    private static String silent(AlertPlan plan, Camera camera, Function<QuietHours, Integer> hour) {
        return Optional.ofNullable(plan.silent().get(camera.id())).map(hour).map(String::valueOf).orElse("");
    }

    private static List<OfPerson> people(HouseholdFacts facts, AlertPlan plan, Optional<WeekOutcome> week) {
        double most = week.stream().flatMap(all -> all.phones().stream()).flatMapToDouble(phone -> byHour(phone).stream()
                .mapToDouble(Double::doubleValue)).max().orElse(0);
        return facts.access().people().stream().filter(person -> person.tie() != Access.Tie.LEFT && person.tie() != Access.Tie.FIRM)
                .map(person -> {
                    Phone phone = plan.phone(person.id());
                    Optional<WeekOutcome.OfPhone> rings = week.flatMap(all -> all.phones().stream()
                            .filter(each -> each.personId() == person.id()).findFirst());
                    return new OfPerson(person.id(), person.name(), phone,
                            phone.quiet().map(quiet -> String.valueOf(quiet.fromHour())).orElse(""),
                            phone.quiet().map(quiet -> String.valueOf(quiet.toHour())).orElse(""), given(facts, person, phone),
                            rings.map(each -> byHour(each).stream().map(hour -> most == 0 ? 0 : hour / most).toList()).orElse(List.of()),
                            rings.map(AlertsView::said).orElse("No camera rings it."),
                            rings.filter(each -> each.stormsAWeek() >= 0.05).map(each -> Numbers.fixed(each.stormsAWeek(), 1)
                                    + " times a week it rings five times in two minutes.").orElse(""));
                }).toList();
    }

    private static String said(WeekOutcome.OfPhone phone) {
        return "Rings " + Numbers.fixed(phone.rings().aDay(), 1) + " times a day; nine weeks in ten "
                + Numbers.fixed(phone.rings().low() / Week.DAYS, 1) + " to " + Numbers.fixed(phone.rings().high() / Week.DAYS, 1) + ".";
    }

    /** Rings of a mean day, by its hours. */
    private static List<Double> byHour(WeekOutcome.OfPhone phone) {
        return IntStream.range(0, Week.HOURS_A_DAY).mapToObj(hour -> IntStream.range(0, Week.DAYS)
                .mapToDouble(day -> phone.byHour()[day * Week.HOURS_A_DAY + hour]).sum() / Week.DAYS).toList();
    }

    private static List<Given> given(HouseholdFacts facts, Access.Person person, Phone phone) {
        return facts.cameras().stream().filter(camera -> facts.access().rungBy(camera.id(), facts.today()).contains(person))
                .map(camera -> {
                    Set<AlertSpec.Kind> now = phone.kinds().getOrDefault(camera.id(), camera.watchSetting().kinds());
                    return new Given(camera.id(), camera.name(), camera.model().alerts().kinds().stream()
                            .map(of -> new KindBox(AlertForms.field("kind", camera.id(), of.kind()), of.kind().words(),
                                    now.contains(of.kind())))
                            .toList());
                }).toList();
    }

    private static List<Rule> rules(HouseholdFacts facts, AlertPlan plan, Optional<WeekOutcome> week) {
        return plan.rules().stream().map(rule -> new Rule(words(rule, facts.cameras()), week.flatMap(all -> all.held().stream()
                .filter(held -> held.rule().equals(rule)).findFirst()).map(AlertsView::held).orElse(
                        "Not reckoned: a camera of it is gone, or the house has no plan."),
                caution(rule))).toList();
    }

    private static String held(WeekOutcome.OfRule held) {
        if (held.rule().kind() == AlertSpec.Kind.SOUND || held.rule().kind() == AlertSpec.Kind.PACKAGE) {
            return "Not reckoned: the drawn weeks hold no " + held.rule().kind().words() + ".";
        }
        if (held.aWeek() == 0) {
            return "In none of the drawn weeks.";
        }
        return Numbers.fixed(held.aWeek(), 1) + " times in an ordinary week, mostly for " + held.byKind().entrySet().stream()
                .sorted(Map.Entry.<SourceKind, Double>comparingByValue().reversed()).limit(3)
                .map(entry -> entry.getKey().words() + " " + Numbers.fixed(entry.getValue(), 1)).collect(Collectors.joining(", ")) + ".";
    }

    private static String caution(DeviceRule rule) {
        return switch (rule.act()) {
            case SIREN -> "A siren at the ear harms hearing: never where a child sleeps or somebody may stand beside it, and ask what the "
                    + "place allows by night.";
            case LIGHT -> "Not into a neighbour’s window.";
            case RECORD -> "";
        };
    }

    private static String circle(List<DeviceRule> circle, List<Camera> cameras) {
        return circle.stream().map(rule -> words(rule, cameras)).collect(Collectors.joining(" That sets off: "))
                + (circle.size() == 1 ? " It takes its own light or noise for what it waits for, and goes on without end."
                        : " And that sets off the first again, without end.");
    }

    static String words(DeviceRule rule, List<Camera> cameras) {
        return "When " + name(rule.whenCamera(), cameras) + " notices " + rule.kind().words() + " " + rule.at().words() + ", "
                + name(rule.thenCamera(), cameras) + " " + rule.act().words() + ".";
    }

    private static String name(long id, List<Camera> cameras) {
        return cameras.stream().filter(camera -> camera.id() == id).map(Camera::name).findFirst().orElse("a camera that is gone");
    }

    private static Optional<Double> promised(HouseholdFacts facts) {
        return facts.written().stream().flatMap(promise -> promise instanceof Promise.AlertWithin within ? Stream.of(within.seconds())
                : Stream.<Double>of()).min(Comparator.naturalOrder());
    }

    private static List<Delay> delays(HouseholdFacts facts, Optional<Double> upMbps) {
        Optional<Double> limit = promised(facts);
        return facts.cameras().stream().map(camera -> {
            List<RingDelay> all = Arrays.stream(Content.values()).map(content -> RingDelay.of(camera.model(),
                    camera.settings().clipSeconds(), content, upMbps.filter(up -> up >= LEAST_MBPS).orElse(RingDelay.USUAL_UP_MBPS)))
                    .toList();
            List<String> words = new ArrayList<>();
            all.forEach(delay -> words.add(Numbers.fixed(delay.medianS(), 1) + " s, nine in ten within "
                    + Numbers.fixed(delay.nineInTenS(), 1) + " s"));
            return new Delay(camera.name(), words.get(0), words.get(1), words.get(2),
                    all.stream().map(delay -> limit.filter(most -> delay.nineInTenS() > most).isPresent()).toList());
        }).toList();
    }

    private static String line(Optional<Double> upMbps, Optional<Double> limit) {
        return "From somebody moving in range to the ring, reckoned: notice, wake, sending at "
                + upMbps.filter(up -> up >= LEAST_MBPS).map(up -> Numbers.plain(up) + " Mbit/s as measured").orElse(
                        Numbers.plain(RingDelay.USUAL_UP_MBPS) + " Mbit/s, since nobody measured the line")
                + ", and the message’s own way. " + limit.map(most -> "Promised within " + Numbers.plain(most)
                        + " s; it is timed at Prove.").orElse("Nothing is promised of it.");
    }
}
