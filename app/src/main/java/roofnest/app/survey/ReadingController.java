package roofnest.app.survey;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Consumer;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.ReadingRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
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
    private final Changes changes;
    private final BoardPages pages;

    ReadingController(ReadingRepository readings, Changes changes, BoardPages pages) {
        this.readings = readings;
        this.changes = changes;
        this.pages = pages;
    }

    @PostMapping("/households/{household}/survey/readings")
    @Says("The reading is kept.")
    String add(HouseholdRef ref, Form form, Model model) {
        return save(ref, form, reading -> {
            if (readings.count(ref.id()) >= ReadingRepository.MOST) {
                form.fault("readValue", "A house takes " + ReadingRepository.MOST + " readings; take some out first.");
            } else {
                readings.add(ref.id(), List.of(reading), ref.by());
            }
        }) ? back(ref, form) : pages.board(ref, form, form.values(), model);
    }

    @PostMapping("/households/{household}/survey/readings/{reading}")
    @Says("The reading is corrected.")
    String change(HouseholdRef ref, @PathVariable("reading") long id, Form form, Model model) {
        return save(ref, form, reading -> {
            if (!readings.change(ref.id(), id, reading, ref.by())) {
                throw new Conflict("Somebody else took this reading out meanwhile.");
            }
        }) ? back(ref, form) : pages.board(ref, form, form.values(), model);
    }

    private boolean save(HouseholdRef ref, Form form, Consumer<Reading> keep) {
        double x = form.decimal("readX", "x,", -500, 500, "m");
        double y = form.decimal("readY", "y,", -500, 500, "m");
        double z = form.decimal("readHeight", "the height,", -20, 60, "m");
        Band band = form.choice("readBand", "the band", Band.class);
        boolean bars = form.raw("readAs").equals("bars");
        double value = bars ? form.whole("readValue", "how many bars,", 0, 4, "bars")
                : form.decimal("readValue", "the signal,", -100, -10, "dBm");
        return form.save(() -> {
            SpacePoint at = new SpacePoint(x, y, z);
            Reading reading = bars ? Reading.ofBars(at, band, (int) value) : Reading.ofFigure(at, band, value);
            changes.run(ref, Stage.SURVEY, () -> keep.accept(reading));
        });
    }

    @PostMapping("/households/{household}/survey/readings/{reading}/remove")
    @Says("The reading is taken out. It can be brought back from the household’s own sheet.")
    String remove(HouseholdRef ref, @PathVariable("reading") long id, Form form) {
        changes.run(ref, Stage.SURVEY, () -> {
            if (!readings.remove(ref.id(), id, ref.by())) {
                throw new NoSuchPage();
            }
        });
        return back(ref, form);
    }

    @GetMapping("/households/{household}/survey/readings.csv")
    ResponseEntity<String> csv(HouseholdRef ref) {
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"readings-" + ref.id() + ".csv\"")
                .body(ReadingsCsv.write(readings.of(ref.id())));
    }

    @PostMapping("/households/{household}/survey/readings.csv")
    @Says("The readings are kept.")
    String importCsv(HouseholdRef ref, @RequestParam("readings") MultipartFile file, Form form, Model model) throws IOException {
        boolean saved = form.bring("csv", () -> {
            List<Reading> read = read(file);
            changes.run(ref, Stage.SURVEY, () -> {
                if (read.size() + readings.count(ref.id()) > ReadingRepository.MOST) {
                    form.fault("csv", "A house takes " + ReadingRepository.MOST + " readings; with these it would have more.");
                } else {
                    readings.add(ref.id(), read, ref.by());
                }
            });
        });
        return saved ? back(ref, form) : pages.board(ref, form, form.values(), model);
    }

    private static List<Reading> read(MultipartFile file) throws IOException, ImportRefused {
        if (file.getSize() > ReadingsCsv.MAX_BYTES) {
            throw new ImportRefused(List.of("The table is larger than " + ReadingsCsv.MAX_BYTES / 1000 + " kB."));
        }
        return ReadingsCsv.read(new String(file.getBytes(), StandardCharsets.UTF_8));
    }

    private static String back(HouseholdRef ref, Form form) {
        return "redirect:" + ref.path() + "/survey?panel=signal" + BoardPages.cameraParameter(form.values());
    }
}
