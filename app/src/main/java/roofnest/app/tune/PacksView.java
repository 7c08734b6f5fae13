package roofnest.app.tune;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

import roofnest.app.household.Frame;
import roofnest.app.records.FootageRepository;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.ChargeVisits;

/**
 * The packs of a household through the coming year.
 *
 * @param head in one sentence
 * @param rests on what it rests
 * @param charging how long the packs of the first visit take on chargers; empty without one
 * @param unknown cameras of which nobody said when they were charged
 */
record PacksView(String head, String rests, boolean overdue, List<Visit> visits, List<Row> rows, List<Tick> months, String spares,
        List<String> unknown, FootageRepository.House house, String charging) {
    static final double WIDTH = 640;
    private static final double DAYS = 365;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);

    /** @param what names of the cameras. @param key by which its event is known again */
    record Visit(LocalDate on, String day, String what, String why, String key, double x) {}

    /** @param bars from a charge to the last day on which it may be charged again */
    record Row(long id, String name, String until, List<Bar> bars) {}

    record Bar(double x, double width) {}

    record Tick(double x, String label) {}

    static PacksView of(Frame frame, FootageRepository.House house) {
        HouseholdFacts facts = frame.facts();
        List<Camera> packs = facts.cameras().stream().filter(camera -> camera.model().power().onBattery()).toList();
        ChargeVisits plan = frame.judge().chargeVisits(facts);
        LocalDate today = facts.today();
        Map<Long, String> names = packs.stream().collect(Collectors.toMap(Camera::id, Camera::name));
        List<Visit> visits = plan.visits().stream().map(visit -> new Visit(visit.on(), DAY.format(visit.on()), visit.packs().stream()
                .map(names::get).collect(Collectors.joining(", ")),
                visit.on().equals(today) && plan.overdue()
                        ? "due already" : why(frame, packs, visit),
                visit.forcedBy() + "-" + visit.forcedSince(), x(today, visit.on()))).toList();
        return new PacksView(head(packs, visits, plan.overdue()), "Each pack through the bad year, one in " + BatteryYear.ONE_IN
                + ", without anybody charging it; whoever goes goes a week before it would warn. No plan has fewer visits: between each "
                + "and the one before it some pack has to be charged.", plan.overdue(), visits,
                packs.stream().map(camera -> row(frame, camera, plan, today)).toList(), months(today), plan.visits().isEmpty() ? ""
                        : plan.spares() == 1 ? "With one spare pack, charged beforehand, nothing has to be waited for."
                                : "With " + plan.spares() + " spare packs, charged beforehand, nothing has to be waited for; each fits its "
                                        + "own model only.",
                packs.stream().filter(camera -> camera.lastCharged().isEmpty()).map(Camera::name).toList(), house,
                ChargingWords.first(packs, plan));
    }

    private static String why(Frame frame, List<Camera> packs, ChargeVisits.Visit visit) {
        Camera first = packs.stream().filter(camera -> camera.id() == visit.forcedBy()).findFirst().orElseThrow();
        return frame.judge().packWarnsIn(frame.facts(), first, visit.forcedSince()).isEmpty()
                ? "a year after " + first.name() + " was full, to look it over"
                : "the last day for " + first.name() + ", a week before it would warn";
    }

    private static String head(List<Camera> packs, List<Visit> visits, boolean overdue) {
        if (packs.isEmpty()) {
            return "No camera here runs on a pack";
        }
        return visits.isEmpty() ? "No pack has to be charged in the coming year"
                : (visits.size() == 1 ? "One visit in the coming year keeps " : visits.size() + " visits in the coming year keep ")
                        + (packs.size() == 1 ? "the pack" : "all " + packs.size() + " packs") + " above the warning"
                        + (overdue ? " from then on" : "");
    }

    private static double x(LocalDate today, LocalDate day) {
        return WIDTH * Math.max(0, Math.min(DAYS, ChronoUnit.DAYS.between(today, day))) / DAYS;
    }

    private static Row row(Frame frame, Camera camera, ChargeVisits plan, LocalDate today) {
        List<Bar> bars = new ArrayList<>();
        LocalDate full = camera.lastCharged().orElse(today);
        LocalDate until = frame.judge().packLastsUntil(frame.facts(), camera, full);
        String lasts = (camera.lastCharged().isEmpty() ? "taken to be full today" : "full on " + DAY.format(full)) + (frame.judge()
                .packWarnsIn(frame.facts(), camera, full).isEmpty() ? "; does not warn within a year" : "; until " + DAY.format(until));
        for (ChargeVisits.Visit visit : plan.visits().stream().filter(each -> each.packs().contains(camera.id())).toList()) {
            bars.add(bar(today, full, visit.on()));
            full = visit.on();
        }
        bars.add(bar(today, full, frame.judge().packLastsUntil(frame.facts(), camera, full)));
        return new Row(camera.id(), camera.name(), lasts, bars.stream().filter(bar -> bar.width() > 0).toList());
    }

    private static Bar bar(LocalDate today, LocalDate from, LocalDate to) {
        return new Bar(x(today, from), x(today, to) - x(today, from));
    }

    private static List<Tick> months(LocalDate today) {
        List<Tick> ticks = new ArrayList<>();
        for (LocalDate first = today.plusMonths(1).withDayOfMonth(1); first.isBefore(today.plusDays((long) DAYS)); first = first
                .plusMonths(1)) {
            ticks.add(new Tick(x(today, first), first.getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH)));
        }
        return ticks;
    }
}
