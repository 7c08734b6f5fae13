package roofnest.app.survey;

import java.io.ByteArrayOutputStream;
import java.io.StringReader;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import org.apache.batik.transcoder.TranscoderException;
import org.apache.batik.transcoder.TranscoderInput;
import org.apache.batik.transcoder.TranscoderOutput;
import org.apache.batik.transcoder.image.PNGTranscoder;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

import roofnest.app.drawing.PlanDrawing;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.app.workshop.Workshop;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Storey;
import roofnest.core.promise.Stage;

/** Boards and camera pictures as files to keep and to send: SVG, and PNG made of it. */
@Controller
class SheetController {
    private static final float PNG_WIDTH_PX = 1800;

    private final Frames frames;
    private final Boards boards;
    private final ITemplateEngine templates;
    private final Workshop workshop;

    SheetController(Frames frames, Boards boards, ITemplateEngine templates, Workshop workshop) {
        this.frames = frames;
        this.boards = boards;
        this.templates = templates;
        this.workshop = workshop;
    }

    /** @param live null while the plan has no camera */
    public record Sheet(String title, PlanDrawing drawing, LiveView live, Look look) {
        public boolean shows(String layer) {
            return look.shows(layer);
        }
    }

    @GetMapping("/households/{household}/survey/board.svg")
    ResponseEntity<String> boardSvg(HouseholdRef ref, @RequestParam Map<String, String> said) {
        return svg(ref, "board", said);
    }

    @GetMapping("/households/{household}/survey/picture.svg")
    ResponseEntity<String> pictureSvg(HouseholdRef ref, @RequestParam Map<String, String> said) {
        return svg(ref, "picture", said);
    }

    @GetMapping("/households/{household}/survey/board.png")
    Object boardPng(HouseholdRef ref, @RequestParam Map<String, String> said) {
        return png(ref, "board", "The picture of the board", said);
    }

    @GetMapping("/households/{household}/survey/picture.png")
    Object picturePng(HouseholdRef ref, @RequestParam Map<String, String> said) {
        return png(ref, "picture", "The camera's picture", said);
    }

    private ResponseEntity<String> svg(HouseholdRef ref, String what, Map<String, String> said) {
        return file(what + "-" + ref.id() + ".svg", MediaType.valueOf("image/svg+xml")).body(drawn(ref, what, said));
    }

    private Object png(HouseholdRef ref, String what, String words, Map<String, String> said) {
        return workshop.answer(words, "png", drawn(ref, what, said), SheetController::png,
                made -> file(what + "-" + ref.id() + ".png", MediaType.IMAGE_PNG).body(made));
    }

    private static byte[] png(String svg) {
        PNGTranscoder transcoder = new PNGTranscoder();
        transcoder.addTranscodingHint(PNGTranscoder.KEY_WIDTH, PNG_WIDTH_PX);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            transcoder.transcode(new TranscoderInput(new StringReader(svg)), new TranscoderOutput(out));
        } catch (TranscoderException e) {
            throw new IllegalStateException("what was drawn cannot be painted", e);
        }
        return out.toByteArray();
    }

    private String drawn(HouseholdRef ref, String what, Map<String, String> said) {
        Frame frame = frames.frame(ref, Stage.SURVEY);
        HousePlan plan = frame.facts().plan().orElseThrow(NoSuchPage::new);
        Storey storey = Optional.ofNullable(said.get("storey")).flatMap(plan::storey).orElse(plan.storeys().get(0));
        Look look = Look.of(said);
        Optional<LiveView> live = boards.shown(frame.judged(), BoardPages.number(said.get("camera")), look);
        if (what.equals("picture") && live.isEmpty()) {
            throw new NoSuchPage();
        }
        Sheet sheet = new Sheet(frame.household().title(), PlanDrawing.of(plan, storey), live.orElse(null), look);
        return templates.process("documents/" + what + "-sheet", new Context(Locale.ENGLISH, Map.of("sheet", sheet)));
    }

    private static ResponseEntity.BodyBuilder file(String name, MediaType type) {
        return ResponseEntity.ok().contentType(type).header("Content-Disposition", "attachment; filename=\"" + name + "\"");
    }
}
