package roofnest.app.firm;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import jakarta.servlet.http.HttpServletRequest;

/**
 * What was typed into a form whose session had ended, carried through the sign-in. Passwords are typed again: they are never
 * written into a page.
 *
 * @param action where it was to go, on this site
 * @param left whether something of it was left out
 */
record KeptForm(String action, List<Field> fields, boolean left) {
    /** Under which name the sign-in carries where the form was to go. */
    static final String ACTION = "kept-action";
    private static final String FIELD = "kept-field-";
    private static final int MOST_CHARACTERS = 200_000;

    record Field(String name, String value) {
        public String carried() {
            return FIELD + name;
        }
    }

    /** As it was sent while nobody was signed in. */
    static KeptForm sent(HttpServletRequest request) {
        List<Field> fields = new ArrayList<>();
        boolean[] left = {String.valueOf(request.getContentType()).startsWith("multipart/")};
        int[] length = {0};
        request.getParameterMap().forEach((name, values) -> {
            for (String value : values) {
                length[0] += value.length();
                if (isSecret(name) || length[0] > MOST_CHARACTERS) {
                    left[0] = true;
                } else if (!name.equals("_csrf")) {
                    fields.add(new Field(name, value));
                }
            }
        });
        return new KeptForm(request.getRequestURI(), List.copyOf(fields), left[0]);
    }

    /** As the sign-in carried it. */
    static KeptForm carried(HttpServletRequest request) {
        List<Field> fields = new ArrayList<>();
        request.getParameterMap().forEach((name, values) -> {
            for (String value : values) {
                if (name.startsWith(FIELD)) {
                    fields.add(new Field(name.substring(FIELD.length()), value));
                }
            }
        });
        return new KeptForm(Fresh.back(request.getParameter(ACTION)), List.copyOf(fields), false);
    }

    private static boolean isSecret(String field) {
        String name = field.toLowerCase(Locale.ROOT);
        return name.contains("password") || name.equals("current") || name.equals("wanted");
    }
}
