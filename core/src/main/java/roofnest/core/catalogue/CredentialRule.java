package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/** What network name and password a model's set-up can take. Lengths are in bytes of UTF-8, as the radio counts them. */
public record CredentialRule(
        CharacterSet nameCharacters, int nameMaxBytes, CharacterSet passwordCharacters, int passwordMaxBytes) {
    /** Shortest password of a secured home network, IEEE 802.11i. */
    public static final int PASSWORD_MIN_BYTES = 8;

    public CredentialRule {
        Require.inRange("longest name in bytes", nameMaxBytes, 1, 32);
        Require.inRange("longest password in bytes", passwordMaxBytes, PASSWORD_MIN_BYTES, 63);
    }
}
