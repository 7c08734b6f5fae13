package roofnest.app.survey;

import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.ReadingRepository;
import roofnest.app.web.Form;
import roofnest.core.promise.Stage;

/** Puts the board's page together, for whichever controller answers with it. */
@Component
class BoardPages {
    private final Frames frames;
    private final Boards boards;
    private final Models models;
    private final ReadingRepository readings;
    private final VariantRepository variants;

    BoardPages(Frames frames, Boards boards, Models models, ReadingRepository readings, VariantRepository variants) {
        this.frames = frames;
        this.boards = boards;
        this.models = models;
        this.readings = readings;
        this.variants = variants;
    }

    /** @param said the request's parameters: camera, storey and the look */
    String board(HouseholdRef ref, Form form, Map<String, String> said, Model model) {
        Frame frame = frames.frame(ref, Stage.SURVEY, model);
        Look look = Look.of(said);
        model.addAttribute("form", form);
        model.addAttribute("look", look);
        model.addAttribute("householdPath", ref.path());
        model.addAttribute("models", models.of(ref.staff().firmId()));
        model.addAttribute("board", BoardView.of(frame, said.get("storey"), readings.records(ref.id()), variants.names(ref.id())));
        boards.shown(frame.judged(), number(said.get("camera")), look).ifPresent(live -> model.addAttribute("live", live));
        return "survey";
    }

    static String cameraParameter(Map<String, String> said) {
        return Optional.ofNullable(number(said.get("camera"))).map(id -> "&camera=" + id).orElse("");
    }

    static Long number(String said) {
        try {
            return said == null || said.isBlank() ? null : Long.valueOf(said);
        } catch (NumberFormatException e) {
            return null;
        }
    }
}
