package roofnest.app.ready;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.NetworkRepository;
import roofnest.app.web.BadInput;
import roofnest.core.catalogue.Band;
import roofnest.core.promise.Stage;
import roofnest.core.scan.Columns;
import roofnest.core.scan.Scan;
import roofnest.core.scan.ScanText;

/** What a scanner heard about the house. */
@Controller
class AirController {
    private static final Logger LOG = LoggerFactory.getLogger(AirController.class);
    private static final int MOST_CHARACTERS = 1_000_000;

    private final Frames frames;
    private final AirScanRepository scans;
    private final ScanShapes shapes;
    private final NetworkRepository networks;
    private final Networks work;

    AirController(Frames frames, AirScanRepository scans, ScanShapes shapes, NetworkRepository networks, Networks work) {
        this.shapes = shapes;
        this.frames = frames;
        this.scans = scans;
        this.networks = networks;
        this.work = work;
    }

    @GetMapping("/households/{household}/ready/air")
    String air(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        boolean sixKnown = frame.facts().cameras().stream().anyMatch(camera -> camera.model().radio().bands().contains(Band.GHZ_6));
        model.addAttribute("sheet", "air");
        scans.of(ref.id()).ifPresent(printed -> {
            model.addAttribute("printed", printed);
            Optional<Scan> scan = understood(ref, printed.text());
            model.addAttribute("columns", scan.flatMap(Scan::question).orElse(null));
            model.addAttribute("roles", Columns.Role.values());
            // From nothing heard nothing follows, a quiet channel least of all.
            model.addAttribute("air", scan.filter(each -> each.question().isEmpty() && !each.heard().isEmpty())
                    .map(each -> AirView.of(each, networks.find(ref.id()), sixKnown)).orElse(null));
        });
        return "ready-air";
    }

    /** A text of which not a single network can be read is kept beside no better one, and can be thrown away. */
    private Optional<Scan> understood(HouseholdRef ref, String text) {
        try {
            return Optional.of(ScanText.read(text, shapes.of(ref.staff().firmId())));
        } catch (RuntimeException unforeseen) {
            LOG.error("a scan cannot be read household={}", ref.id(), unforeseen);
            return Optional.empty();
        }
    }

    private boolean says(HouseholdRef ref, String text) {
        return understood(ref, text).filter(scan -> scan.question().isPresent() || !scan.heard().isEmpty()).isPresent();
    }

    @PostMapping("/households/{household}/ready/air/columns")
    @Says("The columns are kept; tables that look like this one are read so from now on.")
    String columns(HouseholdRef ref, Form form) {
        Scan.Question asked = scans.of(ref.id()).flatMap(printed -> understood(ref, printed.text())).flatMap(Scan::question)
                .orElseThrow(() -> new BadInput("Nothing is asked about this scan any more. Look at it again."));
        List<Columns.Role> roles = new ArrayList<>();
        for (int column = 0; column < asked.told().roles().size(); column++) {
            roles.add(form.choice("role-" + column, "what the column is", Columns.Role.class));
        }
        boolean twice = roles.stream().filter(role -> role != Columns.Role.OTHER).distinct().count() < roles.stream()
                .filter(role -> role != Columns.Role.OTHER).count();
        if (!form.ok() || twice || !new Columns(roles).suffice()) {
            throw new BadInput(
                    "Say of one column that it is the signal and of another that it is the channel or the frequency, each once.");
        }
        shapes.keep(ref.staff().firmId(), asked.shape(), roles, ref.by());
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/air")
    @Says("The scan is kept.")
    String keep(HouseholdRef ref, @RequestParam(required = false) String pasted, @RequestParam(required = false) MultipartFile file)
            throws IOException {
        String text
                = pasted != null && !pasted.isBlank() ? pasted : file == null ? "" : new String(file.getBytes(), StandardCharsets.UTF_8);
        if (text.isBlank()) {
            throw new BadInput("Paste what the scanner printed, or choose its file.");
        }
        if (text.length() > MOST_CHARACTERS) {
            throw new BadInput(
                    "The scan has " + text.length() + " characters; at most " + MOST_CHARACTERS + " are taken. Scan one interface alone.");
        }
        String kept = text.replace("\0", "");
        if (!says(ref, kept) && scans.of(ref.id()).filter(before -> says(ref, before.text())).isPresent()) {
            throw new BadInput("No network could be read in this text. The scan that is kept here says more and stays.");
        }
        scans.keep(ref.id(), kept, ref.by());
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/air/remove")
    @Says("The scan is taken out.")
    String remove(HouseholdRef ref) {
        scans.remove(ref.id());
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/air/take")
    @Says("Bands and security are written down as the scan heard them.")
    String take(HouseholdRef ref) {
        Optional<Scan> scan = scans.of(ref.id()).flatMap(printed -> understood(ref, printed.text()));
        work.takeAsHeard(ref, scan.orElseThrow(() -> new BadInput("There is no scan to take it from.")));
        return toSheet(ref);
    }

    private static String toSheet(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/ready/air";
    }
}
