package roofnest.app.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import jakarta.servlet.http.HttpServletRequest;

/**
 * What somebody typed into a form that could not be taken, to be sent again from a page of ours. Passwords and files are put in
 * again: neither is ever written into a page.
 *
 * @param left whether something was left out
 */
public record Typed(List<Field> fields, boolean left) {
    private static final int MOST_CHARACTERS = 200_000;

    /** One of the fields, as it was sent. */
    public record Field(String name, String value) {}

    public Typed {
        fields = List.copyOf(fields);
    }

    public static Typed of(HttpServletRequest request) {
        List<Field> fields = new ArrayList<>();
        boolean left = String.valueOf(request.getContentType()).startsWith("multipart/");
        int length = 0;
        for (Map.Entry<String, String[]> field : request.getParameterMap().entrySet()) {
            for (String value : field.getValue()) {
                length += value.length();
                if (isSecret(field.getKey()) || length > MOST_CHARACTERS) {
                    left = true;
                } else {
                    fields.add(new Field(field.getKey(), value));
                }
            }
        }
        return new Typed(fields, left);
    }

    private static boolean isSecret(String field) {
        String name = field.toLowerCase(Locale.ROOT);
        return name.contains("password") || name.equals("current") || name.equals("wanted");
    }
}
