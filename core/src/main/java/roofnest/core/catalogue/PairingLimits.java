package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/**
 * Distances and windows within which a model's ways in work.
 *
 * @param codeFromCm nearest at which it reads a code off a phone, centimetres
 * @param codeToCm farthest, centimetres
 * @param windowSeconds how long it listens after its button or its sticker
 * @param restartSeconds how long it restarts after the Wi-Fi was chosen, the cable still in
 */
public record PairingLimits(int codeFromCm, int codeToCm, int windowSeconds, int restartSeconds) {
    /** Ordinary practice: a hand to a forearm, two minutes, half a minute. */
    public static final PairingLimits USUAL = new PairingLimits(12, 30, 120, 30);

    public PairingLimits {
        Require.inRange("nearest code in cm", codeFromCm, 1, 200);
        Require.inRange("farthest code in cm", codeToCm, codeFromCm, 300);
        Require.inRange("listening window in seconds", windowSeconds, 10, 900);
        Require.inRange("restart in seconds", restartSeconds, 0, 600);
    }
}
