package roofnest.app.care;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.FaultCaseRepository.Season;
import roofnest.app.records.LogRepository;
import roofnest.core.fault.Situation;
import roofnest.core.footage.Survival;
import roofnest.core.judge.Camera;
import roofnest.core.judge.FootageKept;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.power.Climate;
import roofnest.core.promise.Promise;

/** What is known of a camera before anybody is asked: by its model, its house, the season and the log. */
public final class Situations {
    private static final double NO_PLAN_LATITUDE_DEG = 50;

    private Situations() {}

    public static double latitude(HouseholdFacts facts) {
        return facts.plan().map(plan -> plan.latitudeDeg()).orElse(NO_PLAN_LATITUDE_DEG);
    }

    static Situation of(Frame frame, Camera camera, List<LogRepository.Entry> log) {
        return of(frame.facts(), frame.judge(), frame.judgement(), camera, log);
    }

    public static Situation of(HouseholdFacts facts, HouseholdJudge judge, Judgement judgement, Camera camera,
            List<LogRepository.Entry> log) {
        LocalDate today = facts.today();
        FootageKept kept = FootageKept.of(facts, camera);
        Situation.Shape shape = new Situation.Shape(camera.model().power().onBattery(), camera.model().radio().viaHub(),
                kept.where().contains(
                        Survival.Place.CARD) || kept.where().contains(Survival.Place.HUB),
                facts.footage().of(camera.id()).plan().isPresent(), facts
                        .cameras().size() > 1);
        Climate climate = facts.climate();
        int month = Climate.month(today.getMonthValue(), latitude(facts));
        boolean cold = climate.meanC().get(month) - climate.swingC().get(month) / 2 < 0;
        boolean due
                = camera.model().power().onBattery() && camera.lastCharged().filter(full -> judge.packWarnsIn(facts, camera, full)
                        .filter(days -> !full.plusDays(days).isAfter(today)).isPresent()).isPresent();
        Season season = Season.of(today, latitude(facts));
        return new Situation(shape, cold, due, margin(judgement, camera), changed(log, today), season == Season.AUTUMN);
    }

    /** By how much its link is over what it needs, as it was read or reckoned. */
    private static double margin(Judgement judgement, Camera camera) {
        return judgement.promises().stream().filter(each -> each.promise() instanceof Promise.HoldsLink link && link
                .cameraId() == camera.id()).flatMap(each -> each.finding().margin().stream().boxed()).findFirst().orElse(Double.NaN);
    }

    private static int changed(List<LogRepository.Entry> log, LocalDate today) {
        Optional<LocalDate> last = log.stream().filter(entry -> entry.kind() == LogRepository.Kind.ROUTER).map(LogRepository.Entry::on).max(
                LocalDate::compareTo);
        return last.map(day -> (int) Math.min(Integer.MAX_VALUE, ChronoUnit.DAYS.between(day, today))).orElse(-1);
    }
}
