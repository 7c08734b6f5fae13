package roofnest.app.find;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.core.promise.Standing;

/**
 * What somebody typed into the field.
 *
 * @param text in lower case, one blank between words
 * @param standing that it names, such as <i>broken link</i>; empty when it names none
 * @param about the other words, when it names a standing
 */
record Asked(String text, Optional<Standing> standing, String about) {
    private static final int MOST_CHARACTERS = 80;
    /** Shorter than this nothing can be like it. */
    private static final int LEAST_CHARACTERS = 2;

    static Asked of(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
        text = text.length() > MOST_CHARACTERS ? text.substring(0, MOST_CHARACTERS) : text;
        List<String> words = new ArrayList<>(List.of(text.split(" ")));
        Optional<Standing> standing = Arrays.stream(Standing.values()).filter(each -> words.contains(word(each))).findFirst();
        if (standing.isEmpty() && text.contains("not tried")) {
            standing = Optional.of(Standing.UNTRIED);
            words.removeAll(List.of("not", "tried"));
        }
        String about
                = standing.map(each -> words.stream().filter(word -> !word.equals(word(each))).collect(Collectors.joining(" "))).orElse("");
        return new Asked(text, standing, about);
    }

    private static String word(Standing standing) {
        return standing.name().toLowerCase(Locale.ROOT);
    }

    boolean tooShort() {
        return text.length() < LEAST_CHARACTERS;
    }

    /** For a comparison with the beginning; what the comparison takes for a joker is typed as it is. */
    String prefix() {
        return text.replaceAll("([\\\\%_])", "\\\\$1") + "%";
    }
}
