package roofnest.app.price;

import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.core.kit.Quotation;

/** Lines and sums in words. @param discount empty where none is given */
public record MoneySheet(List<Priced> lines, String currency, String discountWords, String discount, String net, String taxWords,
        String tax,
        String total) {
    private static final Pattern PLUG = Pattern.compile("anchor ([0-9]+) mm plug with ([0-9.]+) × ([0-9]+) mm screw");
    private static final Pattern CAVITY = Pattern.compile("anchor cavity anchor for ([0-9.]+) mm screws");
    private static final int MINUTES_AN_HOUR = 60;

    public record Priced(String what, int quantity, String each, String sum) {}

    public static MoneySheet of(Quotation sums, String currency, Language language, Words words) {
        String tail = " " + currency;
        return new MoneySheet(
                sums.lines().stream().map(line -> new Priced(what(line, language, words), line.quantity(),
                        amount(line.eachCents(), language), amount(line.sumCents(), language))).toList(),
                currency, words.say(language, "money.discount", percent(sums.discountPercent(), language)),
                sums.discountCents() == 0 ? "" : amount(-sums.discountCents(), language) + tail, amount(sums.netCents(), language) + tail,
                words.say(language, "money.tax", percent(sums.taxPercent(), language)), amount(sums.taxCents(), language) + tail,
                amount(sums.totalCents(), language) + tail);
    }

    static String amount(long cents, Language language) {
        return language.number(BigDecimal.valueOf(cents, 2).doubleValue(), 2);
    }

    private static String percent(BigDecimal percent, Language language) {
        BigDecimal plain = percent.stripTrailingZeros();
        return language.number(plain.doubleValue(), Math.max(0, plain.scale()));
    }

    /** A line that somebody wrote stays as it was written, and a model is called as its maker calls it. */
    private static String what(Quotation.Line line, Language language, Words words) {
        if (language == Language.ENGLISH || line.key().isEmpty()) {
            return line.what();
        }
        String[] key = line.key().split(" ", 2);
        return switch (key[0]) {
            case "work" -> words.say(language, "money.line.work", Integer.parseInt(key[1]) / MINUTES_AN_HOUR,
                    Integer.parseInt(key[1]) % MINUTES_AN_HOUR);
            case Quotation.KM -> words.say(language, "money.line.km");
            case "hub" -> words.say(language, "money.line.hub", line.what().replaceFirst(" hub$", ""));
            case "card" -> words.say(language, "money.line.card", key[1]);
            case "extension" -> words.say(language, "money.line.extension", key[1]);
            case "clips" -> words.say(language, "money.line.clips");
            case "anchor" -> anchor(line, language, words);
            default -> line.what();
        };
    }

    private static String anchor(Quotation.Line line, Language language, Words words) {
        Matcher plug = PLUG.matcher(line.key());
        if (plug.matches()) {
            return words.say(language, "money.line.plug", plug.group(1), plug.group(2), plug.group(3));
        }
        Matcher cavity = CAVITY.matcher(line.key());
        if (cavity.matches()) {
            return words.say(language, "money.line.cavity", cavity.group(1));
        }
        return words.say(language, line.key().contains("timber") ? "money.line.timber" : "money.line.metal");
    }
}
