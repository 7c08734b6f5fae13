package roofnest.app.survey;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.household.HouseholdChanges;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.ImportRefused;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.Band;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.Stage;
import roofnest.core.radio.Reading;

/** Signals read on site, one by one and as tables. */
@Controller
class ReadingController {
    private final ReadingRepository readings;
    private final HouseholdChanges changes;
    private final BoardPages pages;

    ReadingController(ReadingRepository readings, HouseholdChanges changes, BoardPages pages) {
        this.readings = readings;
        this.changes = changes;
        this.pages = pages;
    }

    @PostMapping("/households/{household}/survey/readings")
    String add(HouseholdRef ref, @RequestParam Map<String, String> values, Model model, HttpServletResponse response) {
        Form form = new Form(values);
        double x = form.decimal("readX", "x,", -500, 500, "m");
        double y = form.decimal("readY", "y,", -500, 500, "m");
        double z = form.decimal("readHeight", "the height,", -20, 60, "m");
        Band band = form.choice("readBand", "the band", Band.class);
        boolean bars = form.raw("readAs").equals("bars");
        double value = bars ? form.whole("readValue", "how many bars,", 0, 4, "bars")
                : form.decimal("readValue", "the signal,", -100, -10, "dBm");
        if (form.ok() && readings.of(ref.id()).size() >= ReadingRepository.MOST) {
            form.fault("readValue", "A house takes " + ReadingRepository.MOST + " readings; take some out first.");
        }
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return pages.board(ref, form, values, model);
        }
        SpacePoint at = new SpacePoint(x, y, z);
        Reading reading = bars ? Reading.ofBars(at, band, (int) value) : Reading.ofFigure(at, band, value);
        changes.run(ref, Stage.SURVEY, () -> readings.add(ref.id(), reading, ref.by()));
        return back(ref, values);
    }

    @PostMapping("/households/{household}/survey/readings/{reading}/remove")
    String remove(HouseholdRef ref, @PathVariable("reading") long id, @RequestParam Map<String, String> values) {
        changes.run(ref, Stage.SURVEY, () -> {
            if (!readings.remove(ref.id(), id)) {
                throw new NoSuchPage();
            }
        });
        return back(ref, values);
    }

    @GetMapping("/households/{household}/survey/readings.csv")
    ResponseEntity<String> csv(HouseholdRef ref) {
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"readings-" + ref.id() + ".csv\"")
                .body(ReadingsCsv.write(readings.of(ref.id())));
    }

    @PostMapping("/households/{household}/survey/readings.csv")
    String importCsv(HouseholdRef ref, @RequestParam("readings") MultipartFile file, @RequestParam Map<String, String> values, Model model,
            HttpServletResponse response) throws IOException {
        Form form = new Form(values);
        try {
            List<Reading> read = read(file);
            if (read.size() + readings.of(ref.id()).size() > ReadingRepository.MOST) {
                throw new ImportRefused(List.of("A house takes " + ReadingRepository.MOST + " readings; with these it would have more."));
            }
            changes.run(ref, Stage.SURVEY, () -> read.forEach(reading -> readings.add(ref.id(), reading, ref.by())));
            return back(ref, values);
        } catch (ImportRefused refused) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("csvFaults", refused.faults());
            return pages.board(ref, form, values, model);
        }
    }

    private static List<Reading> read(MultipartFile file) throws IOException, ImportRefused {
        if (file.getSize() > ReadingsCsv.MAX_BYTES) {
            throw new ImportRefused(List.of("The table is larger than " + ReadingsCsv.MAX_BYTES / 1000 + " kB."));
        }
        return ReadingsCsv.read(new String(file.getBytes(), StandardCharsets.UTF_8));
    }

    private static String back(HouseholdRef ref, Map<String, String> values) {
        return "redirect:" + ref.path() + "/survey?panel=signal" + BoardPages.cameraParameter(values);
    }
}
