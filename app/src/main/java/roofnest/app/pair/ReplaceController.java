package roofnest.app.pair;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Collectors;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.DeviceBeforeRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.web.Form;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Replacement;
import roofnest.core.promise.Stage;

/** Another device in the place of one: what would go over and what would no longer hold, before anything is changed. */
@Controller
class ReplaceController {
    private final Frames frames;
    private final Models models;
    private final Leaving leaving;
    private final DeviceBeforeRepository before;
    private final HubRepository hubs;
    private final Clock clock;

    ReplaceController(Frames frames, Models models, Leaving leaving, DeviceBeforeRepository before, HubRepository hubs, Clock clock) {
        this.hubs = hubs;
        this.frames = frames;
        this.models = models;
        this.leaving = leaving;
        this.before = before;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/pair/cameras/{camera}/replace")
    String show(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "") String by, Model model) {
        return page(ref, cameraId, by, Form.empty(), model);
    }

    @PostMapping("/households/{household}/pair/cameras/{camera}/replace")
    String replace(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model, RedirectAttributes flash) {
        CameraRepository.Record record = frames.frame(ref, Stage.PAIR).judged().camera(cameraId);
        Optional<DeviceModel> by = model(ref, form.raw("by"));
        if (by.isEmpty()) {
            form.fault("by", "Choose the model that comes.");
        }
        DeviceBeforeRepository.Why why = form.choice("why", "why another one comes", DeviceBeforeRepository.Why.class);
        LocalDate on = form.date("on", "the day");
        if (form.faultAt("on") == null && on.isAfter(LocalDate.now(clock))) {
            form.fault("on", "This day is still to come: write it down when it is done.");
        }
        int version = form.version();
        if (!form.save(() -> leaving.replaced(ref, () -> {
            Frame now = frames.frame(ref, Stage.PAIR);
            return swap(now, now.judged().camera(cameraId), by.orElseThrow());
        }, why, on, form.has("card"), version))) {
            return page(ref, cameraId, form.raw("by"), form, model);
        }
        flash.addFlashAttribute("notice", record.camera().name() + " is a " + by.orElseThrow().fullName()
                + " now. It is to be joined, hung and tested.");
        return "redirect:" + ref.path() + "/pair";
    }

    private Optional<DeviceModel> model(HouseholdRef ref, String key) {
        return models.of(ref.staff().firmId()).stream().filter(each -> each.key().equals(key)).findFirst();
    }

    private Replacement swap(Frame frame, CameraRepository.Record record, DeviceModel by) {
        return Replacement.of(frame.judge(), frame.facts(), record.camera(), record.planned(), by, hubs.of(frame.ref().id()).stream()
                .map(HubRepository.Hub::modelKey).collect(Collectors.toSet()));
    }

    private String page(HouseholdRef ref, long cameraId, String by, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.PAIR, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        String key = by.isEmpty() ? record.camera().model().key() : by;
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("models", models.of(ref.staff().firmId()));
        model.addAttribute("by", key);
        model.addAttribute("whys", DeviceBeforeRepository.Why.values());
        model.addAttribute("today", LocalDate.now(clock));
        model.addAttribute("swap", model(ref, key).map(each -> ReplaceView.of(swap(frame, record, each))).orElse(null));
        model.addAttribute("before", before.of(ref.id()).stream().filter(each -> each.cameraId() == cameraId).toList());
        return "replace";
    }
}
