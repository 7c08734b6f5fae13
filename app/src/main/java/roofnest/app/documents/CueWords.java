package roofnest.app.documents;

import org.springframework.stereotype.Component;

import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.core.catalogue.Cue;

/** What a light shows, in the household's language. */
@Component
class CueWords {
    private final Words words;

    CueWords(Words words) {
        this.words = words;
    }

    String of(Cue cue, Language language) {
        return isDark(cue) ? words.say(language, "card.light.NONE")
                : words.say(language, "card.light." + cue.light()) + ", " + words.say(language, "card.rhythm." + cue.rhythm());
    }

    static boolean isDark(Cue cue) {
        return cue.light() == Cue.Light.NONE || cue.rhythm() == Cue.Rhythm.OFF;
    }
}
