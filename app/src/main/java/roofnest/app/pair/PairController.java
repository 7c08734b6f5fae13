package roofnest.app.pair;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.Frames;
import roofnest.app.secrets.SecretStore;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.pairing.Step;
import roofnest.core.promise.Stage;
import roofnest.standins.Fault;

/** Runs: the list at Pair, and one step a page. */
@Controller
class PairController {
    private final Frames frames;
    private final Runs runs;
    private final CameraRepository cameras;
    private final SecretStore secrets;
    private final Clock clock;

    PairController(Frames frames, Runs runs, CameraRepository cameras, SecretStore secrets, Clock clock) {
        this.frames = frames;
        this.runs = runs;
        this.cameras = cameras;
        this.secrets = secrets;
        this.clock = clock;
    }

    /** A camera at Pair: its ways in, surest first, and its open run. */
    record Waiting(CameraRepository.Record record, List<PairingMethod> ways, Optional<Long> openRun) {}

    @GetMapping("/households/{household}/pair")
    String pair(HouseholdRef ref, Model model) {
        frames.frame(ref, Stage.PAIR, model);
        List<RunRepository.Run> all = runs.of(ref);
        model.addAttribute("waiting", cameras.records(ref.id()).stream().map(record -> new Waiting(
                record, record.camera().model().setUp().methods(),
                all.stream().filter(run -> run.cameraId() == record.id() && !run.finished()).map(RunRepository.Run::id).findFirst())).toList());
        return "pair";
    }

    @PostMapping("/households/{household}/pair/runs")
    String start(HouseholdRef ref, @RequestParam("camera") long cameraId, @RequestParam PairingMethod.Way way,
            @RequestParam(defaultValue = "false") boolean bench) {
        return toRun(ref, runs.start(ref, cameraId, way, bench));
    }

    @GetMapping("/households/{household}/pair/runs/{run}")
    String run(HouseholdRef ref, @PathVariable("run") long runId, Model model) {
        return page(ref, runId, model, Form.empty());
    }

    @PostMapping("/households/{household}/pair/runs/{run}/answer")
    String answer(HouseholdRef ref, @PathVariable("run") long runId, @RequestParam String step, @RequestParam String answer) {
        runs.answer(ref, runId, step, answer);
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/look-again")
    String lookAgain(HouseholdRef ref, @PathVariable("run") long runId, @RequestParam String step) {
        runs.lookAgain(ref, runId, step);
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/still-waiting")
    String stillWaiting(HouseholdRef ref, @PathVariable("run") long runId, @RequestParam String step) {
        runs.stillWaiting(ref, runId, step);
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/undo")
    String undo(HouseholdRef ref, @PathVariable("run") long runId) {
        runs.undo(ref, runId);
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/fill")
    String fill(
            HouseholdRef ref, @PathVariable("run") long runId, @RequestParam String step, @RequestParam Map<String, String> values,
            Model model, HttpServletResponse response) {
        Form form = new Form(values);
        runs.fill(ref, runId, step, form);
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(ref, runId, model, form);
        }
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/bench/hands")
    String hands(HouseholdRef ref, @PathVariable("run") long runId) {
        runs.handsOn(ref, runId);
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/bench/skip")
    String skip(HouseholdRef ref, @PathVariable("run") long runId) {
        runs.skipAhead(ref, runId);
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/bench/fault")
    String fault(HouseholdRef ref, @PathVariable("run") long runId, @RequestParam String fault) {
        Fault named = Arrays.stream(Fault.values()).filter(f -> f.name().equals(fault)).findFirst()
                .orElseThrow(() -> new BadInput("There is no such fault on the bench."));
        runs.setFault(ref, runId, named);
        return toRun(ref, runId);
    }

    @PostMapping("/households/{household}/pair/runs/{run}/reveal")
    @PreAuthorize("hasAuthority('REVEAL')")
    String reveal(HouseholdRef ref, @PathVariable("run") long runId, RedirectAttributes flash) {
        secrets.revealWifiPassword(ref, "shown in a run").ifPresent(password -> flash.addFlashAttribute("wifiPassword", password));
        return toRun(ref, runId);
    }

    private static String toRun(HouseholdRef ref, long runId) {
        return "redirect:" + ref.path() + "/pair/runs/" + runId;
    }

    private String page(HouseholdRef ref, long runId, Model model, Form form) {
        Runs.Open open = runs.open(ref, runId);
        frames.frame(ref, Stage.PAIR, model);
        model.addAttribute("form", form);
        model.addAttribute("run", RunView.of(open, cameras.records(ref.id()), runs.thingsToRejoin(ref), OffsetDateTime.now(clock), clock.getZone()));
        if (open.state().step().form() == Step.Form.DEVICE_PASSWORD) {
            model.addAttribute("suggestedPassword", runs.suggestPassword(open.model()));
            model.addAttribute("passwordRule", open.model().passwordRule().words());
        }
        if (open.state().step().form() == Step.Form.NAME) {
            model.addAttribute("suggestedName", runs.suggestName(ref, open));
        }
        return "run";
    }
}
