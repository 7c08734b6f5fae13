package roofnest.app.tune;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.PackBends;
import roofnest.app.records.PackReadingRepository;
import roofnest.core.judge.Camera;
import roofnest.core.judge.PackUse;
import roofnest.core.lang.Numbers;
import roofnest.core.power.PackAge;
import roofnest.core.power.PackFit;
import roofnest.core.power.UseShares;

/**
 * What one camera's pack goes on.
 *
 * @param head in one sentence
 * @param said what the readings say, and how sure that is
 * @param early what would explain that it is used up faster
 */
record PowerView(String head, String rests, List<Bar> bars, List<Row> saves, List<Trade> trades, List<Snapshot> snapshots, String said,
        List<String> early, List<Read> readings, Pack pack) {
    static final double WIDTH = 640;
    private static final double YEAR_DAYS = 365;
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    /**
     * The pack itself.
     *
     * @param since it is in; null where nobody said
     */
    record Pack(String said, LocalDate since) {}

    /** @param parts side by side */
    record Bar(String name, String days, List<Part> parts) {}

    /** @param index by which it is shaded. */
    record Part(int index, double x, double width, String words) {}

    record Row(String what, String days, String costs) {}

    record Trade(String name, String sets, String clips, String recorded, String days) {}

    record Snapshot(String every, String mah, String asClips, String days) {}

    /** @param counts whether the camera was set then as it is now */
    record Read(long id, String words, boolean counts) {}

    /** @param camera drawing as its readings say. @param stated as its document says */
    static PowerView of(Frame frame, CameraRepository.Record record, Camera stated, List<PackReadingRepository.Row> all) {
        Camera camera = record.camera();
        PackUse use = frame.judge().packUse(frame.facts(), camera);
        PackFit.Fit fit = frame.judge().packFit(frame.facts(), stated, PackBends.counted(all, record));
        String month = frame.facts().today().getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH);
        return new PowerView("A full pack lasts " + days(use.days()) + " without sun, " + days(use.coldestDays())
                + " in the coldest month",
                "Down to " + Numbers.fixed(camera.model().power().warnPercent(), 0)
                        + " %, where the model warns; as it is set, "
                        + (fit.stretches() == 0 ? "by its document" : "drawing as its readings say") + ".",
                List.of(bar("In " + month, use.now(), use.days()), bar("In the coldest month", use.coldest(), use.coldestDays())),
                use.saves().stream().map(saving -> new Row(saving.what(), "+ " + days(saving.days()), saving.costs())).toList(),
                use.trades().stream().map(trade -> new Trade(trade.name(), "clips of " + trade.clipSeconds() + " s, "
                        + trade.coolDownSeconds() + " s between", Numbers.fixed(trade.clipsADay(), 0),
                        Numbers.fixed(trade.recordedMinutes(),
                                1) + " min",
                        days(trade.days()))).toList(),
                use.snapshots().stream().map(each -> new Snapshot(each.everyMinutes() == 1 ? "every minute" : "every "
                        + each.everyMinutes() + " min", Numbers.fixed(each.mahADay(), 0) + " mAh",
                        Numbers.fixed(each.asClips(),
                                each.asClips() < 10 ? 1 : 0) + " clips",
                        days(each.days()))).toList(),
                said(fit, stated), frame.judge().emptyEarly(frame.facts(), stated, fit),
                all.stream().map(row -> new Read(row.id(), DAY.format(row.reading().on()) + ": " + Numbers.plain(row.reading().percent())
                        + " %" + (row.reading().afterCharge() ? ", just charged" : "") + ", read by " + row.by()
                        + (PackBends.counts(row, record) ? "" : row.mark().equals(stated.packMark()) ? "; of the pack before this one"
                                : "; it was set otherwise then, so it does not count"),
                        PackBends.counts(row, record))).toList(),
                pack(frame, record, stated));
    }

    private static String days(double days) {
        return days >= YEAR_DAYS ? "a year or more" : days < 10 ? Numbers.fixed(days, 1) + " days" : Numbers.fixed(days, 0) + " days";
    }

    private static String said(PackFit.Fit fit, Camera stated) {
        if (fit.stretches() == 0) {
            return "Nobody has read it on two days yet without a charge between. Others of its kind draw "
                    + percent(fit.drawLow()) + " to " + percent(fit.drawHigh()) + " % of what their documents say.";
        }
        return "It is taken to draw " + percent(fit.draw()) + " % of what was reckoned, nine in ten from " + percent(fit.drawLow()) + " to "
                + percent(fit.drawHigh()) + " %" + (stated.model().power().panelW() > 0 ? ", its panel to give " + percent(fit.sun())
                        + " %, from " + percent(fit.sunLow()) + " to " + percent(fit.sunHigh()) + " %" : "")
                + ", by " + fit.stretches()
                + (fit.stretches() == 1 ? " stretch" : " stretches") + " between readings. Everything that is reckoned of its pack goes by "
                + "this as long as it is set so.";
    }

    private static Pack pack(Frame frame, CameraRepository.Record record, Camera stated) {
        if (record.packSince() == null) {
            return new Pack("Nobody said since when this pack is in it: it is taken to be new.", null);
        }
        // What its document says it holds is a new pack's, and its age takes from that.
        PackAge age = stated.packAge(record.packSince(), frame.facts().today());
        LocalDate due = record.packSince().plusDays(Math.round(age.dueAfterYears() * YEAR_DAYS));
        return new Pack("In it since " + DAY.format(record.packSince()) + ": " + Numbers.fixed(age.years(), 1) + " years and about "
                + Numbers.fixed(age.cyclesAYear(), age.cyclesAYear() < 10 ? 1 : 0) + " full charges a year leave about " + percent(age
                        .health())
                + " % of what it held when it was new; single packs differ by half as much again. At "
                + percent(PackAge.DUE_SHARE) + " %, about " + MONTH.format(due) + ", another is due.", record.packSince());
    }

    private static String percent(double share) {
        return Numbers.fixed(100 * share, 0);
    }

    private static Bar bar(String name, UseShares use, double days) {
        List<Part> parts = new ArrayList<>();
        double x = 0;
        for (UseShares.Share share : use.shares()) {
            double of = share.mah() / use.mahADay();
            String words = share.cause().words() + " " + Numbers.fixed(share.mah(), share.mah() < 10 ? 1 : 0) + " mAh a day, "
                    + Numbers.fixed(100 * of, 0) + " %";
            parts.add(new Part(share.cause().ordinal(), x, WIDTH * of, words));
            x += WIDTH * of;
        }
        return new Bar(name + ": " + Numbers.fixed(use.mahADay(), 0) + " mAh a day", days(days), parts);
    }
}
