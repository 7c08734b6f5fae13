package roofnest.core.pairing;

import java.util.Collection;
import java.util.Locale;
import java.util.Optional;

/** Names that anyone in the house can say and tell apart. */
public final class CameraName {
    private static final int LONGEST = 24;

    private CameraName() {}

    /** "Stairs eye" from the place "river stairs"; a number is added while the name is taken. */
    public static String suggest(String placeName, Collection<String> taken) {
        String[] words = placeName.strip().split("\\s+");
        String last = words[words.length - 1].toLowerCase(Locale.ROOT);
        String base = Character.toUpperCase(last.charAt(0)) + last.substring(1) + " eye";
        String name = base;
        for (int n = 2; isTaken(name, taken); n++) {
            name = base + " " + n;
        }
        return name;
    }

    /** What is wrong with a name, or empty. */
    public static Optional<String> fault(String name, Collection<String> taken) {
        String stripped = name.strip();
        if (stripped.isEmpty()) {
            return Optional.of("Give it a name.");
        }
        if (stripped.length() > LONGEST) {
            return Optional.of("It has " + stripped.length() + " characters; apps cut names off after " + LONGEST + ".");
        }
        if (!stripped.codePoints().allMatch(c -> Character.isLetterOrDigit(c) || c == ' ' || c == '-')) {
            return Optional.of("Use letters, digits, spaces and hyphens only, so that it can be spoken.");
        }
        return isTaken(stripped, taken) ? Optional.of("Another camera in this house is called that.") : Optional.empty();
    }

    private static boolean isTaken(String name, Collection<String> taken) {
        return taken.stream().anyMatch(other -> other.equalsIgnoreCase(name));
    }
}
