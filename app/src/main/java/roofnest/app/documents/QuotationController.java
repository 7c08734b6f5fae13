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
import roofnest.core.promise.Stage;

/** What a job costs, on one page. */
@Controller
class QuotationController {
    private final Frames frames;
    private final Kits kits;
    private final Pdf pdf;
    private final Clock clock;

    QuotationController(Frames frames, Kits kits, Pdf pdf, Clock clock) {
        this.frames = frames;
        this.kits = kits;
        this.pdf = pdf;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/ready/quotation.pdf")
    ResponseEntity<byte[]> quotation(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.READY);
        String date = LocalDate.now(clock).format(DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH));
        byte[] page = pdf.render("documents/quotation",
                Map.of("kit", kits.view(ref, frame), "frame", frame, "date", date, "by", ref.by(), "firm", ref.staff().firmName()));
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header("Cache-Control", "no-store")
                .header("Content-Disposition", "inline; filename=\"quotation-" + ref.id() + ".pdf\"").body(page);
    }
}
