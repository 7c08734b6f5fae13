package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.ready.Kits;
import roofnest.app.records.HouseholdRef;
import roofnest.app.workshop.Workshop;
import roofnest.core.promise.Stage;

/** What a job costs, on one page. */
@Controller
class QuotationController {
    private final Frames frames;
    private final Kits kits;
    private final Pdf pdf;
    private final Workshop workshop;
    private final Clock clock;

    QuotationController(Frames frames, Kits kits, Pdf pdf, Workshop workshop, Clock clock) {
        this.frames = frames;
        this.kits = kits;
        this.pdf = pdf;
        this.workshop = workshop;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/ready/quotation.pdf")
    Object quotation(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.READY);
        String date = LocalDate.now(clock).format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH));
        String drawn = pdf.drawn("documents/quotation", ref.staff().firmId(),
                Map.of("kit", kits.view(ref, frame), "frame", frame, "date", date, "by", ref.by()));
        return workshop.answer("The quotation", "pdf", drawn, pdf::of, made -> file(ref, made));
    }

    private static ResponseEntity<byte[]> file(HouseholdRef ref, byte[] page) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header("Cache-Control", "no-store")
                .header("Content-Disposition", "inline; filename=\"quotation-" + ref.id() + ".pdf\"").body(page);
    }
}
