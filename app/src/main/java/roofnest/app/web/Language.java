package roofnest.app.web;

import java.text.NumberFormat;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** A language in which a household reads its pages and papers, with its forms of figures and days. */
public enum Language {
    ENGLISH(Locale.UK, "English"), GERMAN(Locale.GERMANY, "Deutsch"), FRENCH(Locale.FRANCE, "Français"),
    SPANISH(new Locale("es", "ES"), "Español"), POLISH(new Locale("pl", "PL"), "Polski");

    private final Locale locale;
    private final String ownName;

    Language(Locale locale, String ownName) {
        this.locale = locale;
        this.ownName = ownName;
    }

    public Locale locale() {
        return locale;
    }

    /** ISO 639, two letters. */
    public String code() {
        return locale.getLanguage();
    }

    /** As its speakers call it. */
    public String ownName() {
        return ownName;
    }

    public static Optional<Language> of(String code) {
        return Arrays.stream(values()).filter(each -> each.code().equals(code)).findFirst();
    }

    /** "4 February 2027", "4. Februar 2027". */
    public String day(LocalDate day) {
        return day.format(DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG).withLocale(locale));
    }

    /** With the language's own decimal sign, and no grouping: figures here are small. */
    public String number(double value, int decimals) {
        NumberFormat format = NumberFormat.getNumberInstance(locale);
        format.setGroupingUsed(false);
        format.setMinimumFractionDigits(decimals);
        format.setMaximumFractionDigits(decimals);
        return format.format(value).replace('-', '\u2212');
    }
}
