package roofnest.app.mount;

import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.SaidLeadRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.judge.House;
import roofnest.core.mount.BellWires;
import roofnest.core.mount.Hold;
import roofnest.core.mount.SaidLead;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The wall that a camera hangs on: heights, lead, ladder. */
@Controller
class WallController {
    private final Frames frames;
    private final Models models;
    private final Changes changes;
    private final CameraRepository cameras;
    private final SaidLeadRepository leads;
    private final DrawnLeads drawn;
    private final JudgedHouseholds judged;

    WallController(Frames frames, Models models, Changes changes, CameraRepository cameras, SaidLeadRepository leads, DrawnLeads drawn,
            JudgedHouseholds judged) {
        this.frames = frames;
        this.models = models;
        this.changes = changes;
        this.cameras = cameras;
        this.leads = leads;
        this.drawn = drawn;
        this.judged = judged;
    }

    @GetMapping("/households/{household}/mount/{camera}/wall")
    String wall(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        return page(ref, cameraId, form, model);
    }

    /** Writes down the way of the lead as it was measured; it wins over what is found on the plan. */
    @PostMapping("/households/{household}/mount/{camera}/lead")
    @Says("The way is written down; promise and kit follow it.")
    String lead(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        String socket = form.text("socket", "from which socket it comes", 80);
        double along = form.decimal("alongM", "the way", 0, SaidLead.LONGEST_M, "m");
        int holes = form.whole("holes", "how many holes", 0, SaidLead.MOST_HOLES, "holes");
        int version = form.version();
        boolean saved = form.save(() -> changes.run(ref, Stage.MOUNT, () -> {
            cameras.touch(ref.id(), cameraId, version);
            CameraPose pose = judged.of(ref.id()).camera(cameraId).camera().pose();
            leads.keep(ref.id(), cameraId, new SaidLead(socket, along, holes, pose.onPlan(), pose.heightM(), ref.by()));
        }));
        return saved ? back(ref, cameraId) : page(ref, cameraId, form, model);
    }

    /** Keeps the way of the lead as it was drawn on the plan; it wins over what is found there. */
    @PostMapping("/households/{household}/mount/{camera}/lead/drawn")
    @Says("The way is drawn; promise and kit follow it.")
    String drawn(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        String socket = form.text("from", "from which socket it comes", 80);
        List<SpacePoint> turns = DrawnView.turns(form);
        int version = form.version();
        boolean saved = form.save("turns", () -> drawn.keep(ref, cameraId, version, socket, turns));
        return saved ? "redirect:" + ref.path() + "/mount/" + cameraId + "/wall#on-plan" : page(ref, cameraId, form, model);
    }

    /** Forgets what was measured or drawn. */
    @PostMapping("/households/{household}/mount/{camera}/lead/forget")
    @Says("The way is found on the plan again.")
    String forgetLead(HouseholdRef ref, @PathVariable("camera") long cameraId) {
        changes.run(ref, Stage.MOUNT, () -> {
            cameras.get(ref.id(), cameraId);
            leads.forget(ref.id(), cameraId);
        });
        return back(ref, cameraId);
    }

    private static String back(HouseholdRef ref, long cameraId) {
        return "redirect:" + ref.path() + "/mount/" + cameraId + "/wall#lead";
    }

    private String page(HouseholdRef ref, long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.MOUNT, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        Optional<House> house = frame.judge().house();
        model.addAttribute("record", record);
        model.addAttribute("base", ref.path() + "/mount/" + cameraId);
        model.addAttribute("wall", house.map(h -> WallView.of(frame, record, h, models.of(ref.staff().firmId()))).orElse(null));
        model.addAttribute("form", form);
        model.addAttribute("said", record.camera().measuredLead().orElse(null));
        model.addAttribute("drawn", house.filter(h -> !record.camera().model().power().onBattery())
                .map(h -> DrawnView.of(h.plan(), record.camera(), h.drawn(record.camera(), frame.facts().practice()), form)).orElse(null));
        model.addAttribute("sockets",
                frame.facts().plan().stream().flatMap(plan -> plan.ofKind(Thing.Kind.SOCKET)).map(Thing::name).toList());
        model.addAttribute("surfaces", Hold.Surface.values());
        model.addAttribute("chimes", BellWires.Chime.values());
        model.addAttribute("bare", WithoutHoles.of(record.camera(), house, form));
        return "wall";
    }
}
