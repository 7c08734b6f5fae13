package roofnest.app.pair;

import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.web.Says;
import roofnest.app.firm.Staff;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.promise.Stage;

/** Pair: every device with its ways in, runs begun, and what only a run in a household has. */
@Controller
class PairController {
    private final Frames frames;
    private final Runs runs;
    private final RunDesk desk;
    private final Sites sites;

    PairController(Frames frames, Runs runs, RunDesk desk, Sites sites) {
        this.frames = frames;
        this.runs = runs;
        this.desk = desk;
        this.sites = sites;
    }

    /** A camera at Pair: its ways in, the best first, those that are ruled out here, and its open run. */
    record Waiting(CameraRepository.Record record, MethodOrder order, Optional<Long> openRun, Optional<Integer> bars) {}

    /** A hub at Pair. @param hub null while it is not there yet */
    record HubLine(HubModel model, HubRepository.Hub hub, MethodOrder order, Optional<Long> openRun) {}

    @GetMapping("/households/{household}/pair")
    String pair(HouseholdRef ref, @RequestParam(defaultValue = "THROUGH_SETTINGS") PhoneKind phone,
            @RequestParam(defaultValue = "false") boolean atPlace, Model model) {
        Site site = sites.of(ref);
        List<Open> open = runs.openOnes(ref, site);
        frames.frame(ref, Stage.PAIR, model, site.household());
        model.addAttribute("waiting", site.household().cameras().stream().map(record -> new Waiting(
                record, site.order(record.camera().model(), phone), openRun(open, record.id(), 0), site.bars(record.camera()))).toList());
        model.addAttribute("hubs", site.hubModels().stream().map(hub -> {
            Optional<HubRepository.Hub> own = site.hub(hub.key());
            return new HubLine(hub, own.orElse(null), site.order(hub), own.flatMap(each -> openRun(open, 0, each.id())));
        }).toList());
        model.addAttribute("rehearsed", runs.of(ref).stream().filter(RunRepository.Run::bench).count());
        model.addAttribute("atPlace", atPlace);
        model.addAttribute("phone", phone);
        model.addAttribute("phones", PhoneKind.values());
        model.addAttribute("devices", runs.attention(site, open));
        return "pair";
    }

    private static Optional<Long> openRun(List<Open> open, long cameraId, long hubId) {
        return open.stream().map(Open::run).filter(run -> run.cameraId() == cameraId && run.hubId() == hubId).map(RunRepository.Run::id)
                .findFirst();
    }

    @PostMapping("/households/{household}/pair/runs")
    @Says("The run stands at its first open step.")
    String start(HouseholdRef ref, @RequestParam("camera") long cameraId, @RequestParam PairingMethod.Way way,
            @RequestParam(defaultValue = "THROUGH_SETTINGS") PhoneKind phone, @RequestParam(defaultValue = "false") boolean atPlace,
            @RequestParam(defaultValue = "false") boolean bench) {
        return toRun(ref, runs.start(ref, cameraId, way, phone, atPlace, bench));
    }

    @PostMapping("/households/{household}/pair/hub-runs")
    @Says("The run stands at its first open step.")
    String startHub(HouseholdRef ref, @RequestParam(defaultValue = "") String hub, @RequestParam PairingMethod.Way way,
            @RequestParam(defaultValue = "THROUGH_SETTINGS") PhoneKind phone, @RequestParam(defaultValue = "false") boolean bench) {
        return toRun(ref, runs.startHub(ref, hub, way, phone, bench));
    }

    @PostMapping("/households/{household}/pair/rehearsed/clear")
    String clearRehearsed(HouseholdRef ref, RedirectAttributes flash) {
        int cleared = runs.clearRehearsed(ref);
        flash.addFlashAttribute("notice", cleared == 0 ? "Nothing was rehearsed here." : cleared == 1 ? "One rehearsal was cleared."
                : cleared + " rehearsals were cleared. Nothing of them is left.");
        return "redirect:" + ref.path() + "/pair";
    }

    /** How many steps are stored, for a page that others may have left behind. Asked every few seconds, so it is one statement. */
    @GetMapping("/households/{household}/pair/runs/{run}/count")
    @ResponseBody
    Map<String, Integer> count(@AuthenticationPrincipal Staff staff, @PathVariable long household, @PathVariable long run) {
        return Map.of("events", runs.steps(staff.firmId(), household, run));
    }

    @PostMapping("/households/{household}/pair/runs/{run}/bench/fault")
    @Says("The fault is set for this bench.")
    String fault(HouseholdRef ref, @PathVariable("run") long runId, @RequestParam String fault) {
        desk.setFault(runs.port(ref, runId), RunController.faultOf(fault));
        return toRun(ref, runId);
    }

    private static String toRun(HouseholdRef ref, long runId) {
        return "redirect:" + ref.path() + "/pair/runs/" + runId;
    }
}
