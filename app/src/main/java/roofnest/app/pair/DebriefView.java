package roofnest.app.pair;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import roofnest.core.lang.Numbers;
import roofnest.standins.rehearsal.Debrief;
import roofnest.standins.rehearsal.SimulatedInstaller;

/**
 * What was done against the shortest way.
 *
 * @param hidden what had been hidden, now told
 */
record DebriefView(String head, String verdict, List<String> hidden, List<Part> parts) {
    private static final double WIDTH = 1000;

    /** @param own segments of what was done @param shortest segments of the shortest way */
    record Part(String title, List<Segment> own, List<Segment> shortest, String ownMinutes, String shortestMinutes, List<WrongLine> wrong,
            List<String> shortestSteps) {}

    record Segment(double x, double width, boolean right, String title) {}

    record WrongLine(String step, String said, String told, String lost) {}

    static DebriefView of(RehearsalRepository.Rehearsal rehearsal, List<Rehearsals.PartDebrief> parts) {
        double lost = rehearsal.minutes() - rehearsal.shortest();
        String verdict = (rehearsal.wrong() == 0 ? "No wrong move"
                : rehearsal.wrong() + (rehearsal.wrong() == 1 ? " wrong move" : " wrong moves")) + ". "
                + (lost > 1.5 ? Numbers.fixed(lost, 0) + " min longer than the shortest way."
                        : lost > 0.1 ? Numbers.fixed(60 * lost, 0) + " s longer than the shortest way." : "As quick as it can be done.");
        return new DebriefView(minutes(rehearsal.minutes()) + " for what takes " + minutes(rehearsal.shortest()) + " at the shortest",
                verdict,
                rehearsal.hidden().stream().map(fault -> fault.words()).sorted().toList(), parts.stream().map(DebriefView::part).toList());
    }

    private static Part part(Rehearsals.PartDebrief part) {
        double span = Math.max(1, Math.max(part.own().minutes(), part.shortest().minutes()) * 60_000);
        List<Segment> own = new ArrayList<>();
        for (Debrief.Taken taken : part.own().taken()) {
            own.add(segment(taken.fromMs(), taken.toMs(), span, taken.right(), taken.title()));
        }
        List<Segment> shortest = new ArrayList<>();
        for (SimulatedInstaller.Taken taken : part.shortest().taken()) {
            shortest.add(segment(taken.fromMs(), taken.toMs(), span, true, taken.title()));
        }
        return new Part(part.part().device().fullName() + " by " + part.part().way().words(), own, shortest, minutes(part.own().minutes()),
                minutes(part.shortest().minutes()),
                part.own().wrong().stream()
                        .map(wrong -> new WrongLine(wrong.step(), wrong.said(), wrong.told(), minutes(wrong.lostMinutes()))).toList(),
                part.shortest().steps());
    }

    private static Segment segment(long fromMs, long toMs, double span, boolean right, String title) {
        return new Segment(WIDTH * fromMs / span, Math.max(2, WIDTH * (toMs - fromMs) / span - 1), right,
                title + ", " + String.format(Locale.ROOT, "%d:%02d", toMs / 60_000, toMs / 1000 % 60));
    }

    private static String minutes(double minutes) {
        return String.format(Locale.ROOT, "%d:%02d min", (int) minutes, (int) Math.round((minutes - Math.floor(minutes)) * 60) % 60);
    }
}
