package roofnest.app.survey;

import java.io.IOException;
import java.util.Optional;

import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.web.BadInput;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.promise.Stage;

/** Drawing the plan: one edit at a time, each checked, each undoable. */
@Controller
class DrawController {
    private static final double USUAL_LATITUDE_DEG = 50;

    private final Frames frames;
    private final Changes changes;
    private final PlanDrawers drawers;
    private final PlanSteps steps;
    private final UnderlayRepository underlays;
    private final Underlays laying;
    private final PlanDocument documents;

    DrawController(
            Frames frames, Changes changes, PlanDrawers drawers, PlanSteps steps, UnderlayRepository underlays, Underlays laying,
            PlanDocument documents) {
        this.frames = frames;
        this.changes = changes;
        this.drawers = drawers;
        this.steps = steps;
        this.underlays = underlays;
        this.laying = laying;
        this.documents = documents;
    }

    @GetMapping("/households/{household}/survey/draw")
    String draw(HouseholdRef ref, @RequestParam(required = false) String storey, Model model) {
        sheet(ref, storey, model);
        return "draw";
    }

    /** An empty sheet, where there is no plan yet. */
    @PostMapping("/households/{household}/survey/draw")
    @Says("The sheet is ready.")
    String begin(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.SURVEY);
        if (frame.facts().plan().isEmpty()) {
            String blank = documents.write(HousePlan.blank(frame.household().name(), USUAL_LATITUDE_DEG));
            changes.run(ref, Stage.SURVEY, () -> steps.take(ref.id(), blank, "an empty sheet", ref.by(), steps.state(ref.id()).version()));
        }
        return "redirect:" + ref.path() + "/survey/draw";
    }

    @PostMapping("/households/{household}/survey/draw/edits")
    String edit(HouseholdRef ref, @RequestBody PlanDrawers.Asked asked, Model model) {
        changes.run(ref, Stage.SURVEY, () -> drawers.edit(ref, asked));
        sheet(ref, asked.storey(), model);
        return "draw :: sheet";
    }

    @PostMapping("/households/{household}/survey/draw/undo")
    String undo(HouseholdRef ref, @RequestBody PlanDrawers.Asked asked, Model model) {
        changes.run(ref, Stage.SURVEY, () -> steps.undo(ref.id(), asked.version()));
        sheet(ref, asked.storey(), model);
        return "draw :: sheet";
    }

    @PostMapping("/households/{household}/survey/draw/redo")
    String redo(HouseholdRef ref, @RequestBody PlanDrawers.Asked asked, Model model) {
        changes.run(ref, Stage.SURVEY, () -> steps.redo(ref.id(), asked.version()));
        sheet(ref, asked.storey(), model);
        return "draw :: sheet";
    }

    /** The form for one thing on the sheet. */
    @GetMapping("/households/{household}/survey/draw/items")
    String item(HouseholdRef ref, @RequestParam String storey, @RequestParam String id, Model model) {
        DrawView sheet = sheet(ref, storey, model);
        model.addAttribute("item", sheet.item(id).orElseThrow(NoSuchPage::new));
        return "draw :: item";
    }

    @PostMapping("/households/{household}/survey/draw/underlay")
    String lay(HouseholdRef ref, @RequestParam String storey, @RequestParam("picture") MultipartFile file, Model model) throws IOException {
        DrawView sheet = sheet(ref, storey, model);
        byte[] bytes = file.getBytes();
        changes.run(ref, Stage.SURVEY, () -> laying.lay(ref.id(), sheet.storey().id(), bytes,
                new PlanPoint(sheet.drawing().minX(), -sheet.drawing().minY())));
        return "redirect:" + ref.path() + "/survey/draw?storey=" + sheet.storey().id();
    }

    @PostMapping("/households/{household}/survey/draw/underlay/scale")
    String scale(HouseholdRef ref, @RequestParam String storey, @RequestBody Underlays.Scaling by, Model model) {
        changes.run(ref, Stage.SURVEY, () -> laying.scale(ref.id(), storey, by));
        sheet(ref, storey, model);
        return "draw :: sheet";
    }

    @PostMapping("/households/{household}/survey/draw/underlay/move")
    String move(HouseholdRef ref, @RequestParam String storey, @RequestBody Underlays.Scaling by, Model model) {
        changes.run(ref, Stage.SURVEY, () -> laying.move(ref.id(), storey, by.x2() - by.x1(), by.y2() - by.y1()));
        sheet(ref, storey, model);
        return "draw :: sheet";
    }

    @PostMapping("/households/{household}/survey/draw/underlay/remove")
    @Says("The drawing beneath is taken out.")
    String removeUnderlay(HouseholdRef ref, @RequestParam String storey) {
        changes.run(ref, Stage.SURVEY, () -> underlays.remove(ref.id(), storey));
        return "redirect:" + ref.path() + "/survey/draw";
    }

    @GetMapping("/households/{household}/survey/draw/underlay")
    ResponseEntity<byte[]> underlay(HouseholdRef ref, @RequestParam String storey) {
        UnderlayRepository.Picture picture = underlays.picture(ref.id(), storey).orElseThrow(NoSuchPage::new);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType(picture.mediaType())).cacheControl(CacheControl.noCache())
                .body(picture.bytes());
    }

    private DrawView sheet(HouseholdRef ref, String storeyId, Model model) {
        Frame frame = frames.frame(ref, Stage.SURVEY, model);
        HousePlan plan = frame.facts().plan().orElseThrow(() -> new BadInput("The house has no plan yet; begin an empty sheet at Survey."));
        Storey storey = Optional.ofNullable(storeyId).flatMap(plan::storey).orElse(plan.storeys().get(0));
        DrawView sheet = DrawView.of(plan, storey, steps.state(ref.id()), underlays.of(ref.id(), storey.id()), frame.counts(),
                frame.facts().written());
        model.addAttribute("sheet", sheet);
        return sheet;
    }
}
