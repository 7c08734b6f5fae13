package roofnest.app.documents;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

import org.springframework.stereotype.Component;

import roofnest.app.drawing.LampView;
import roofnest.app.models.Models;
import roofnest.app.web.Language;
import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.fault.Question;

/** Lights of the household's own models beside the answers that they belong to. */
@Component
class HelpLamps {
    private static final int DARK = 0;
    private static final int STEADY = 1;
    private static final int BLINKS = 2;
    private static final int AS_ALWAYS = 3;
    private static final int HUB_YES = 0;

    private final Models models;
    private final CueWords words;

    HelpLamps(Models models, CueWords words) {
        this.models = models;
        this.words = words;
    }

    /** What may be seen where somebody gives this answer; nothing where the answer is about no light. */
    List<LampView> of(Question question, int answer, DeviceModel model, Language language) {
        if (question == Question.HUB_LIGHT) {
            return answer == HUB_YES ? models.hubOf(model).map(hub -> drawn(Set.of(hub.setUp().cue(DeviceState.JOINED)), language)).orElse(
                    List.of()) : List.of();
        }
        if (question != Question.LIGHT) {
            return List.of();
        }
        Cue usual = model.setUp().cue(DeviceState.JOINED);
        return switch (answer) {
            case AS_ALWAYS -> drawn(Set.of(usual), language);
            case DARK -> drawn(shown(model, usual, CueWords::isDark), language);
            case STEADY -> drawn(shown(model, usual, cue -> !CueWords.isDark(cue) && cue.rhythm() == Cue.Rhythm.STEADY), language);
            case BLINKS -> drawn(shown(model, usual, cue -> !CueWords.isDark(cue) && cue.rhythm() != Cue.Rhythm.STEADY), language);
            default -> List.of();
        };
    }

    /** Each once, without what it shows when all is well: that is an answer of its own. */
    private static Set<Cue> shown(DeviceModel model, Cue usual, Predicate<Cue> which) {
        Set<Cue> cues = new LinkedHashSet<>();
        Arrays.stream(DeviceState.values()).map(state -> model.setUp().cue(state)).map(cue -> new Cue(cue.light(), cue.rhythm(), null))
                .filter(which).filter(cue -> cue.light() != usual.light() || cue.rhythm() != usual.rhythm()).forEach(cues::add);
        return cues;
    }

    private List<LampView> drawn(Set<Cue> cues, Language language) {
        return cues.stream().map(cue -> LampView.of(cue, words.of(cue, language))).toList();
    }
}
