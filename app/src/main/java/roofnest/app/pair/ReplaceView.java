package roofnest.app.pair;

import java.util.List;

import roofnest.core.judge.Replacement;
import roofnest.core.promise.Standing;

/**
 * What a replacement would change.
 *
 * @param worse promises that it breaks or leaves open; @param better those that it keeps and the one before did not
 * @param again tests that are to be made again
 */
record ReplaceView(String model, List<ReplaceView.Row> carried, List<ReplaceView.Turn> worse, List<ReplaceView.Turn> better,
        List<String> again, List<ReplaceView.Row> work) {
    /** @param egg that stands before it */
    record Row(String egg, String what, String why) {}

    record Turn(String egg, String wording, String from, String reason) {}

    static ReplaceView of(Replacement by) {
        return new ReplaceView(by.camera().model().fullName(), by.carried().stream().map(ReplaceView::row).toList(),
                by.turns().stream().filter(Replacement.Turn::worse).map(ReplaceView::turn).toList(),
                by.turns().stream().filter(turn -> !turn.worse()).map(ReplaceView::turn).toList(), by.again(),
                by.work().stream().map(work -> new Row(work.hinders() ? "broken" : "thin", "", work.words())).toList());
    }

    private static Row row(Replacement.Carried carried) {
        return switch (carried.over()) {
            case WHOLE -> new Row("kept", carried.what(), "goes over as it is");
            case CHANGED -> new Row("thin", carried.what(), carried.why());
            case NOT -> new Row("broken", carried.what(), "does not go over: " + carried.why());
        };
    }

    private static Turn turn(Replacement.Turn turn) {
        return new Turn(turn.then() == Standing.UNTRIED ? "untried" : turn.then().word(), turn.wording(), turn.before().word() + " now, "
                + turn.then().word() + " then", turn.reason());
    }
}
