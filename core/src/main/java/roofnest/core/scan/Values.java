package roofnest.core.scan;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import com.google.re2j.Matcher;
import com.google.re2j.Pattern;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

/** The values that scanners print, whatever the layout about them. */
final class Values {
    static final Pattern MAC = Pattern.compile("(?i)[0-9a-f]{2}([:-][0-9a-f]{2}){5}");
    private static final Pattern NUMBER = Pattern.compile("[-\u2212]?\\d{1,6}(?:[.,]\\d{1,6})?");
    private static final Pattern FREQUENCY
            = Pattern.compile("(\\d{4}(?:[.,]\\d+)?|\\d[.,]\\d{2,4})(?: ?[MG]Hz)?", Pattern.CASE_INSENSITIVE);
    private static final Pattern BAND = Pattern.compile("(2[.,]4|5|6)(?: ?G(?:Hz)?)", Pattern.CASE_INSENSITIVE);
    private static final Pattern SECURITY
            = Pattern.compile("(?i)(\\[?(--|wpa[123]?|wep|802\\.1x|owe|sae|psk|eap|open|none|enterprise|personal|"
                    + "tkip|ccmp|aes|ess|wps|offen|ouvert|abierta|aperta|aberta|\u00f6ppen|otwarte|avoin)\\]?[ /+,_-]*)+");
    /** How scanners say that a network asks for nothing. */
    private static final Set<String> OPEN_WORDS
            = Set.of("OPEN", "NONE", "[ESS]", "OFFEN", "OUVERT", "OUVERTE", "ABIERTA", "ABIERTO", "APERTA", "APERTO", "ABERTA",
                    "\u00d6PPEN",
                    "OTWARTE", "AVOIN", "\u00c5BEN", "\u00c5PEN");
    private static final Pattern ESCAPE = Pattern.compile("\\\\x([0-9a-fA-F]{2})");

    private Values() {}

    static String mac(String text) {
        return text.toLowerCase(Locale.ROOT).replace('-', ':');
    }

    /** The first number of a text, with point or comma. */
    static OptionalDouble number(String text) {
        Matcher matcher = NUMBER.matcher(text);
        return matcher.find() ? OptionalDouble.of(Double.parseDouble(matcher.group().replace(',', '.').replace('\u2212', '-')))
                : OptionalDouble.empty();
    }

    /**
     * Signal from a quality in percent: 0 is −100 dBm, 100 is −50 dBm, straight between, as the desktop systems define it.
     */
    static double dbmOfPercent(double percent) {
        return Math.min(100, Math.max(0, percent)) / 2 - 100;
    }

    /** A signal in dBm, or one in percent when it is not negative; empty when it is neither. */
    static OptionalDouble dbm(String text) {
        OptionalDouble number = number(text);
        if (number.isEmpty()) {
            return number;
        }
        double value = number.getAsDouble();
        if (value < 0) {
            return value >= -120 ? number : OptionalDouble.empty();
        }
        return value <= 100 ? OptionalDouble.of(dbmOfPercent(value)) : OptionalDouble.empty();
    }

    /** A signal in dBm as a radio can hear one: −100 to −10, with its sign. */
    static boolean isDbm(String text) {
        OptionalDouble number = text.matches("[-\u2212]\\d{1,3}([.,]\\d+)?( ?dBm)?") ? number(text) : OptionalDouble.empty();
        return number.isPresent() && number.getAsDouble() >= -100 && number.getAsDouble() <= -10;
    }

    static boolean isPercent(String text) {
        return text.matches("\\d{1,3} ?%?") && number(text).getAsDouble() <= 100;
    }

    /** The channel that a frequency in MHz or GHz is the centre of; empty when it is none, or only names a band. */
    static Optional<Channels.Channel> frequency(String text) {
        Matcher matcher = FREQUENCY.matcher(text);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        double given = Double.parseDouble(matcher.group(1).replace(',', '.'));
        return given < 10 ? matcher.group(1).length() < 5 ? Optional.empty() : Channels.ofMhz(given * 1000) : Channels.ofMhz(given);
    }

    /** The band that words such as {@code 6 GHz}, {@code 2,4} or {@code 5G} name. */
    static Optional<Band> band(String text) {
        Matcher matcher = BAND.matcher(text);
        return !matcher.matches() ? Optional.empty()
                : Optional.of(matcher.group(1).startsWith("2") ? Band.GHZ_2_4 : matcher.group(1).startsWith("5") ? Band.GHZ_5 : Band.GHZ_6);
    }

    /** Whether a text is nothing but words of security. */
    static boolean isSecurity(String text) {
        return SECURITY.matcher(text).matches();
    }

    /** What {@code \xc3\xa9} stands for; bytes that are no UTF-8 stay escaped. Nothing but zero bytes is a hidden name. */
    static String unescaped(String text) {
        if (!text.contains("\\x")) {
            return text;
        }
        Matcher matcher = ESCAPE.matcher(text);
        ByteBuffer bytes = ByteBuffer.allocate(4 * text.length());
        int from = 0;
        boolean onlyZeros = true;
        while (matcher.find()) {
            bytes.put(StandardCharsets.UTF_8.encode(CharBuffer.wrap(text, from, matcher.start())));
            onlyZeros &= matcher.start() == from && matcher.group(1).equals("00");
            bytes.put((byte) Integer.parseInt(matcher.group(1), 16));
            from = matcher.end();
        }
        bytes.put(StandardCharsets.UTF_8.encode(CharBuffer.wrap(text, from, text.length())));
        if (onlyZeros && from == text.length()) {
            return "";
        }
        bytes.flip();
        try {
            return StandardCharsets.UTF_8.newDecoder().decode(bytes).toString();
        } catch (CharacterCodingException e) {
            return text;
        }
    }

    /** Empty when the words name no security that homes use. */
    static Optional<WifiSecurity> security(String words) {
        String upper = words.toUpperCase(Locale.ROOT);
        if (upper.contains("OWE")) {
            return Optional.of(WifiSecurity.OWE);
        }
        if (upper.contains("802.1X") || upper.contains("ENTERPRISE") || upper.contains("EAP")) {
            return Optional.of(WifiSecurity.ENTERPRISE);
        }
        boolean newest = upper.contains("WPA3") || upper.contains("SAE");
        boolean older = upper.contains("WPA2") || upper.contains("WPA1") || upper.contains("PSK") || upper.matches("WPA|.*\\bWPA\\b.*");
        if (newest) {
            return Optional.of(older ? WifiSecurity.WPA2_WPA3 : WifiSecurity.WPA3);
        }
        if (older) {
            return Optional.of(WifiSecurity.WPA2);
        }
        return upper.isBlank() || upper.equals("--") || OPEN_WORDS.contains(upper) ? Optional.of(WifiSecurity.OPEN)
                : Optional.empty();
    }
}
