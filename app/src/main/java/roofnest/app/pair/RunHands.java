package roofnest.app.pair;

import org.springframework.stereotype.Component;

import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;

/** Takes runs of households forward without their pages, as the demo world does. */
@Component
public class RunHands {
    private final RunDesk desk;
    private final Runs runs;

    RunHands(RunDesk desk, Runs runs) {
        this.desk = desk;
        this.runs = runs;
    }

    public void answer(HouseholdRef ref, long run, String step, String answer) {
        desk.answer(runs.port(ref, run), step, answer);
    }

    public void handsOn(HouseholdRef ref, long run) {
        desk.handsOn(runs.port(ref, run));
    }

    public void skipAhead(HouseholdRef ref, long run) {
        desk.skipAhead(runs.port(ref, run));
    }

    public void fill(HouseholdRef ref, long run, String step, Form form) {
        desk.fill(runs.port(ref, run), step, form);
    }
}
