package roofnest.app.web;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;

import roofnest.core.lang.Numbers;

/**
 * What somebody typed, kept as typed, with a message at each field that does not do. Reading a field that is wrong
 * notes the fault and returns a harmless value; callers make nothing of the values before {@link #ok()} says so.
 */
public final class Form {
    private static final Pattern EMAIL = Pattern.compile("[^\\s@]+@[^\\s@]+\\.[^\\s@]+");

    private final Map<String, String> values;
    private final Map<String, String> faults = new LinkedHashMap<>();

    public Form(Map<String, String> values) {
        this.values = new LinkedHashMap<>(values);
    }

    public static Form empty() {
        return new Form(Map.of());
    }

    public boolean ok() {
        return faults.isEmpty();
    }

    /** The value as typed, or empty. */
    public String raw(String field) {
        return values.getOrDefault(field, "");
    }

    /** The value as typed, or what stands in the record when nothing was typed yet. */
    public String value(String field, Object stored) {
        String typed = values.get(field);
        return typed != null ? typed : stored == null ? "" : String.valueOf(stored);
    }

    public boolean has(String field) {
        return values.containsKey(field);
    }

    /** The message at a field, or null. */
    public String faultAt(String field) {
        return faults.get(field);
    }

    public void fault(String field, String sentence) {
        faults.putIfAbsent(field, sentence);
    }

    /** Sets a value that the page has to carry from now on, such as a newer version. */
    public void put(String field, String value) {
        values.put(field, value);
    }

    public String text(String field, String what, int maxLength) {
        String text = raw(field).strip();
        if (text.isEmpty()) {
            fault(field, "Enter " + what + ".");
        } else {
            checkLength(field, text, maxLength);
        }
        return text;
    }

    public String optionalText(String field, int maxLength) {
        String text = raw(field).strip();
        checkLength(field, text, maxLength);
        return text;
    }

    private void checkLength(String field, String text, int maxLength) {
        if (text.length() > maxLength) {
            fault(field, "It has " + text.length() + " characters; at most " + maxLength + " fit. Shorten it.");
        } else if (text.codePoints().anyMatch(Character::isISOControl) && !text.contains("\n")) {
            fault(field, "It has characters that cannot be shown. Type it again.");
        }
    }

    public String email(String field, String what) {
        String text = text(field, what, 254);
        if (faultAt(field) == null && !EMAIL.matcher(text).matches()) {
            fault(field, "This is not an e-mail address; it needs a name, an @ and a domain.");
        }
        return text;
    }

    /** A decimal number in a range; a comma is taken as a decimal point. */
    public double decimal(String field, String what, double min, double max, String unit) {
        String typed = raw(field).strip().replace(',', '.').replace('\u2212', '-');
        try {
            double value = new BigDecimal(typed).doubleValue();
            if (value >= min && value <= max) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Told below, the same as a number out of range.
        }
        fault(field, "Enter " + what + " from " + Numbers.plain(min) + " to " + Numbers.plain(max) + " " + unit + ".");
        return min;
    }

    public int whole(String field, String what, int min, int max, String unit) {
        double value = decimal(field, what, min, max, unit);
        if (faultAt(field) == null && value != Math.rint(value)) {
            fault(field, "Enter a whole number of " + unit + ".");
        }
        return (int) value;
    }

    public LocalDate date(String field, String what) {
        try {
            LocalDate date = LocalDate.parse(raw(field).strip());
            if (date.getYear() >= 2000 && date.getYear() <= 2100) {
                return date;
            }
        } catch (DateTimeParseException e) {
            // Told below.
        }
        fault(field, "Enter " + what + " as a date between 2000 and 2100.");
        return LocalDate.EPOCH;
    }

    public <E extends Enum<E>> E choice(String field, String what, Class<E> type) {
        for (E constant : type.getEnumConstants()) {
            if (constant.name().equals(raw(field))) {
                return constant;
            }
        }
        fault(field, "Choose " + what + ".");
        return type.getEnumConstants()[0];
    }

    public int version() {
        return whole("version", "the version this page was opened at", 0, Integer.MAX_VALUE, "edits");
    }
}
