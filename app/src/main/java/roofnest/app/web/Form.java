package roofnest.app.web;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

import roofnest.core.lang.Numbers;
import roofnest.core.lang.Text;

/**
 * What somebody typed, kept as typed, with a message at each field that does not do. Reading a field that is wrong
 * notes the fault and returns a harmless value; callers make nothing of the values before {@link #ok()} says so.
 */
public final class Form {
    private static final Pattern EMAIL = Pattern.compile("[^\\s@]+@[^\\s@]+\\.[^\\s@]+");

    private static final Pattern PHONE = Pattern.compile("\\+?[0-9 ()/-]{4,39}");

    private final RegionForms region;
    private final Map<String, String> values;
    private final Map<String, String> faults = new LinkedHashMap<>();
    private String conflict;
    private List<String> imported = List.of();

    /** A form of nobody's region: days in digits as at home, the day first. */
    public Form(Map<String, String> values) {
        this(values, new RegionForms(Locale.UK));
    }

    /** Text with signs that no screen shows and no keyboard types is at fault wherever it was put in. */
    public Form(Map<String, String> values, RegionForms region) {
        this.region = region;
        this.values = new LinkedHashMap<>(values);
        values.forEach((field, typed) -> {
            if (typed != null && Text.hasControls(typed)) {
                fault(field, "It has characters that cannot be shown. Type it again.");
            }
        });
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

    /** The value as typed, or what stands in the record when nothing was typed yet; a day that was understood as pages write it. */
    public String value(String field, Object stored) {
        String typed = values.get(field);
        if (stored instanceof LocalDate && typed != null && day(field).isPresent()) {
            return region.shown(day(field).get());
        }
        return typed != null ? typed : region.shown(stored);
    }

    public boolean has(String field) {
        return values.containsKey(field);
    }

    /** All that was typed, by field. */
    public Map<String, String> values() {
        return Map.copyOf(values);
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

    /**
     * Does what the form asks, if it is in order and nobody was quicker. What was typed stays either way, and after a
     * conflict the form carries the newer version, so that saving again is a decision.
     *
     * @return whether it was done; if not, the page is drawn again with this form
     */
    public boolean save(Runnable act) {
        if (!ok()) {
            return false;
        }
        try {
            act.run();
            return ok();
        } catch (StaleEdit stale) {
            put("version", String.valueOf(stale.currentVersion()));
            conflict = stale.getMessage() + " What you typed is still here; save again to put it over theirs.";
        } catch (Conflict other) {
            conflict = other.getMessage() + " What you typed is still here.";
        }
        return false;
    }

    /** The same, for an act whose refusal belongs to one field. */
    public boolean save(String field, Runnable act) {
        return save(() -> {
            try {
                act.run();
            } catch (BadInput refused) {
                fault(field, refused.getMessage());
            }
        });
    }

    /** All that is wrong with what was brought in, at a field. */
    public void refuse(String field, List<String> sentences) {
        imported = List.copyOf(sentences);
        fault(field, imported.get(0));
    }

    /** Brings something in as a whole or not at all. */
    public interface Bringing {
        void run() throws ImportRefused, IOException;
    }

    /**
     * Brings something in as {@link #save} does; all that is wrong with it stands at {@code field}.
     *
     * @return whether it was taken
     */
    public boolean bring(String field, Bringing act) throws IOException {
        try {
            return save(() -> {
                try {
                    act.run();
                } catch (ImportRefused refused) {
                    refuse(field, refused.faults());
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    /** Everything that is wrong with what was brought in at a field. */
    public List<String> faultsOf(String field) {
        return faultAt(field) == null ? List.of() : imported.isEmpty() ? List.of(faultAt(field)) : imported;
    }

    /** What somebody else did meanwhile, in a sentence; null when nobody did. */
    public String conflict() {
        return conflict;
    }

    /** One line of text. */
    public String text(String field, String what, int maxLength) {
        String text = raw(field).strip();
        if (text.isEmpty()) {
            fault(field, "Enter " + what + ".");
        } else {
            checkLine(field, text, maxLength);
        }
        return text;
    }

    /** One line of text, or none. */
    public String optionalText(String field, int maxLength) {
        String text = raw(field).strip();
        checkLine(field, text, maxLength);
        return text;
    }

    /** Text of several lines, or none; its line ends are made alike. */
    public String lines(String field, int maxLength) {
        String text = raw(field).strip().replace("\r\n", "\n").replace('\r', '\n');
        checkLength(field, text, maxLength);
        return text;
    }

    private void checkLine(String field, String text, int maxLength) {
        if (text.chars().anyMatch(sign -> sign == '\n' || sign == '\r' || sign == '\t')) {
            fault(field, "This is one line; take the line breaks and tabs out.");
        }
        checkLength(field, text, maxLength);
    }

    private void checkLength(String field, String text, int maxLength) {
        if (text.length() > maxLength) {
            fault(field, "It has " + text.length() + " characters; at most " + maxLength + " fit. Shorten it.");
        }
    }

    public String email(String field, String what) {
        String text = text(field, what, 254);
        if (faultAt(field) == null && !EMAIL.matcher(text).matches()) {
            fault(field, "This is not an e-mail address; it needs a name, an @ and a domain.");
        }
        return text;
    }

    /** A telephone number as people write it, or none. */
    public String phone(String field) {
        String text = optionalText(field, 40);
        if (!text.isEmpty() && !PHONE.matcher(text).matches()) {
            fault(field, "A telephone number has digits, spaces and + ( ) / - and nothing else.");
        }
        return text;
    }

    /** A figure within something longer that was typed, as the region writes it, if it is one. */
    public Optional<BigDecimal> figure(String typed) {
        return region.number(typed);
    }

    /** A decimal number in a range, as the region writes it. */
    public double decimal(String field, String what, double min, double max, String unit) {
        double value = region.number(raw(field)).map(BigDecimal::doubleValue).orElse(Double.NaN);
        if (value >= min && value <= max) {
            return value;
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
        Optional<LocalDate> date = day(field);
        if (date.isEmpty()) {
            fault(field, "Enter " + what + " as a date between 2000 and 2100, such as " + region.dayExample() + ".");
        }
        return date.orElse(LocalDate.EPOCH);
    }

    /** The day that stands in a field, or none if nothing there is one between 2000 and 2100. */
    public Optional<LocalDate> day(String field) {
        return region.day(raw(field)).filter(date -> date.getYear() >= 2000 && date.getYear() <= 2100);
    }

    /** A time of day, or null for none. */
    public LocalTime time(String field, String what) {
        Optional<LocalTime> time = region.time(raw(field));
        if (time.isEmpty() && !raw(field).isBlank()) {
            fault(field, "Enter " + what + " as a time of day, such as 14:05.");
        }
        return time.orElse(null);
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
