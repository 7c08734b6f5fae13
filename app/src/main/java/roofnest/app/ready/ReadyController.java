package roofnest.app.ready;

import java.io.IOException;
import java.util.List;
import java.util.Optional;

import jakarta.servlet.http.HttpServletResponse;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.web.BadInput;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.OtherThingRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.PhotoCodes;
import roofnest.app.web.StaleEdit;
import roofnest.core.network.FitMatrix;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.SafeCredentials;
import roofnest.core.network.WifiCode;
import roofnest.core.promise.Stage;

/** The network sheet. */
@Controller
class ReadyController {
    private final Frames frames;
    private final Changes changes;
    private final NetworkRepository networks;
    private final Networks work;
    private final OtherThingRepository otherThings;
    private final SecretStore secrets;

    ReadyController(Frames frames, Changes changes, NetworkRepository networks, Networks work, OtherThingRepository otherThings,
            SecretStore secrets) {
        this.frames = frames;
        this.changes = changes;
        this.networks = networks;
        this.work = work;
        this.otherThings = otherThings;
        this.secrets = secrets;
    }

    @GetMapping("/households/{household}/ready")
    String ready(HouseholdRef ref, @RequestParam(required = false) String network, @RequestParam(required = false) List<String> with,
            Model model) {
        return page(ref, model, Form.empty(), ReadyView.Asked.of(network, with));
    }

    @PostMapping("/households/{household}/ready/network")
    @Says("The network is saved.")
    String save(HouseholdRef ref, Form form, Model model) {
        int version = form.version();
        long id = form.has("network") ? form.whole("network", "the network", 0, Integer.MAX_VALUE, "networks")
                : networks.find(ref.id()).map(NetworkRepository.NetworkRow::id).orElse(0L);
        ReadyView.Asked asked = ReadyView.Asked.of(id == 0 ? "new" : String.valueOf(id), List.of());
        Optional<HomeNetwork> read = NetworkForm.read(form, secrets.wifiPasswordForRules(ref.id(), id));
        boolean saved = form.save(() -> changes.run(ref, Stage.READY, () -> {
            if (networks.all(ref.id()).stream().anyMatch(row -> row.id() != id && row.name().equals(read.orElseThrow().name()))) {
                form.fault("ssid", "The house has a network of this name already. Open that one to change it.");
            } else {
                work.mayChangePassword(ref, id, read.orElseThrow().password());
                networks.save(ref.id(), id, read.orElseThrow(), version, ref.by());
            }
        }));
        return saved ? toSheet(ref) : page(ref, model, form, asked);
    }

    @PostMapping("/households/{household}/ready/networks/{network}/cameras")
    @Says("From now on cameras join this network.")
    String forCameras(HouseholdRef ref, @PathVariable long network) {
        changes.run(ref, Stage.READY, () -> networks.chooseForCameras(ref.id(), network));
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/networks/{network}/remove")
    @Says("The network is taken out, and its password has left the sealed store.")
    String remove(HouseholdRef ref, @PathVariable long network) {
        changes.run(ref, Stage.READY, () -> {
            work.mayChangePassword(ref, network, "");
            networks.remove(ref.id(), network, ref.by());
        });
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/changes")
    String noteChanges(HouseholdRef ref, @RequestParam(required = false) List<String> with, RedirectAttributes flash) {
        FitMatrix.Plan plan = work.note(ref, frames.frame(ref, Stage.READY), ReadyView.changes(with));
        flash.addFlashAttribute("notice", "Noted as done at the router: " + plan.cost() + ". Cameras join " + plan.after().name() + ".");
        return toSheet(ref);
    }

    /** Takes the suggested name and password for the house; the router has to be set to them by hand. */
    @PostMapping("/households/{household}/ready/take-suggestion")
    String takeSuggestion(HouseholdRef ref, RedirectAttributes flash) {
        Frame frame = frames.frame(ref, Stage.READY);
        HomeNetwork now = frame.facts().network().orElseThrow(NoSuchPage::new);
        SafeCredentials safe = ReadyView.suggestion(frame, now);
        NetworkRepository.NetworkRow row = networks.find(ref.id()).orElseThrow(NoSuchPage::new);
        changes.run(ref, Stage.READY, () -> {
            work.mayChangePassword(ref, row.id(), safe.password());
            networks.save(ref.id(), row.id(), now.withNameAndPassword(safe.name(), safe.password()), row.version(), ref.by());
        });
        flash.addFlashAttribute("notice", "Noted. Set the router to this name and password, then rejoin what is listed below.");
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/reveal")
    @Needs(Role.Permission.REVEAL)
    String reveal(HouseholdRef ref, Model model, HttpServletResponse response) {
        frames.frame(ref, Stage.READY).household().requireSecretsOpen();
        networks.find(ref.id()).flatMap(row -> secrets.revealWifiPassword(ref.id(), row.id(), ref.by(), "shown at Ready"))
                .ifPresent(password -> model.addAttribute("wifiPassword", password));
        return drawnOnce(ref, model, response);
    }

    /** Shows the code that phones read: it holds the password, so it is a look at it. */
    @PostMapping("/households/{household}/ready/code")
    @Needs(Role.Permission.REVEAL)
    String code(HouseholdRef ref, Model model, HttpServletResponse response) {
        frames.frame(ref, Stage.READY).household().requireSecretsOpen();
        NetworkRepository.NetworkRow row = networks.find(ref.id()).orElseThrow(NoSuchPage::new);
        if (!WifiCode.has(networks.withPassword(ref.id(), row))) {
            throw new BadInput("This network is joined by an enterprise log-in, and there is no code for that.");
        }
        secrets.revealWifiPassword(ref.id(), row.id(), ref.by(), "shown as a code").ifPresent(
                password -> model.addAttribute("wifiCode", CodePicture.of(WifiCode.text(networks.withPassword(ref.id(), row)))));
        return drawnOnce(ref, model, response);
    }

    /** What was revealed stands in this one answer and is kept nowhere. */
    private String drawnOnce(HouseholdRef ref, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        return page(ref, model, Form.empty(), ReadyView.Asked.of(null, null));
    }

    @PostMapping("/households/{household}/ready/label")
    String readLabel(HouseholdRef ref, @RequestParam(required = false) String code, @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes flash) throws IOException {
        boolean typed = code != null && !code.isBlank();
        HomeNetwork read = work.takeCode(ref, typed ? code.strip() : wifiCodeIn(photo));
        flash.addFlashAttribute("notice",
                "Read " + read.name() + (read.password().isEmpty() ? "." : "; its password went into the sealed store.")
                        + " The code does not say which bands it is on: check them.");
        return toSheet(ref);
    }

    /** A label may carry other codes beside. */
    private static String wifiCodeIn(MultipartFile photo) throws IOException {
        List<String> codes = PhotoCodes.in(photo == null ? new byte[0] : photo.getBytes());
        return codes.stream().filter(text -> WifiCode.read(text).isPresent()).findFirst().orElse(codes.get(0));
    }

    @PostMapping("/households/{household}/ready/things")
    @Says("Counted.")
    String addThing(HouseholdRef ref, Form form, Model model) {
        String name = form.text("thing", "what else is on the Wi-Fi", 60);
        int howMany = form.whole("howMany", "how many", 1, 99, "things");
        return form.save(() -> changes.run(ref, Stage.READY, () -> otherThings.add(ref.id(), name, howMany)))
                ? toSheet(ref) : page(ref, model, form, ReadyView.Asked.of("", List.of()));
    }

    @PostMapping("/households/{household}/ready/things/{thing}/remove")
    @Says("Taken out. It can be brought back from the household’s own sheet.")
    String removeThing(HouseholdRef ref, @PathVariable long thing) {
        changes.run(ref, Stage.READY, () -> {
            if (!otherThings.remove(ref.id(), thing, ref.by())) {
                throw new Conflict("Somebody else took this out meanwhile.");
            }
        });
        return toSheet(ref);
    }

    /** Nothing beside what stands there: looked at, and not only not written down. */
    @PostMapping("/households/{household}/ready/things/counted")
    @Says("Noted as counted.")
    String counted(HouseholdRef ref) {
        changes.run(ref, Stage.READY, () -> otherThings.counted(ref.id()));
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/networks/{network}/five-on")
    @Says("5 GHz is on again, and both bands are written down.")
    String fiveOn(HouseholdRef ref, @PathVariable long network) {
        changes.run(ref, Stage.READY, () -> {
            if (!networks.switchFiveOn(ref.id(), network)) {
                throw new Conflict("Somebody else noted this meanwhile.");
            }
        });
        return toSheet(ref);
    }

    private String page(HouseholdRef ref, Model model, Form form, ReadyView.Asked asked) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("sheet", "network");
        model.addAttribute("ready", ReadyView.of(frame, work.stored(ref.id()), asked));
        return "ready";
    }

    private static String toSheet(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/ready";
    }
}
