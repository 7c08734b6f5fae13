package roofnest.core.network;

import java.text.Normalizer;
import java.util.Collection;
import java.util.function.IntPredicate;

import roofnest.core.catalogue.CredentialRule;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.lang.Numbers;

/**
 * The name and password nearest to the ones in use that every model of the job can take: accents are dropped, what no
 * model takes is left out or becomes a hyphen where hyphens fit, and the rest is cut to the shortest limit.
 */
public record SafeCredentials(String name, String password) {
    private static final String PADDING = "23456789";

    @Override
    public String toString() {
        return "SafeCredentials[" + name + ", password not shown]";
    }

    /** The same name and password come back when they already fit; an open network keeps none. */
    public static SafeCredentials nearest(HomeNetwork network, Collection<DeviceModel> models) {
        IntPredicate nameFits = c -> models.stream().allMatch(model -> model.credentials().nameCharacters().allows(c));
        IntPredicate passwordFits = c -> models.stream().allMatch(model -> model.credentials().passwordCharacters().allows(c));
        int nameMax = models.stream().mapToInt(model -> model.credentials().nameMaxBytes()).min().orElse(HomeNetwork.NAME_MAX_BYTES);
        int passwordMax = models.stream().mapToInt(model -> model.credentials().passwordMaxBytes()).min()
                .orElse(HomeNetwork.PASSWORD_MAX_BYTES);
        String name = fit(network.name(), nameFits, nameMax);
        if (name.isEmpty()) {
            name = "home";
        }
        if (!network.security().asksPassword()) {
            return new SafeCredentials(name, "");
        }
        String password = fit(network.password(), passwordFits, passwordMax);
        StringBuilder padded = new StringBuilder(password);
        for (int i = 0; padded.length() < CredentialRule.PASSWORD_MIN_BYTES; i++) {
            padded.append(PADDING.charAt(i % PADDING.length()));
        }
        return new SafeCredentials(name, padded.toString());
    }

    private static String fit(String text, IntPredicate fits, int maxBytes) {
        if (text.codePoints().allMatch(fits) && CredentialFit.bytes(text) <= maxBytes) {
            return text;
        }
        // Letters with a stroke or a ligature do not decompose; these are the ones common in names.
        String plain = Normalizer.normalize(text, Normalizer.Form.NFD).replaceAll("\\p{M}+", "")
                .replace("ß", "ss").replace("ø", "o").replace("Ø", "O").replace("æ", "ae").replace("Æ", "Ae")
                .replace("ł", "l").replace("Ł", "L").replace('’', '\'').replace('–', '-').replace('—', '-');
        StringBuilder kept = new StringBuilder();
        boolean hyphenFits = fits.test('-');
        plain.codePoints().forEach(c -> {
            if (fits.test(c)) {
                kept.appendCodePoint(c);
            } else if (hyphenFits && !kept.isEmpty() && kept.charAt(kept.length() - 1) != '-') {
                kept.append('-');
            }
        });
        while (kept.length() > 0
                && (kept.charAt(kept.length() - 1) == '-' && !text.endsWith("-") || CredentialFit.bytes(kept.toString()) > maxBytes)) {
            kept.deleteCharAt(kept.length() - 1);
        }
        return kept.toString();
    }

    /**
     * "Rejoin 9 things, about 18 min": what a change would cost.
     *
     * @param thingsThatRejoin or {@link #NOT_COUNTED}
     */
    public static String rejoinCost(int thingsThatRejoin) {
        if (thingsThatRejoin == NOT_COUNTED) {
            return "everything else on the Wi-Fi has to rejoin, about " + Numbers.fixed(MINUTES_A_THING, 0)
                    + " min each; nobody has counted it yet";
        }
        if (thingsThatRejoin == 0) {
            return "nothing else is on this Wi-Fi that would have to rejoin";
        }
        double minutes = thingsThatRejoin * MINUTES_A_THING;
        return thingsThatRejoin == 1 ? "1 other thing has to rejoin, about " + Numbers.fixed(minutes, 0) + " min"
                : thingsThatRejoin + " other things have to rejoin, about " + Numbers.fixed(minutes, 0) + " min";
    }

    /** What else is on the Wi-Fi while nobody has counted it: that is not the same as nothing. */
    public static final int NOT_COUNTED = -1;

    /** Minutes at the other things of a network; those that nobody counted cannot be reckoned with. */
    public static double minutesAt(int otherThings) {
        return Math.max(0, otherThings) * MINUTES_A_THING;
    }

    /** Ordinary time to type a new password into one phone, television or lamp, minutes. */
    public static final double MINUTES_A_THING = 2;
}
