package roofnest.app.ready;

import java.io.IOException;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;

import org.springframework.stereotype.Controller;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.records.PriceBook;
import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.core.promise.Stage;

/** The kit of a job, the check of the van, and the stickers. */
@Controller
class KitController {
    private final Frames frames;
    private final KitChecks checks;
    private final Kits kits;
    private final Labels labels;

    KitController(Frames frames, KitChecks checks, Kits kits, Labels labels) {
        this.frames = frames;
        this.checks = checks;
        this.kits = kits;
        this.labels = labels;
    }

    @GetMapping("/households/{household}/ready/kit")
    String kit(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/ready/kit/check")
    @Says("Noted.")
    String check(HouseholdRef ref, @RequestParam(defaultValue = "") String item, @RequestParam(defaultValue = "true") boolean inVan) {
        if (kits.all(frames.frame(ref, Stage.READY)).stream().noneMatch(line -> line.key().equals(item))) {
            throw new BadInput("There is no such thing on the list.");
        }
        checks.check(ref.id(), item, inVan, ref.by());
        return "redirect:" + ref.path() + "/ready/kit";
    }

    /** A device's sticker: a photo of its code, or what stands on it typed off. */
    @PostMapping("/households/{household}/ready/kit/label")
    String label(
            HouseholdRef ref, Form form, @RequestParam(required = false) MultipartFile photo, Model model,
            RedirectAttributes flash) throws IOException {
        Optional<Long> camera
                = form.raw("camera").matches("[0-9]{1,18}") ? Optional.of(Long.parseLong(form.raw("camera"))) : Optional.empty();
        String kept = form.optionalText("stickerKept", 120);
        AtomicReference<Labels.Read> read = new AtomicReference<>();
        byte[] picture = photo == null ? new byte[0] : photo.getBytes();
        boolean saved = form.save("label", () -> (picture.length > 0 ? Optional.of(labels.fromPhoto(ref, camera, kept, picture))
                : labels.byHand(ref, camera, kept, form)).ifPresent(read::set));
        if (!saved) {
            return page(ref, model, form);
        }
        flash.addFlashAttribute("notice", notice(read.get()));
        return "redirect:" + ref.path() + "/ready/kit";
    }

    private static String notice(Labels.Read read) {
        return read.camera() + ": serial " + read.serial() + (read.passwordSealed() ? ", its password went into the sealed store." : ".")
                + (read.easilyMisread() ? " Its ID holds 0, O, 1, I or l: compare it sign by sign." : "")
                + (read.unread().isEmpty() ? "" : " Not understood in the code: " + String.join("; ", read.unread()) + ".");
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("sheet", "kit");
        model.addAttribute("kit", kits.view(ref, frame));
        model.addAttribute("labels", kits.labels(frame));
        return "ready-kit";
    }
}
