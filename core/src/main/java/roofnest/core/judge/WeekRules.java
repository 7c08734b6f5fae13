package roofnest.core.judge;

import java.time.Month;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntPredicate;

import roofnest.core.alert.AlertPlan;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.week.SourceKind;
import roofnest.core.week.Week;
import roofnest.core.week.WeekOutcome;

/** What the rules of the ordinary week share. */
final class WeekRules {
    private WeekRules() {}

    /** Judged by the household's week; untried while there is no plan or no camera. */
    static Sighted judged(PromiseKey key, Limit limit, Hearing hearing, Function<WeekOutcome, Sighted> by) {
        if (hearing.cameras().isEmpty()) {
            return Hearing.noCamera(key, limit);
        }
        return hearing.weeks().of(hearing.facts()).map(by)
                .orElseGet(() -> Sighted.ofNone(Finding.untried(key, limit, "The house has no plan yet, so nobody knows who passes by.")));
    }

    /** A prediction of the one camera that most of it is of. */
    static Sighted found(PromiseKey key, double measured, Limit limit, String reason, Optional<WeekOutcome.OfCamera> most,
            List<Remedy> remedies) {
        Finding finding = Finding.of(key, measured, limit, Evidence.PREDICTED, reason,
                limit.standing(measured) == Standing.KEPT ? List.of() : remedies);
        return new Sighted(finding, most.map(WeekOutcome.OfCamera::cameraId));
    }

    private static double rings(WeekOutcome.OfCamera camera) {
        return camera.ringsByKind().values().stream().mapToDouble(Double::doubleValue).sum();
    }

    static Optional<WeekOutcome.OfCamera> loudest(WeekOutcome week) {
        return week.cameras().stream().max(Comparator.comparingDouble(WeekRules::rings));
    }

    /** A week of a month, by ordinary rates. */
    static String basis(Hearing hearing) {
        return "in an ordinary week of " + Month.of(hearing.facts().today().getMonthValue()).getDisplayName(TextStyle.FULL, Locale.ENGLISH)
                + (hearing.facts().comings().aWeekday().isEmpty() ? ", by rates good to a factor of two"
                        : ", by what was said of this house")
                + asSet(hearing);
    }

    /** Said where phones and hours are not as they come: here they are set, and on the phones somebody has to. */
    private static String asSet(Hearing hearing) {
        AlertPlan plan = hearing.facts().alerts();
        return plan.phones().isEmpty() && plan.does().isEmpty() ? "" : ", with phones and hours set as they stand at Tune";
    }

    static List<Remedy> quieter(Optional<WeekOutcome.OfCamera> loudest) {
        return loudest.map(camera -> List.of(new Remedy("Quieter settings for " + camera.name() + ", at Tune",
                "its zones, kinds and rests keep what passes out"))).orElse(List.of());
    }

    static double aWeek(WeekOutcome week, SourceKind kind) {
        return week.cameras().stream().mapToDouble(camera -> camera.ringsByKind().getOrDefault(kind, 0.0)).sum();
    }

    /** Rings a week of one phone in hours of the day. */
    static double inHours(WeekOutcome.OfPhone phone, IntPredicate hourOfDay) {
        double sum = 0;
        for (int hour = 0; hour < Week.HOURS; hour++) {
            sum += hourOfDay.test(hour % Week.HOURS_A_DAY) ? phone.byHour()[hour] : 0;
        }
        return sum;
    }

    /** Whose phone, where it is somebody's and there are several. */
    static String whose(WeekOutcome week, Optional<WeekOutcome.OfPhone> phone) {
        return week.phones().size() < 2 || phone.isEmpty() ? "" : " on the phone of " + phone.get().name();
    }

    /** What rings most in a week, in words. */
    static String mostly(WeekOutcome week) {
        return Arrays.stream(SourceKind.values()).max(Comparator.comparingDouble(kind -> aWeek(week, kind)))
                .filter(kind -> aWeek(week, kind) > 0)
                .map(kind -> ", " + Numbers.fixed(aWeek(week, kind) / Week.DAYS, 1) + " a day of them for " + kind.words()).orElse("");
    }
}
