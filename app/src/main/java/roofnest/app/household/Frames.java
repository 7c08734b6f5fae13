package roofnest.app.household;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.core.promise.Stage;

/** Makes the frame of a household's page. */
@Component
public class Frames {
    private final JudgedHouseholds households;

    Frames(JudgedHouseholds households) {
        this.households = households;
    }

    public Frame frame(HouseholdRef ref, Stage stage) {
        return Frame.of(ref, stage, households.of(ref.id()));
    }

    /** The frame, also put into the model for the layout. */
    public Frame frame(HouseholdRef ref, Stage stage, Model model) {
        return frame(ref, stage, model, households.of(ref.id()));
    }

    /** How far the household's work is. */
    public Stage stageOf(HouseholdRef ref) {
        return households.of(ref.id()).household().stage();
    }

    /** The frame of a household that this request has read already. */
    public Frame frame(HouseholdRef ref, Stage stage, Model model, JudgedHousehold judged) {
        Frame frame = Frame.of(ref, stage, judged);
        model.addAttribute("frame", frame);
        return frame;
    }
}
