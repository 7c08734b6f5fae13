package roofnest.app.pair;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.care.LogRepository;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.models.Models;
import roofnest.app.ready.NetworkRepository;
import roofnest.app.ready.RouterRepository;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.HomeNetwork;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.RejoinPlan;
import roofnest.core.pairing.Removal;
import roofnest.core.promise.Stage;

/** What comes after pairing: a new router that everything has to rejoin, and a device that leaves the house. */
@Controller
class ChangeController {
    private final Frames frames;
    private final Runs runs;
    private final RunRepository runRows;
    private final RejoinRepository rejoins;
    private final CameraRepository cameras;
    private final NetworkRepository networks;
    private final RouterRepository routers;
    private final LogRepository log;
    private final HubRepository hubs;
    private final Models models;
    private final HouseholdChanges changes;
    private final Clock clock;

    ChangeController(
            Frames frames, Runs runs, RunRepository runRows, RejoinRepository rejoins, CameraRepository cameras, NetworkRepository networks,
            RouterRepository routers, LogRepository log,
            HubRepository hubs, Models models, HouseholdChanges changes, Clock clock) {
        this.frames = frames;
        this.runs = runs;
        this.runRows = runRows;
        this.rejoins = rejoins;
        this.cameras = cameras;
        this.networks = networks;
        this.routers = routers;
        this.log = log;
        this.hubs = hubs;
        this.models = models;
        this.changes = changes;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/pair/rejoin")
    String rejoin(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.PAIR, model);
        Optional<RejoinRepository.Rejoin> open = rejoins.open(ref.id());
        model.addAttribute("begun", open.orElse(null));
        model.addAttribute("zone", clock.getZone());
        model.addAttribute("plan", plan(ref, frame, open.map(rejoins::back).orElse(Set.of()), open.map(RejoinRepository.Rejoin::begunAt)));
        return "rejoin";
    }

    private RejoinPlan plan(HouseholdRef ref, Frame frame, Set<Long> back, Optional<OffsetDateTime> begunAt) {
        Optional<HomeNetwork> network = frame.facts().network();
        List<String> leavers = frame.facts().access().people().stream().filter(person -> person.tie() == Access.Tie.LEFT)
                .map(Access.Person::name).toList();
        RejoinPlan.Old old = new RejoinPlan.Old(network.map(HomeNetwork::name).orElse("the old name"),
                network.map(each -> Math.min(63, CredentialFit.bytes(each.password()))).orElse(0),
                network.filter(each -> each.security() == WifiSecurity.OPEN || !each.password().isEmpty()).isPresent(),
                network.filter(each -> each.security() == WifiSecurity.OPEN).isEmpty(), leavers);
        List<RejoinPlan.Device> devices = new ArrayList<>();
        runs.hubsOf(ref).forEach(hub -> runs.hub(ref, hub.key()).filter(HubRepository.Hub::joined).ifPresent(own -> {
            MethodOrder order = runs.hubOrder(ref, hub);
            devices.add(new RejoinPlan.Device(own.id(), own.name(), true, Optional.empty(), order.ways().stream().findFirst(),
                    Math.min(600, order.expectedMinutes()), runs.hubBack(ref, own.id(), begunAt)));
        }));
        cameras.records(ref.id()).stream().filter(record -> record.camera().joined())
                .forEach(record -> devices.add(device(ref, record, back)));
        return RejoinPlan.of(old, true, devices, networks.otherThingsCount(ref.id()));
    }

    private RejoinPlan.Device device(HouseholdRef ref, CameraRepository.Record record, Set<Long> back) {
        DeviceModel model = record.camera().model();
        MethodOrder order = runs.order(ref, record, PhoneKind.THROUGH_SETTINGS);
        return new RejoinPlan.Device(record.id(), record.camera().name(), false,
                model.radio().viaHub() ? Optional.of(runs.hubNameFor(model)) : Optional.empty(), order.ways().stream().findFirst(),
                Math.min(600, order.expectedMinutes()), back.contains(record.id()));
    }

    @PostMapping("/households/{household}/pair/rejoin/begin")
    String beginRejoin(HouseholdRef ref) {
        changes.run(ref, Stage.PAIR, () -> rejoins.begin(ref.id(), ref.by()));
        return "redirect:" + ref.path() + "/pair/rejoin";
    }

    @PostMapping("/households/{household}/pair/rejoin/back")
    String back(HouseholdRef ref, @RequestParam("camera") long cameraId, @RequestParam(defaultValue = "true") boolean back) {
        cameras.get(ref.id(), cameraId);
        RejoinRepository.Rejoin open = rejoins.open(ref.id()).orElseThrow(NoSuchPage::new);
        rejoins.markBack(open, cameraId, back, ref.by());
        return "redirect:" + ref.path() + "/pair/rejoin";
    }

    @PostMapping("/households/{household}/pair/rejoin/over")
    String rejoinOver(HouseholdRef ref) {
        rejoins.over(ref.id());
        return "redirect:" + ref.path() + "/pair";
    }

    @GetMapping("/households/{household}/pair/cameras/{camera}/remove")
    String removal(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "GIVEN_AWAY") Removal.To to,
            Model model) {
        return removalPage(ref, cameraId, to, Form.empty(), model);
    }

    /** Takes a camera out. What was said of its account, its card and its owner is kept in the log. */
    @PostMapping("/households/{household}/pair/cameras/{camera}/remove")
    String remove(
            HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam(defaultValue = "GIVEN_AWAY") Removal.To to,
            @RequestParam Map<String, String> values, Model model, HttpServletResponse response,
            RedirectAttributes flash) {
        CameraRepository.Record record = cameras.get(ref.id(), cameraId);
        Form form = new Form(values);
        String owner = form.text("owner", "who of the household said so", 80);
        Removal.Card card = form.choice("card", "what becomes of its card", Removal.Card.class);
        if (!form.raw("outOfAccount").equals("true")) {
            form.fault("outOfAccount", "Take it out of the account first, then tick this: otherwise nobody else can ever add it.");
        }
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return removalPage(ref, cameraId, to, form, model);
        }
        changes.run(ref, Stage.PAIR, () -> {
            runRows.openRunOf(ref.id(), cameraId).ifPresent(run -> runRows.giveUp(run.id()));
            log.add(ref.id(), cameraId, LogRepository.Kind.NOTE,
                    record.camera().name() + " (" + record.camera().model().fullName()
                            + (record.serial() == null ? "" : ", serial " + record.serial()) + ") taken out: " + to.words()
                            + ". Out of the account; card " + card.words() + "; " + owner + " said so.",
                    LocalDate.now(clock), ref.by());
            cameras.remove(ref.id(), cameraId);
        });
        flash.addFlashAttribute("notice",
                record.camera().name() + " is out of the house. The log has it; its password left the sealed store.");
        return "redirect:" + ref.path() + "/pair";
    }

    @GetMapping("/households/{household}/pair/hubs/{hub}/remove")
    String hubRemoval(HouseholdRef ref, @PathVariable("hub") long hubId, Model model) {
        return hubPage(ref, hubId, Form.empty(), model);
    }

    /** Takes the hub out, and with it every camera that joins through it. */
    @PostMapping("/households/{household}/pair/hubs/{hub}/remove")
    String removeHub(HouseholdRef ref, @PathVariable("hub") long hubId, @RequestParam Map<String, String> values, Model model,
            HttpServletResponse response, RedirectAttributes flash) {
        HubRepository.Hub hub = hubs.get(ref.id(), hubId);
        Form form = new Form(values);
        String owner = form.text("owner", "who of the household said so", 80);
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return hubPage(ref, hubId, form, model);
        }
        List<CameraRepository.Record> with = through(ref, hub);
        changes.run(ref, Stage.PAIR, () -> {
            runRows.of(ref.id()).stream().filter(run -> run.hubId() == hubId && !run.finished()).forEach(run -> runRows.giveUp(run.id()));
            with.forEach(record -> cameras.markApart(ref.id(), record.id()));
            log.add(ref.id(), null, LogRepository.Kind.NOTE, hub.name() + " taken out"
                    + (with.isEmpty() ? "" : ", and with it " + String.join(", ", names(with))) + ". " + owner + " said so.",
                    LocalDate.now(clock), ref.by());
            hubs.remove(ref.id(), hubId);
        });
        flash.addFlashAttribute("notice", hub.name() + " is out of the house."
                + (with.isEmpty() ? "" : " To be joined again: " + String.join(", ", names(with)) + "."));
        return "redirect:" + ref.path() + "/pair";
    }

    private String hubPage(HouseholdRef ref, long hubId, Form form, Model model) {
        HubRepository.Hub hub = hubs.get(ref.id(), hubId);
        frames.frame(ref, Stage.PAIR, model);
        model.addAttribute("form", form);
        model.addAttribute("hub", hub);
        model.addAttribute("warning", Removal.withHub(models.hub(hub.modelKey()), names(through(ref, hub))));
        return "hub-removal";
    }

    /** Cameras that are joined through a hub. */
    private List<CameraRepository.Record> through(HouseholdRef ref, HubRepository.Hub hub) {
        return cameras.records(ref.id()).stream().filter(record -> record.camera().joined() && record.camera().model().radio().viaHub()
                && hub.modelKey().equals(record.camera().model().hub())).toList();
    }

    private static List<String> names(List<CameraRepository.Record> records) {
        return records.stream().map(record -> record.camera().name()).toList();
    }

    private String removalPage(HouseholdRef ref, long cameraId, Removal.To to, Form form, Model model) {
        CameraRepository.Record record = cameras.get(ref.id(), cameraId);
        Frame frame = frames.frame(ref, Stage.PAIR, model);
        int people = (int) frame.facts().access().grants().stream().filter(grant -> grant.cameraId() == cameraId).count();
        model.addAttribute("form", form);
        model.addAttribute("record", record);
        model.addAttribute("to", to);
        model.addAttribute("tos", Removal.To.values());
        model.addAttribute("cards", Removal.Card.values());
        model.addAttribute("steps", Removal.steps(record.camera().model(), to, people));
        return "removal";
    }
}
