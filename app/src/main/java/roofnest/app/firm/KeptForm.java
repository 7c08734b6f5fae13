package roofnest.app.firm;

import java.util.ArrayList;
import java.util.List;

import jakarta.servlet.http.HttpServletRequest;

import roofnest.app.web.Typed;

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

    record Field(String name, String value) {
        public String carried() {
            return FIELD + name;
        }
    }

    /** As it was sent while nobody was signed in. */
    static KeptForm sent(HttpServletRequest request) {
        Typed typed = Typed.of(request);
        return new KeptForm(request.getRequestURI(), typed.fields().stream().filter(field -> !field.name().equals("_csrf"))
                .map(field -> new Field(field.name(), field.value())).toList(), typed.left());
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
}
