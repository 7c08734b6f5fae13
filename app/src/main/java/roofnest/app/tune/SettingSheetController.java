package roofnest.app.tune;

import java.util.List;
import java.util.TreeSet;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CameraSetupRepository;
import roofnest.app.records.CameraViewRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Patrol;
import roofnest.core.judge.PictureSetup;
import roofnest.core.judge.SettingSheet;
import roofnest.core.promise.Stage;
import roofnest.core.view.MaskCell;

/** How one camera's picture is set, and the sheet of all that is set at it, ticked on site. */
@Controller
class SettingSheetController {
    private final Frames frames;
    private final Changes changes;
    private final CameraRepository cameras;
    private final CameraSetupRepository setups;
    private final CameraViewRepository views;
    private final JudgedHouseholds judged;

    SettingSheetController(Frames frames, Changes changes, CameraRepository cameras, CameraSetupRepository setups,
            CameraViewRepository views, JudgedHouseholds judged) {
        this.frames = frames;
        this.changes = changes;
        this.cameras = cameras;
        this.setups = setups;
        this.views = views;
        this.judged = judged;
    }

    @GetMapping("/households/{household}/tune/{camera}/sheet")
    String sheet(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        return page(ref, cameraId, form, model);
    }

    @PostMapping("/households/{household}/tune/{camera}/sheet/picture")
    @Says("The picture is to be set so; tick it off once it is, at the camera.")
    String picture(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        PictureSetup set = read(form, judged.of(ref.id()).camera(cameraId).camera());
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            cameras.touch(ref.id(), cameraId, version);
            setups.set(ref.id(), cameraId, set);
        })) ? back(ref, cameraId, "#picture") : page(ref, cameraId, form, model);
    }

    /** Blacks out what shows ground that is promised never to be shown, and no cell more. */
    @PostMapping("/households/{household}/tune/{camera}/sheet/mask")
    @Says("Blacked out here; black it out in the camera’s own app too.")
    String mask(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            JudgedHousehold now = judged.of(ref.id());
            Camera camera = now.camera(cameraId).camera();
            TreeSet<MaskCell> cells = new TreeSet<>(camera.masked());
            cells.addAll(now.judge().maskCost(now.facts(), camera).cells());
            cameras.mask(ref.id(), cameraId, cells, version);
        })) ? back(ref, cameraId, "#picture") : page(ref, cameraId, form, model);
    }

    /** Somebody set one thing at the camera, to the value that the page showed. */
    @PostMapping("/households/{household}/tune/{camera}/sheet/{step}/tick")
    @Says("Ticked: it is set so at the camera.")
    String tick(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable("step") String step, Form form, Model model) {
        return form.save(() -> changes.run(ref, Stage.TUNE, () -> {
            JudgedHousehold now = judged.of(ref.id());
            SettingSheet.Step asked
                    = SettingSheet.of(now.camera(cameraId).camera(), now.facts().alerts(), lookingAt(ref, cameraId), now
                            .facts().footage().of(cameraId)).stream()
                            .filter(each -> each.key().equals(step)).findFirst().orElseThrow(NoSuchPage::new);
            if (!asked.value().equals(form.raw("value"))) {
                throw new Conflict("It is to be set to something else now: " + asked.value() + ".");
            }
            setups.tick(ref.id(), cameraId, step, asked.value(), ref.by(), now.camera(cameraId).joinedAt());
        })) ? back(ref, cameraId, "#step-" + step) : page(ref, cameraId, form, model);
    }

    @PostMapping("/households/{household}/tune/{camera}/sheet/{step}/untick")
    @Says("The tick is taken back.")
    String untick(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable("step") String step) {
        changes.run(ref, Stage.TUNE, () -> {
            if (!setups.untick(ref.id(), cameraId, step)) {
                throw new NoSuchPage();
            }
        });
        return back(ref, cameraId, "#sheet");
    }

    private List<Patrol.View> lookingAt(HouseholdRef ref, long cameraId) {
        return views.views(ref.id()).getOrDefault(cameraId, List.of());
    }

    private static PictureSetup read(Form form, Camera camera) {
        PictureSpec spec = camera.model().picture();
        PictureSpec.Light light = form.choice("light", "by what light it sees the night", PictureSpec.Light.class);
        if (form.ok() && camera.model().nights().stream().noneMatch(night -> night.light() == light)) {
            form.fault("light", "Its model does not see the night so.");
        }
        int width = form.raw("size").isBlank() ? 0 : form.whole("size", "the size of the picture", 0, 8000, "px");
        if (form.ok() && width > 0 && spec.sizes().stream().noneMatch(size -> size.widthPx() == width)) {
            form.fault("size", "Its model does not record in that size.");
        }
        return new PictureSetup(light, spec.wideRange() && form.has("wide"), spec.turns() && form.has("turned"),
                spec.sound() && form.has("sound"), !spec.statusLight() || form.has("status"), spec.stamp() && form.has("stamp"),
                SheetView.listens(camera) && form.has("listens"), width);
    }

    private static String back(HouseholdRef ref, long cameraId, String to) {
        return "redirect:" + ref.path() + "/tune/" + cameraId + "/sheet" + to;
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.TUNE, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("cameras", frame.cameras());
        model.addAttribute("sheet", SheetView.of(frame, record, lookingAt(ref, cameraId), setups.ticks(ref.id(), cameraId)));
        return "setting-sheet";
    }
}
