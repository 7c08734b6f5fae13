package roofnest.app.household;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

import roofnest.app.web.HouseholdRef;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.promise.Stage;

/** Makes the frame of a household's page. */
@Component
public class Frames {
    private final HouseholdRepository households;
    private final FactsLoader loader;
    private final Judges judges;

    Frames(HouseholdRepository households, FactsLoader loader, Judges judges) {
        this.households = households;
        this.loader = loader;
        this.judges = judges;
    }

    public Frame frame(HouseholdRef ref, Stage stage) {
        HouseholdFacts facts = loader.load(ref.id());
        return Frame.of(ref, households.get(ref.id()), stage, facts, judges.of(facts));
    }

    /** The frame, also put into the model for the layout. */
    public Frame frame(HouseholdRef ref, Stage stage, Model model) {
        Frame frame = frame(ref, stage);
        model.addAttribute("frame", frame);
        return frame;
    }
}
