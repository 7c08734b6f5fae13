package roofnest.core.network;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.CharacterSet;
import roofnest.core.catalogue.CredentialRule;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.RadioSpec;
import roofnest.core.catalogue.WifiSecurity;

/**
 * Judges one network against one model. Lengths are in bytes of UTF-8, as IEEE 802.11 counts them: an accented letter
 * is two.
 */
public final class CredentialFit {
    private CredentialFit() {}

    /** Every reason against, the certain ones first; empty when the model simply joins. */
    public static List<FitIssue> judge(HomeNetwork network, Joinable model) {
        List<FitIssue> issues = new ArrayList<>();
        CredentialRule rule = model.credentials();
        text(issues, FitIssue.Field.NAME, "The name", network.name(), rule.nameCharacters(), rule.nameMaxBytes(), model);
        if (network.security().asksPassword()) {
            text(issues, FitIssue.Field.PASSWORD, "The password", network.password(), rule.passwordCharacters(), rule.passwordMaxBytes(),
                    model);
            if (bytes(network.password()) < CredentialRule.PASSWORD_MIN_BYTES) {
                issues.add(new FitIssue(FitIssue.Field.PASSWORD, true,
                        "The password is shorter than " + CredentialRule.PASSWORD_MIN_BYTES + " characters.", "Choose a longer password"));
            }
        }
        radio(issues, network, model.radio(), model);
        if (network.isolated()) {
            isolation(issues, model);
        }
        issues.sort(Comparator.comparing(FitIssue::blocks).reversed());
        return issues;
    }

    public static int bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8).length;
    }

    private static void text(
            List<FitIssue> issues, FitIssue.Field field, String what, String text, CharacterSet allowed, int maxBytes,
            Joinable model) {
        String odd = text.codePoints().filter(c -> !allowed.allows(c)).distinct().limit(6)
                .mapToObj(c -> c == ' ' ? "a space" : "“" + Character.toString(c) + "”").collect(Collectors.joining(", "));
        if (!odd.isEmpty()) {
            // The password's characters are not repeated: this sentence is shown to anyone who may see the household.
            String which = field == FitIssue.Field.NAME ? odd : "a character outside those";
            issues.add(new FitIssue(field, true,
                    what + " has " + which + "; " + model.fullName() + " takes " + allowed.words() + " only.",
                    "Use the suggested safe " + field.name().toLowerCase(Locale.ROOT)));
        }
        int length = bytes(text);
        if (length > maxBytes) {
            issues.add(new FitIssue(field, true,
                    what + " is " + length + " bytes long; " + model.fullName() + " takes at most " + maxBytes + ".",
                    "Shorten it to " + maxBytes + " plain characters"));
        }
    }

    private static void radio(List<FitIssue> issues, HomeNetwork network, RadioSpec radio, Joinable model) {
        boolean shared = network.bands().stream().anyMatch(radio.bands()::contains);
        if (!shared) {
            issues.add(new FitIssue(FitIssue.Field.BAND, true,
                    model.fullName() + " knows " + words(radio) + " only, and this name is not announced there.",
                    "Switch the 2.4 GHz band on, or give it a name of its own"));
        } else if (!radio.bands().containsAll(network.bands())) {
            issues.add(new FitIssue(FitIssue.Field.BAND, false,
                    "One name serves " + (network.bands().size() > 2 ? "three bands" : "both bands") + " and " + model.fullName()
                            + " knows "
                            + words(radio) + " only: a phone on "
                            + (radio.bands().contains(Band.GHZ_5) ? "6 GHz" : "5 GHz") + " may not find it.",
                    "Switch " + (radio.bands().contains(Band.GHZ_5) ? "6 GHz" : "5 GHz") + " off while pairing, or split the names"));
        }
        if (!radio.security().contains(network.security())) {
            boolean tooNew = network.security() == WifiSecurity.WPA3;
            issues.add(new FitIssue(FitIssue.Field.SECURITY, true,
                    "The network is secured by " + network.security().words() + ", which " + model.fullName()
                            + (tooNew ? " is too old for." : " does not join."),
                    tooNew ? "Set the router to WPA2 and WPA3 mixed" : "Set the router to WPA2 with a password"));
        }
        if (network.hidden() && !radio.hiddenName()) {
            issues.add(new FitIssue(FitIssue.Field.HIDDEN, true,
                    "The name is hidden and " + model.fullName() + " can only pick a name that it sees.",
                    "Let the router announce its name"));
        }
    }

    /** Ways in which the app needs no path to the camera over the house's own network. */
    private static final Set<PairingMethod.Way> PAST_ISOLATION
            = Set.of(PairingMethod.Way.HOTSPOT, PairingMethod.Way.PHONE_CODE, PairingMethod.Way.HUB_BUTTON, PairingMethod.Way.SAME_ACCOUNT);

    private static void isolation(List<FitIssue> issues, Joinable model) {
        boolean joins = model.setUp().methods().stream().map(PairingMethod::way).anyMatch(PAST_ISOLATION::contains);
        issues.add(new FitIssue(FitIssue.Field.ISOLATION, !joins,
                joins ? "The network keeps its devices apart: " + model.fullName() + " joins, but every look goes by way of the internet."
                        : "The network keeps its devices apart, so the phone never finds " + model.fullName() + ".",
                "Let devices on it reach one another, or use the main network"));
    }

    private static String words(RadioSpec radio) {
        return radio.bands().stream().sorted().map(Band::words).collect(Collectors.joining(" and "));
    }
}
