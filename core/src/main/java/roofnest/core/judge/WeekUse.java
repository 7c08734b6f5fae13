package roofnest.core.judge;

import java.util.OptionalDouble;

import roofnest.core.footage.Retention;
import roofnest.core.power.DailyUse;
import roofnest.core.week.Week;
import roofnest.core.week.WeekOutcome;

/**
 * What one camera's ordinary weeks take of its pack and its card.
 *
 * @param mahADay at a link that holds its rate; empty on mains
 * @param gbADay of a mean day
 * @param keptDays on its card, by the busiest week in twenty; empty without a card, and where nothing is recorded
 */
public record WeekUse(OptionalDouble mahADay, double gbADay, OptionalDouble keptDays) {
    private static final double SECONDS_A_GB_MBIT = 8000;

    /**
     * How long a full pack lasts down to its warning, without any sun, at so much a day.
     *
     * @param recordedS of a day, seconds
     * @return days; empty on mains
     */
    public static OptionalDouble packDays(Camera camera, double clipsADay, double recordedS, double darkShare) {
        if (!camera.model().power().onBattery()) {
            return OptionalDouble.empty();
        }
        double clipS = clipsADay == 0 ? camera.settings().clipSeconds() : Math.max(1, recordedS / clipsADay);
        double mah = new DailyUse(clipsADay, clipS, camera.settings().liveMinutes(), darkShare)
                .chargeMah(camera.model().power(), camera.model().motion(), 1);
        return OptionalDouble.of(camera.model().power().capacityMah() * (100 - camera.model().power().warnPercent()) / 100 / mah);
    }

    /** As it is set, but reckoned by what it notices in these weeks: of a mean one, and of the worst of them. */
    public static Camera.Settings taken(Camera.Settings settings, WeekOutcome.OfCamera week) {
        Camera.Settings mean = settings.withVisitsPerDay(Math.min(Camera.Settings.MOST_VISITS, week.noticedADay()));
        double meanS = Week.DAYS * mean.clipsPerDay() * mean.clipSeconds();
        return meanS == 0 ? mean : mean.byWeeks(mean.visitsPerDay(), Math.min(Camera.Settings.MOST_WORST_WEEK_SHARE, week.recordedS().most()
                / meanS));
    }

    public static WeekUse of(Camera camera, WeekOutcome.OfCamera week) {
        double clipsADay = week.clips().aDay();
        double clipS = clipsADay == 0 ? camera.settings().clipSeconds() : Math.max(1, week.recordedS().aDay() / clipsADay);
        OptionalDouble mah = camera.model().power().onBattery()
                ? OptionalDouble.of(new DailyUse(clipsADay, clipS, camera.settings().liveMinutes(), week.darkShare())
                        .chargeMah(camera.model().power(), camera.model().motion(), 1))
                : OptionalDouble.empty();
        double gbASecond = camera.model().recording().bitrateMbps() / SECONDS_A_GB_MBIT;
        double busyDayGb = week.recordedS().high() / Week.DAYS * gbASecond;
        int card = camera.settings().cardGb();
        return new WeekUse(mah, week.recordedS().aDay() * gbASecond, card == 0 || busyDayGb == 0 ? OptionalDouble.empty()
                : OptionalDouble.of(Retention.USABLE_SHARE * card / busyDayGb));
    }
}
