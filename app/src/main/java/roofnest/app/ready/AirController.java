package roofnest.app.ready;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.web.Says;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.NetworkRepository;
import roofnest.app.web.BadInput;
import roofnest.core.promise.Stage;
import roofnest.core.scan.Scan;
import roofnest.core.scan.ScanText;

/** What a scanner heard about the house. */
@Controller
class AirController {
    private static final int MOST_CHARACTERS = 1_000_000;

    private final Frames frames;
    private final AirScanRepository scans;
    private final NetworkRepository networks;
    private final Networks work;

    AirController(Frames frames, AirScanRepository scans, NetworkRepository networks, Networks work) {
        this.frames = frames;
        this.scans = scans;
        this.networks = networks;
        this.work = work;
    }

    @GetMapping("/households/{household}/ready/air")
    String air(HouseholdRef ref, Model model) {
        frames.frame(ref, Stage.READY, model);
        model.addAttribute("sheet", "air");
        scans.of(ref.id()).ifPresent(printed -> {
            model.addAttribute("printed", printed);
            model.addAttribute("air", AirView.of(ScanText.read(printed.text()), networks.find(ref.id())));
        });
        return "ready-air";
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
        scans.keep(ref.id(), text.replace("\0", ""), ref.by());
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
        Optional<Scan> scan = scans.of(ref.id()).map(printed -> ScanText.read(printed.text()));
        work.takeAsHeard(ref, scan.orElseThrow(() -> new BadInput("There is no scan to take it from.")));
        return toSheet(ref);
    }

    private static String toSheet(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/ready/air";
    }
}
