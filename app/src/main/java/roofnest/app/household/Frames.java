package roofnest.app.household;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

import roofnest.app.web.HouseholdRef;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.promise.Stage;

/** Makes the frame of a household's page. */
@Component
public class Frames {
    private final HouseholdRepository households;
    private final FactsLoader loader;

    Frames(HouseholdRepository households, FactsLoader loader) {
        this.households = households;
        this.loader = loader;
    }

    public Frame frame(HouseholdRef ref, Stage stage) {
        HouseholdFacts facts = loader.load(ref.id());
        return Frame.of(ref, households.get(ref.id()), stage, facts, HouseholdJudge.judge(facts));
    }

    /** The frame, also put into the model for the layout. */
    public Frame frame(HouseholdRef ref, Stage stage, Model model) {
        Frame frame = frame(ref, stage);
        model.addAttribute("frame", frame);
        return frame;
    }
}
