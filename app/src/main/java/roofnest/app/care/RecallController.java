package roofnest.app.care;

import java.util.List;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;

/** Something turned out bad: who of all households has it, what they are told, and how far it is. */
@Controller
class RecallController {
    private static final int LONGEST = 400;
    private static final int LONGEST_ROUTER = 60;
    private static final int LONGEST_RELEASE = 40;

    private final RecallRepository recalls;
    private final Models models;

    RecallController(RecallRepository recalls, Models models) {
        this.recalls = recalls;
        this.models = models;
    }

    @GetMapping("/recalls")
    String all(@AuthenticationPrincipal Staff staff, Model model) {
        return page(staff, model, Form.empty());
    }

    @PostMapping("/recalls")
    @Says("The recall is open. Nobody was told yet.")
    String open(@AuthenticationPrincipal Staff staff, Form form, Model model) {
        RecallRepository.Kind kind = form.choice("kind", "what turned out bad", RecallRepository.Kind.class);
        String match = switch (kind) {
            case MODEL, FIRMWARE -> model(staff, form);
            case ROUTER -> form.text("router", "which router", LONGEST_ROUTER);
            case PASSWORD -> "";
        };
        String release = kind == RecallRepository.Kind.FIRMWARE ? form.text("release", "which firmware", LONGEST_RELEASE) : "";
        String what = form.text("what", "what is wrong with it", LONGEST);
        String doing = form.text("doing", "what is to be done", LONGEST);
        long[] id = new long[1];
        return form.save(() -> id[0] = recalls.open(staff.firmId(), kind, match, release, what, doing, staff.name())) ? "redirect:/recalls/"
                + id[0] : page(staff, model, form);
    }

    private String model(Staff staff, Form form) {
        String key = form.raw("model");
        if (models.of(staff.firmId()).stream().noneMatch(each -> each.key().equals(key))) {
            form.fault("model", "Choose a model.");
        }
        return key;
    }

    @GetMapping("/recalls/{recall}")
    String one(@AuthenticationPrincipal Staff staff, @PathVariable("recall") long id, Model model) {
        RecallRepository.Recall recall = recalls.get(staff.firmId(), id);
        model.addAttribute("view", RecallView.of(recall, recalls.affected(staff.firmId(), recall), recalls.unknown(staff.firmId(), recall),
                recalls.gone(staff.firmId(), recall), key -> models.get(key).fullName()));
        model.addAttribute("form", Form.empty());
        return "recall";
    }

    /** @param step {@code told}, {@code done} or {@code back} */
    @PostMapping("/recalls/{recall}/{step:told|done|back}")
    @Says("Written down.")
    @Transactional
    public String step(@AuthenticationPrincipal Staff staff, @PathVariable("recall") long id, @PathVariable("step") String step,
            Form form) {
        RecallRepository.Recall recall = recalls.get(staff.firmId(), id);
        if (!recall.open()) {
            throw new Conflict("This recall was closed meanwhile. Take it up again first.");
        }
        long household = number(form, "household");
        long camera = number(form, "camera");
        if (recalls.affected(staff.firmId(), recall).stream()
                .noneMatch(each -> each.householdId() == household && each.cameraId() == camera)) {
            throw new BadInput("That household does not have it, or has it no more.");
        }
        if (!step.equals("back")) {
            recalls.step(id, household, camera, step.equals("done"), staff.name());
        } else if (!recalls.takeBack(id, household, camera)) {
            throw new Conflict("Somebody else took this back meanwhile.");
        }
        return "redirect:/recalls/" + id;
    }

    /** Everybody who was not told yet is told, by letters that were sent. */
    @PostMapping("/recalls/{recall}/sent")
    @Says("Written down: all of them were told by letter.")
    @Transactional
    public String sent(@AuthenticationPrincipal Staff staff, @PathVariable("recall") long id) {
        RecallRepository.Recall recall = recalls.get(staff.firmId(), id);
        List<RecallRepository.Affected> untold = recalls.affected(staff.firmId(), recall).stream().filter(each -> each.toldAt() == null
                && each.doneAt() == null).toList();
        if (!recall.open() || untold.isEmpty()) {
            throw new Conflict("Nobody is left to be told.");
        }
        untold.forEach(each -> recalls.step(id, each.householdId(), each.cameraId(), false, staff.name()));
        return "redirect:/recalls/" + id;
    }

    @PostMapping("/recalls/{recall}/close")
    @Says("The recall is closed.")
    String close(@AuthenticationPrincipal Staff staff, @PathVariable("recall") long id, Form form) {
        recalls.close(staff.firmId(), id, true, staff.name(), form.version());
        return "redirect:/recalls/" + id;
    }

    @PostMapping("/recalls/{recall}/reopen")
    @Says("The recall is open again.")
    String reopen(@AuthenticationPrincipal Staff staff, @PathVariable("recall") long id, Form form) {
        recalls.close(staff.firmId(), id, false, staff.name(), form.version());
        return "redirect:/recalls/" + id;
    }

    private static long number(Form form, String field) {
        if (!form.raw(field).matches("[0-9]{1,18}")) {
            throw new BadInput("That household does not have it, or has it no more.");
        }
        return Long.parseLong(form.raw(field));
    }

    private String page(Staff staff, Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("recalls", recalls.of(staff.firmId()).stream().map(each -> RecallView.line(each, key -> models.get(key)
                .fullName())).toList());
        model.addAttribute("models", models.of(staff.firmId()));
        model.addAttribute("kinds", RecallRepository.Kind.values());
        return "recalls";
    }
}
