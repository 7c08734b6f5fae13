package roofnest.app.tune;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

import roofnest.app.household.Frame;
import roofnest.app.web.Form;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Bell;
import roofnest.core.alert.Content;
import roofnest.core.alert.ModeWeek;
import roofnest.core.alert.RingDelay;
import roofnest.core.catalogue.BellSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Ears;
import roofnest.core.lang.Numbers;
import roofnest.core.lang.Text;

/**
 * How one bell is answered.
 *
 * @param said how soon somebody can speak to whoever rang
 * @param faults that are to be put right
 */
record BellView(long id, String name, BellSpec spec, Bell bell, String said, List<String> faults) {
    static List<BellView> of(Frame frame, AlertPlan plan) {
        return frame.facts().cameras().stream().filter(camera -> camera.model().alerts().bell() != null)
                .map(camera -> of(frame, plan, camera)).toList();
    }

    private static BellView of(Frame frame, AlertPlan plan, Camera camera) {
        BellSpec spec = camera.model().alerts().bell();
        Bell bell = plan.bells().getOrDefault(camera.id(), Bell.usual(spec));
        double answered
                = Bell.answeredS(RingDelay.of(camera.model(), camera.settings().clipSeconds(), Content.TEXT, RingDelay.USUAL_UP_MBPS));
        List<String> faults = new ArrayList<>();
        if (bell.message().isPresent() && bell.messageAfterS() < answered) {
            faults.add("It speaks after " + bell.messageAfterS() + " s, before most could have answered: let it wait "
                    + Numbers.fixed(Math.ceil(answered), 0) + " s.");
        }
        String unheard = ModeWeek.said(frame.judge().unheardBell(frame.facts(), camera));
        if (!unheard.isEmpty()) {
            faults.add("Nobody hears it " + unheard + ": every phone that it rings is quiet then, and nothing chimes in the house.");
        }
        return new BellView(
                camera.id(), camera.name(), spec, bell, "Reckoned: nine in ten who are rung can speak to whoever pressed it within "
                        + Numbers.fixed(answered, 0) + " s, " + Numbers.fixed(Bell.TAKES_PHONE_S, 0) + " s of them for taking the phone."
                        + (Ears.given(frame.facts(), camera) ? ""
                                : " Nobody of the household was given it yet; it rings no phone that is known."),
                faults);
    }

    /** One answer a line. */
    public String repliesTyped() {
        return String.join("\n", bell.replies());
    }

    /** What somebody set; empty where something is wrong, which then stands at its field. */
    static Optional<UnaryOperator<AlertPlan>> read(Form form, Camera camera) {
        BellSpec spec = camera.model().alerts().bell();
        BellSpec.Chime chime = form.choice("chime", "what rings in the house", BellSpec.Chime.class);
        if (form.ok() && !spec.chimes().contains(chime)) {
            form.fault("chime", "This bell does not ring " + chime.words() + ".");
        }
        String message = spec.message() ? form.optionalText("message", Bell.MOST_MESSAGE_CHARS) : "";
        int after = message.isEmpty() ? Bell.usual(spec).messageAfterS()
                : form.whole("after", "after how long it speaks,", 0, Bell.MOST_AFTER_S, "s");
        List<String> replies = Arrays.stream(form.raw("replies").split("\\R")).map(String::strip).filter(line -> !line.isEmpty()).toList();
        if (replies.size() > spec.replies()) {
            form.fault("replies", "It keeps " + spec.replies() + (spec.replies() == 1 ? " answer" : " answers") + " ready, one a line.");
        }
        if (replies.stream().anyMatch(Text::hasControls)) {
            form.fault("replies", "One of them has characters that cannot be shown.");
        }
        replies.stream().filter(line -> line.length() > spec.replyChars()).findFirst().ifPresent(line -> form.fault("replies",
                "“" + line.substring(0, Math.min(20, line.length())) + "…” has " + line.length() + " characters; " + spec.replyChars()
                        + " fit."));
        if (!form.ok()) {
            return Optional.empty();
        }
        Bell bell = new Bell(chime, Optional.of(message).filter(text -> !text.isEmpty()), after, replies);
        return Optional.of(plan -> plan.withBell(camera.id(), bell));
    }
}
