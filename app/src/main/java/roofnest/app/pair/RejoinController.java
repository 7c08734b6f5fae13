package roofnest.app.pair;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Says;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.HomeNetwork;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.RejoinPlan;
import roofnest.core.promise.Stage;

/** A new router or password, after which everything has to rejoin, over as many visits as it takes. */
@Controller
class RejoinController {
    private static final double LONGEST_MINUTES = 600;
    private static final int LONGEST_PASSWORD_BYTES = 63;

    private final Frames frames;
    private final Sites sites;
    private final Runs runs;
    private final RejoinRepository rejoins;
    private final CameraRepository cameras;
    private final Changes changes;
    private final ResidentRepository residents;
    private final RouterDays days;
    private final Clock clock;

    RejoinController(Frames frames, Sites sites, Runs runs, RejoinRepository rejoins, CameraRepository cameras, Changes changes,
            ResidentRepository residents, RouterDays days, Clock clock) {
        this.residents = residents;
        this.days = days;
        this.frames = frames;
        this.sites = sites;
        this.runs = runs;
        this.rejoins = rejoins;
        this.cameras = cameras;
        this.changes = changes;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/pair/rejoin")
    String rejoin(HouseholdRef ref, Model model) {
        return page(ref, Form.empty(), model);
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        Site site = sites.of(ref);
        frames.frame(ref, Stage.PAIR, model, site.household());
        Optional<RejoinRepository.Rejoin> open = rejoins.open(ref.id());
        model.addAttribute("begun", open.orElse(null));
        model.addAttribute("zone", clock.getZone());
        model.addAttribute("form", form);
        model.addAttribute("plan", plan(ref, site, open));
        model.addAttribute("to", residents.of(ref.id()).stream().filter(each -> each.tie() == Access.Tie.LIVES_HERE
                && !each.email().isBlank()).map(ResidentRepository.Resident::email).findFirst().orElse(""));
        return "rejoin";
    }

    private RejoinPlan plan(HouseholdRef ref, Site site, Optional<RejoinRepository.Rejoin> open) {
        List<RejoinPlan.Device> devices = new ArrayList<>(hubs(ref, site, open.map(RejoinRepository.Rejoin::begunAt)));
        devices.addAll(cameras(site, open.map(rejoins::back).orElse(Set.of())));
        return RejoinPlan.of(old(site), true, devices, site.household().facts().otherThings());
    }

    @PostMapping("/households/{household}/pair/rejoin/tell")
    @Says("The mail is in the household’s post; the day stands in the log.")
    String tell(HouseholdRef ref, Form form, Model model) {
        String to = form.email("to", "the household's e-mail address");
        LocalDate today = LocalDate.now(clock);
        LocalDate day = form.date("day", "the day on which the router changes");
        if (form.faultAt("day") == null && !day.isAfter(today)) {
            form.fault("day", "They are told ahead: choose a day from tomorrow on.");
        }
        return form.save(() -> days.tell(ref, to, plan(ref, sites.of(ref), rejoins.open(ref.id())), day, today)) ? toRejoin(ref)
                : page(ref, form, model);
    }

    private static RejoinPlan.Old old(Site site) {
        Optional<HomeNetwork> network = site.network();
        List<String> leavers = site.household().facts().access().people().stream().filter(person -> person.tie() == Access.Tie.LEFT)
                .map(Access.Person::name).toList();
        return new RejoinPlan.Old(network.map(HomeNetwork::name).orElse("the old name"),
                network.map(each -> Math.min(LONGEST_PASSWORD_BYTES, CredentialFit.bytes(each.password()))).orElse(0),
                network.filter(each -> each.security() == WifiSecurity.OPEN || !each.password().isEmpty()).isPresent(),
                network.filter(each -> each.security() == WifiSecurity.OPEN).isEmpty(), leavers);
    }

    private List<RejoinPlan.Device> hubs(HouseholdRef ref, Site site, Optional<OffsetDateTime> begunAt) {
        List<RunRepository.Run> all = begunAt.isPresent() ? runs.of(ref) : List.of();
        List<RejoinPlan.Device> devices = new ArrayList<>();
        site.hubModels().forEach(model -> site.hub(model.key()).filter(HubRepository.Hub::joined).ifPresent(hub -> {
            MethodOrder order = site.order(model);
            boolean back = all.stream().anyMatch(run -> run.hubId() == hub.id() && run.finished() && !run.givenUp()
                    && run.finishedAt().isAfter(begunAt.orElseThrow()));
            devices.add(new RejoinPlan.Device(hub.id(), hub.name(), true, Optional.empty(), order.ways().stream().findFirst(),
                    Math.min(LONGEST_MINUTES, order.expectedMinutes()), back));
        }));
        return devices;
    }

    private static List<RejoinPlan.Device> cameras(Site site, Set<Long> back) {
        return site.household().facts().cameras().stream().filter(Camera::joined).map(camera -> {
            DeviceModel model = camera.model();
            MethodOrder order = site.order(model, PhoneKind.THROUGH_SETTINGS);
            return new RejoinPlan.Device(camera.id(), camera.name(), false,
                    model.radio().viaHub() ? Optional.of(site.hubNameFor(model)) : Optional.empty(), order.ways().stream().findFirst(),
                    Math.min(LONGEST_MINUTES, order.expectedMinutes()), back.contains(camera.id()));
        }).toList();
    }

    @PostMapping("/households/{household}/pair/rejoin/begin")
    @Says("The rejoining has begun.")
    String beginRejoin(HouseholdRef ref) {
        changes.unjudged(ref, Stage.PAIR, () -> {
            rejoins.begin(ref.id(), ref.by());
            return null;
        });
        return toRejoin(ref);
    }

    @PostMapping("/households/{household}/pair/rejoin/back")
    @Says("Noted.")
    String back(HouseholdRef ref, @RequestParam("camera") long cameraId, @RequestParam(defaultValue = "true") boolean back) {
        changes.aside(ref.id(), () -> {
            cameras.get(ref.id(), cameraId);
            rejoins.markBack(rejoins.open(ref.id()).orElseThrow(NoSuchPage::new), cameraId, back, ref.by());
            return null;
        });
        return toRejoin(ref);
    }

    @PostMapping("/households/{household}/pair/rejoin/over")
    @Says("The rejoining is over.")
    String rejoinOver(HouseholdRef ref) {
        changes.aside(ref.id(), () -> {
            rejoins.over(ref.id());
            return null;
        });
        return "redirect:" + ref.path() + "/pair";
    }

    private static String toRejoin(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/pair/rejoin";
    }
}
