package roofnest.app.mount;

import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;
import roofnest.core.judge.House;
import roofnest.core.mount.BellWires;
import roofnest.core.mount.Hold;
import roofnest.core.promise.Stage;

/** The wall that a camera hangs on: heights, lead, ladder. */
@Controller
class WallController {
    private final Frames frames;
    private final Models models;

    WallController(Frames frames, Models models) {
        this.frames = frames;
        this.models = models;
    }

    @GetMapping("/households/{household}/mount/{camera}/wall")
    String wall(HouseholdRef ref, @PathVariable("camera") long cameraId, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.MOUNT, model);
        CameraRepository.Record record = frame.judged().camera(cameraId);
        Optional<House> house = frame.judge().house();
        model.addAttribute("record", record);
        model.addAttribute("base", ref.path() + "/mount/" + cameraId);
        model.addAttribute("wall", house.map(h -> WallView.of(frame, record, h, models.of(ref.staff().firmId()))).orElse(null));
        model.addAttribute("form", form);
        model.addAttribute("surfaces", Hold.Surface.values());
        model.addAttribute("chimes", BellWires.Chime.values());
        model.addAttribute("bare", WithoutHoles.of(record.camera(), house, form));
        return "wall";
    }
}
