package roofnest.app.pair;

import java.util.function.Supplier;

import org.springframework.ui.Model;

import roofnest.core.catalogue.Cue;
import roofnest.core.pairing.Step;

/** What the page of a run needs beside the run itself. */
final class RunPage {
    private RunPage() {}

    static void addForm(Model model, Runs.Open open, Supplier<String> password, Supplier<String> name) {
        if (open.state().step().form() == Step.Form.DEVICE_PASSWORD) {
            model.addAttribute("suggestedPassword", password.get());
            model.addAttribute("passwordRule", open.device().passwordRule().words());
        }
        if (open.state().step().form() == Step.Form.NAME) {
            model.addAttribute("suggestedName", name.get());
        }
        model.addAttribute("lights", Cue.Light.values());
        model.addAttribute("rhythms", Cue.Rhythm.values());
    }
}
