package roofnest.app.tune;

import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.footage.Keeping;
import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;
import roofnest.core.judge.Camera;
import roofnest.core.judge.FootageKept;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.PanelAdvice;
import roofnest.core.lang.Numbers;
import roofnest.core.power.BatteryYear;
import roofnest.core.promise.Unit;

/** One camera's settings with what they come to. */
record TuneView(CameraRepository.Record record, List<Figure> figures, Optional<Year> year) {
    /** A lean that leaves less than this more in the pack is not worth a word, percent. */
    private static final double WORTH_TURNING_PERCENT = 1;

    /** @param why where the figure comes from */
    record Figure(String what, String value, String why) {}

    /**
     * The year's charge as a line, on a field of {@link #WIDTH} × {@link #HEIGHT}.
     *
    * @param band in which nine days in ten lie, each by itself, and {@code middle} of it
     * @param warnY where the model warns
     * @param said which year it is
     */
    record Year(String line, String band, String middle, double warnY, String warn, String said, List<Tick> months, List<Month> lows,
            double lowestX,
            double lowestY,
            String lowest) {
        static final double WIDTH = 720;
        static final double HEIGHT = 220;
    }

    record Tick(double x, String label) {}

    record Month(String name, String low, String standing) {}

    static TuneView of(Frame frame, CameraRepository.Record record, HouseholdJudge judge) {
        Camera camera = record.camera();
        List<Figure> figures = new ArrayList<>();
        figures.add(new Figure("clips a day", Numbers.fixed(camera.settings().clipsPerDay(), 0),
                Numbers.plain(camera.settings().visitsPerDay()) + " visits, less those that fall into a clip or its cool-down"));
        FootageKept.of(frame.facts(), camera).longest().ifPresent(at -> figures.add(new Figure("kept", FootageWords.days(at), kept(frame,
                camera, at))));
        figures.add(new Figure("one clip",
                Numbers.fixed(Retention.clipMb(camera.settings().clipSeconds(), camera.model().recording().bitrateMbps()), 1) + " MB",
                camera.settings().clipSeconds() + " s at " + Numbers.plain(camera.model().recording().bitrateMbps()) + " Mbit/s"));
        Optional<Year> year = Optional.empty();
        if (camera.model().power().onBattery()) {
            BatteryYear.Outcome outcome = judge.batteryYear(frame.facts(), camera);
            figures.add(new Figure("uses a day", Numbers.fixed(outcome.drawMahPerDay(), 0) + " mAh",
                    "standby, clips, live view and light, of a " + Numbers.fixed(camera.model().power().capacityMah(), 0) + " mAh pack"));
            year = Optional.of(year(outcome, camera, judge.batteryBand(frame.facts(), camera), judge.frozenDays(frame.facts(), camera)));
            judge.panelAdvice(frame.facts(), camera).ifPresent(advice -> figures.add(advised(advice, outcome)));
        }
        return new TuneView(record, figures, year);
    }

    /** Where it is kept for longest, and by what that is reckoned. */
    private static String kept(Frame frame, Camera camera, FootageKept.At at) {
        if (at.place() == Survival.Place.CLOUD) {
            return "with its paid plan";
        }
        Keeping keeping = frame.facts().footage().of(camera.id());
        String writes = keeping.when() != Keeping.When.EVENT ? "recording " + keeping.when().words() : camera.settings().worstWeekShare()
                .isPresent() ? "in the worst of the drawn weeks" : "in a bad week";
        return "on " + at.place().words() + ", " + at.gb() + " GB, " + Numbers.fixed(100 * Retention.USABLE_SHARE, 0) + " % of it usable, "
                + Numbers.fixed(at.gbADay(), 2) + " GB a day " + writes;
    }

    private static Figure advised(PanelAdvice advice, BatteryYear.Outcome now) {
        String best = advice.slopeDeg() == 0 ? "lying level"
                : "leaning " + Numbers.fixed(advice.slopeDeg(), 0) + "°, facing " + Numbers.fixed(advice.headingDeg(), 0) + "° of the plan";
        String elsewhere = advice.elsewhere().map(place -> "; " + Numbers.fixed(place.leadM(), 0) + " m of lead " + place.way()
                + " would make it " + Unit.PERCENT.format(place.lowestPercent()))
                .orElse("; no place within 3 m of lead is worth the cable");
        if (advice.lowestPercent() < now.lowest().percent() + WORTH_TURNING_PERCENT) {
            return new Figure("panel", "no lean does better",
                    "lowest in the bad year " + Unit.PERCENT.format(now.lowest().percent()) + elsewhere);
        }
        return new Figure("panel does best", best, "lowest in the bad year " + Unit.PERCENT.format(advice.lowestPercent()) + ", now "
                + Unit.PERCENT.format(now.lowest().percent()) + elsewhere);
    }

    private static Year year(BatteryYear.Outcome outcome, Camera camera, List<BatteryYear.Band> band, double frozen) {
        StringBuilder line = new StringBuilder();
        List<Tick> months = new ArrayList<>();
        int n = outcome.days().size();
        double lowestX = 0;
        for (int i = 0; i < n; i++) {
            BatteryYear.Day day = outcome.days().get(i);
            double x = Year.WIDTH * i / (n - 1);
            line.append(i == 0 ? 'M' : 'L').append(String.format(Locale.ROOT, "%.1f %.1f", x, y(day.percent())));
            if (day.date().getDayOfMonth() == 1) {
                months.add(new Tick(x, day.date().getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH)));
            }
            if (day.equals(outcome.lowest())) {
                lowestX = x;
            }
        }
        double warn = camera.model().power().warnPercent();
        List<Month> lows = outcome.lowestByMonth().stream().map(day -> new Month(
                day.date().getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH), Unit.PERCENT.format(day.percent()),
                day.percent() < warn ? "broken" : day.percent() < warn + 10 ? "thin" : "kept")).toList();
        return new Year(line.toString(), edges(band), path(band, BatteryYear.Band::middle, false), y(warn),
                "warns at " + Unit.PERCENT.format(warn), "The bad one of " + outcome.years() + " years of this climate’s weather: one in "
                        + BatteryYear.ONE_IN + " is as bad. In the one in the middle the lowest is "
                        + Unit.PERCENT.format(outcome.middleLowestPercent()) + ". Frost at night, snaps and grey weeks are in it. The band "
                        + "holds nine years in ten on each day by itself, the thin line half of them."
                        + (frozen >= 1 ? " On " + Numbers.fixed(frozen, 0) + " days of a mean year it freezes as long as it is light, and "
                                + "the panel gives nothing." : ""),
                months, lows, lowestX, y(outcome.lowest().percent()),
                Unit.PERCENT.format(outcome.lowest().percent()) + " on " + outcome.lowest().date().getDayOfMonth() + " "
                        + outcome.lowest().date().getMonth().getDisplayName(TextStyle.SHORT, Locale.ENGLISH));
    }

    /** The upper edge there and the lower back. */
    private static String edges(List<BatteryYear.Band> band) {
        return path(band, BatteryYear.Band::high, false) + path(band, BatteryYear.Band::low, true).replace('M', 'L') + "Z";
    }

    private static String path(List<BatteryYear.Band> band, ToDoubleFunction<BatteryYear.Band> percent, boolean back) {
        StringBuilder path = new StringBuilder();
        int n = band.size();
        for (int i = 0; i < n; i++) {
            int day = back ? n - 1 - i : i;
            path.append(i == 0 ? 'M' : 'L')
                    .append(String.format(Locale.ROOT, "%.1f %.1f", Year.WIDTH * day / (n - 1), y(percent.applyAsDouble(
                            band.get(day)))));
        }
        return path.toString();
    }

    private static double y(double percent) {
        return Year.HEIGHT * (1 - percent / 100);
    }
}
