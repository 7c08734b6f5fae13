package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.app.web.Language;
import roofnest.app.records.NetworkRepository;
import roofnest.app.prove.IssueRepository;
import roofnest.app.prove.Signing;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.app.workshop.Workshop;
import roofnest.core.promise.Stage;

/** The pack for the household, and the sealed sheet that goes with it apart. */
@Controller
class PackController {
    private final Frames frames;
    private final NetworkRepository networks;
    private final Signing signing;
    private final IssueRepository issues;
    private final SecretStore secrets;
    private final HubRepository hubs;
    private final HouseholdRepository households;
    private final Pdf pdf;
    private final Workshop workshop;
    private final Clock clock;

    PackController(Frames frames, NetworkRepository networks, Signing signing, IssueRepository issues, SecretStore secrets,
            HubRepository hubs, HouseholdRepository households, Pdf pdf,
            Workshop workshop,
            Clock clock) {
        this.frames = frames;
        this.networks = networks;
        this.signing = signing;
        this.issues = issues;
        this.secrets = secrets;
        this.hubs = hubs;
        this.households = households;
        this.pdf = pdf;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** One line of the sealed sheet. @param what key of what it is of */
    public record Sealed(String what, String name, String password) {}

    /** The pack as it would be signed now, marked as a draft. */
    @GetMapping("/households/{household}/prove/pack.pdf")
    Object pack(HouseholdRef ref) {
        return workshop.answer("The hand-over pack", "pdf", signing.draft(frames.frame(ref, Stage.PROVE)), pdf::of,
                made -> file("hand-over-pack-draft", ref, made, "inline"));
    }

    /** An issue as it was signed. */
    @GetMapping("/households/{household}/prove/issues/{number}.pdf")
    Object issue(HouseholdRef ref, @PathVariable int number) {
        return workshop.answer("The hand-over pack", "pdf", issues.document(ref.id(), number).orElseThrow(NoSuchPage::new), pdf::of,
                made -> file("hand-over-pack-" + number, ref, made, "inline"));
    }

    /** Opening the sheet is the logged act, so it is a POST and never cached. */
    @PostMapping("/households/{household}/prove/sealed-sheet")
    @Needs(Role.Permission.REVEAL)
    ResponseEntity<byte[]> sealedSheet(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.PROVE);
        frame.household().requireSecretsOpen();
        List<Sealed> lines = new ArrayList<>();
        Optional<String> wifi = networks.find(ref.id())
                .flatMap(network -> secrets.revealWifiPassword(ref.id(), network.id(), ref.by(), "sealed sheet printed"));
        wifi.ifPresent(password -> lines.add(new Sealed("wifi", frame.facts().network().map(n -> n.name()).orElse(""), password)));
        for (CameraRepository.Record camera : frame.cameras()) {
            secrets.revealCameraPassword(ref.id(), camera.id(), camera.camera().name(), ref.by(), "sealed sheet printed")
                    .ifPresent(password -> lines.add(new Sealed("camera", camera.camera().name(), password)));
        }
        for (HubRepository.Hub hub : hubs.of(ref.id())) {
            secrets.revealHubPassword(ref.id(), hub.id(), hub.name(), ref.by(), "sealed sheet printed")
                    .ifPresent(password -> lines.add(new Sealed("hub", hub.name(), password)));
        }
        Language language = households.language(ref.id());
        return file("sealed-sheet", ref,
                pdf.render("documents/sealed-sheet", ref.staff().firmId(), language,
                        Map.of("lines", lines, "frame", frame, "date", language.day(LocalDate.now(clock)))),
                "attachment");
    }

    private static ResponseEntity<byte[]> file(String name, HouseholdRef ref, byte[] content, String disposition) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF)
                .header("Cache-Control", "no-store")
                .header("Content-Disposition", disposition + "; filename=\"" + name + "-" + ref.id() + ".pdf\"")
                .body(content);
    }
}
