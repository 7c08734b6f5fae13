package roofnest.app.pair;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.Frames;
import roofnest.app.secrets.SecretStore;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.pairing.Attention;
import roofnest.core.pairing.Meanwhile;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.StateBelief;
import roofnest.core.promise.Stage;
import roofnest.standins.Fault;

/** Runs: the list at Pair, and one step a page. */
@Controller
class PairController {
    private static final Duration WORTH_USING = Duration.ofSeconds(15);

    private final Frames frames;
    private final Runs runs;
    private final HouseForBench house;
    private final CameraRepository cameras;
    private final SecretStore secrets;
    private final Clock clock;

    PairController(Frames frames, Runs runs, HouseForBench house, CameraRepository cameras, SecretStore secrets, Clock clock) {
        this.frames = frames;
        this.runs = runs;
        this.house = house;
        this.cameras = cameras;
        this.secrets = secrets;
        this.clock = clock;
    }

    /** A camera at Pair: its ways in, the best first, those that are ruled out here, and its open run. */
    record Waiting(CameraRepository.Record record, MethodOrder order, Optional<Long> openRun, Optional<Integer> bars) {}

    /** A hub at Pair. @param hub null while it is not there yet */
    record HubLine(HubModel model, HubRepository.Hub hub, MethodOrder order, Optional<Long> openRun) {}

    @PostMapping("/households/{household}/pair/hub-runs")
    String startHub(HouseholdRef ref, @RequestParam(defaultValue = "") String hub, @RequestParam PairingMethod.Way way,
            @RequestParam(defaultValue = "THROUGH_SETTINGS") PhoneKind phone,
            @RequestParam(defaultValue = "false") boolean bench) {
        return toRun(ref, runs.startHub(ref, hub, way, phone, bench));
    }

    @GetMapping("/households/{household}/pair")
    String pair(HouseholdRef ref, @RequestParam(defaultValue = "THROUGH_SETTINGS") PhoneKind phone,
            @RequestParam(defaultValue = "false") boolean atPlace, Model model) {
        frames.frame(ref, Stage.PAIR, model);
        List<RunRepository.Run> all = runs.of(ref);
        model.addAttribute("waiting", cameras.records(ref.id()).stream().map(record -> new Waiting(
                record, runs.order(ref, record, phone),
                all.stream().filter(run -> run.cameraId() == record.id() && !run.finished()).map(RunRepository.Run::id).findFirst(),
                house.barsAt(ref, record.id()))).toList());
        model.addAttribute("atPlace", atPlace);
        model.addAttribute("hubs",
                runs.hubsOf(ref).stream().map(hub -> new HubLine(hub, runs.hub(ref, hub.key()).orElse(null), runs.hubOrder(ref, hub),
                        all.stream()
                                .filter(run -> run.hubId() > 0 && !run.finished()
                                        && runs.hub(ref, hub.key()).filter(own -> own.id() == run.hubId()).isPresent())
                                .map(RunRepository.Run::id).findFirst()))
                        .toList());
        model.addAttribute("phone", phone);
        model.addAttribute("phones", PhoneKind.values());
        model.addAttribute("devices", devices(ref, runs.openOnes(ref)));
        return "pair";
    }

    /** What to do now across all open runs. */
    private List<RunView.DeviceLine> devices(HouseholdRef ref, List<Runs.Open> open) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        Map<String, Long> numbers = new HashMap<>();
        open.forEach(run -> numbers.put(run.deviceName(), run.run().id()));
        return Attention
                .of(open.stream()
                        .map(run -> new Attention.Device(run.deviceName(), run.state().step(), RunView.elapsed(run.state(), now),
                                runs.waitsForHub(ref, run)))
                        .toList())
                .stream()
                .map(attention -> RunView.line(attention, numbers.get(attention.device()))).toList();
    }

    @PostMapping("/households/{household}/pair/runs")
    String start(HouseholdRef ref, @RequestParam("camera") long cameraId, @RequestParam PairingMethod.Way way,
            @RequestParam(defaultValue = "THROUGH_SETTINGS") PhoneKind phone, @RequestParam(defaultValue = "false") boolean atPlace,
            @RequestParam(defaultValue = "false") boolean bench) {
        return toRun(ref, runs.start(ref, cameraId, way, phone, atPlace, bench));
    }

    /** This way is given up for another. */
    @PostMapping("/households/{household}/pair/runs/{run}/way")
    String changeWay(HouseholdRef ref, @PathVariable("run") long runId, @RequestParam PairingMethod.Way way) {
        return toRun(ref, runs.changeWay(ref, runId, way));
    }

    /** How many steps are stored, for a page that others may have left behind. */
    @GetMapping("/households/{household}/pair/runs/{run}/count")
    @ResponseBody
    Map<String, Integer> count(HouseholdRef ref, @PathVariable("run") long runId) {
        return Map.of("events", runs.open(ref, runId).events().size());
    }

    /** In which state the device is by a light and a voice that are none of the answers. */
    @PostMapping("/households/{household}/pair/runs/{run}/seen")
    String seen(HouseholdRef ref, @PathVariable("run") long runId, @RequestParam Cue.Light light, @RequestParam Cue.Rhythm rhythm,
            @RequestParam(defaultValue = "") String voice, RedirectAttributes flash) {
        Runs.Open open = runs.open(ref, runId);
        flash.addFlashAttribute("belief",
                BeliefView.of(open, OffsetDateTime.now(clock),
                        new StateBelief.Seen(light, rhythm, voice.isBlank() ? Optional.empty() : Optional.of(voice.strip())),
                        Stream.concat(runs.hubOf(open).stream(), cameras.records(ref.id()).stream()
                                .filter(record -> record.id() != open.run().cameraId()).map(record -> (Joinable) record.camera().model()))
                                .toList()));
        return toRun(ref, runId);
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
        model.addAttribute("base", ref.path() + "/pair/runs/" + runId);
        model.addAttribute("run", RunView.of(open, OffsetDateTime.now(clock), clock.getZone()));
        model.addAttribute("devices", lines(ref, open));
        model.addAttribute("meanwhile", meanwhile(ref, open));
        model.addAttribute("otherWays", open.state().changeMethod()
                ? runs.orderOf(ref, open).ways().stream().filter(way -> way.way() != open.run().way()).toList() : List.of());
        RunPage.addForm(model, open, () -> runs.suggestPassword(open.device()), () -> runs.suggestName(ref, open));
        return "run";
    }

    /** Open runs first, in the order in which they want hands; then the cameras without one. */
    private List<RunView.DeviceLine> lines(HouseholdRef ref, Runs.Open here) {
        List<RunView.DeviceLine> lines = new ArrayList<>(devices(ref, runs.openOnes(ref)));
        for (CameraRepository.Record record : cameras.records(ref.id())) {
            if (lines.stream().noneMatch(line -> line.name().equals(record.camera().name()))) {
                lines.add(new RunView.DeviceLine(record.camera().name(),
                        record.camera().ownPassword() ? "joined, own password"
                                : record.camera().joined() ? "joined, still on its factory password" : "waiting its turn",
                        record.camera().joined() ? "done" : "waiting", 0, 0));
            }
        }
        return lines;
    }

    private List<String> meanwhile(HouseholdRef ref, Runs.Open open) {
        if (open.state().step().expected().compareTo(WORTH_USING) < 0) {
            return List.of();
        }
        List<String> waiting
                = cameras.records(ref.id()).stream().filter(record -> !record.camera().joined() && record.id() != open.run().cameraId())
                        .map(record -> record.camera().name()).toList();
        return Meanwhile.of(open.camera().filter(camera -> camera.serial() == null).isEmpty(), open.device().setUp().stickerPlace(),
                waiting, runs.thingsToRejoin(ref));
    }
}
