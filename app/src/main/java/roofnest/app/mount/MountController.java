package roofnest.app.mount;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.SpotLookRepository;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.StaleEdit;
import roofnest.core.mount.Base;
import roofnest.core.mount.Covering;
import roofnest.core.mount.SaidWall;
import roofnest.core.mount.SpotLook;
import roofnest.core.promise.Stage;

@Controller
class MountController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final SpotLookRepository looks;

    MountController(Frames frames, Changes changes, CameraRepository cameras, SpotLookRepository looks) {
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
        this.looks = looks;
    }

    @GetMapping("/households/{household}/mount")
    String mount(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    /** Sets the height that was chosen. */
    @PostMapping("/households/{household}/mount/{camera}/height")
    @Says("The height is kept, and the promises judged by it.")
    String height(
            HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        double height = form.decimal("heightM", "a height", 0.2, 12, "m");
        int version = form.version();
        boolean saved = form.save(() -> changes.run(ref, Stage.MOUNT, () -> {
            cameras.aim(ref.id(), cameraId, cameras.get(ref.id(), cameraId).planned().atHeight(height), version);
        }));
        boolean fromWall = form.raw("from").equals("wall");
        return saved ? "redirect:" + ref.path() + "/mount" + (fromWall ? "/" + cameraId + "/wall" : "") : page(ref, model, form);
    }

    /** Says what the wall is, now that somebody stands before it. */
    @PostMapping("/households/{household}/mount/{camera}/wall")
    @Says("The wall is written down; fixings and kit follow it.")
    String wall(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        Optional<Base> base = Arrays.stream(Base.values()).filter(each -> each.slug().equals(form.raw("base"))).findFirst();
        Optional<Covering> covering = Arrays.stream(Covering.values()).filter(each -> each.slug().equals(form.raw("covering"))).findFirst();
        int thick = covering.filter(each -> each != Covering.NONE).isPresent()
                ? form.whole("coveringMm", "how thick it is", 0, SaidWall.THICKEST_MM, "mm") : 0;
        if (base.isEmpty()) {
            form.fault("base", "Choose what carries the screws.");
        }
        if (covering.isEmpty()) {
            form.fault("covering", "Choose what lies on it, or nothing.");
        }
        int version = form.version();
        boolean saved = form.save(() -> changes.run(ref, Stage.MOUNT, () -> cameras.sayWall(ref.id(), cameraId,
                new SaidWall(base.orElseThrow(), covering.orElseThrow(), thick), ref.by(), version)));
        return saved ? "redirect:" + ref.path() + "/mount" : page(ref, model, form);
    }

    /** Says what is where steps or a ladder go up. */
    @PostMapping("/households/{household}/mount/{camera}/look")
    @Says("What was seen at the foot is written down, and the promise judged by it.")
    String look(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        if (!List.of("none", "near").contains(form.raw("lines"))) {
            form.fault("lines", "Look up: say whether overhead lines are near.");
        }
        if (!List.of("firm", "soft").contains(form.raw("ground"))) {
            form.fault("ground", "Say whether the ground is firm, dry and level.");
        }
        int version = form.version();
        boolean saved = form.save(() -> changes.run(ref, Stage.MOUNT, () -> {
            CameraRepository.Record record = cameras.get(ref.id(), cameraId);
            cameras.touch(ref.id(), cameraId, version);
            looks.keep(ref.id(), cameraId, new SpotLook(form.raw("lines").equals("near"), form.raw("ground").equals("firm"),
                    record.planned().onPlan(), record.planned().heightM(), ref.by()));
        }));
        return saved ? "redirect:" + ref.path() + "/mount" : page(ref, model, form);
    }

    /** Says that it hangs: only after it joined, so never before a live picture. */
    @PostMapping("/households/{household}/mount/{camera}/hung")
    @Says("Noted as hung.")
    String hung(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        boolean saved = form.save(() -> changes.run(ref, Stage.MOUNT, () -> {
            if (cameras.get(ref.id(), cameraId).camera().joined()) {
                cameras.markMounted(ref.id(), cameraId);
            } else {
                form.fault("hung-" + cameraId,
                        "It is not joined yet. Pair it and look at the live picture at its place before any hole is drilled.");
            }
        }));
        return saved ? "redirect:" + ref.path() + "/mount" : page(ref, model, form);
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.MOUNT, model);
        List<MountView> mounts = frame.cameras().stream().map(record -> MountView.of(frame, record)).toList();
        model.addAttribute("form", form);
        model.addAttribute("blank", Form.empty());
        model.addAttribute("mounts", mounts);
        model.addAttribute("bases", Base.values());
        model.addAttribute("coverings", Covering.values());
        return "mount";
    }
}
