package roofnest.core.mount;

import roofnest.core.lang.Require;

/**
 * A lead to buy and to clip, from the length of its way: with slack at both ends and a tenth to spare.
 *
 * @param lengthM to buy or bring, metres
 * @param beyondLeadM how much longer than the lead that comes with the model, metres
 */
public record CableRun(String socket, double lengthM, double beyondLeadM, int clips) {
    public static final double SLACK_EACH_END_M = 0.3;
    public static final double SPARE = 1.1;
    public static final double CLIP_SPACING_M = 0.25;

    /** @param alongM run along walls and up, metres */
    public static CableRun of(String socket, double alongM, double leadM) {
        Require.inRange("cable path in metres", alongM, 0, 200);
        double length = (alongM + 2 * SLACK_EACH_END_M) * SPARE;
        // One more clip holds the cable within a hand's width of the camera.
        int clips = (int) Math.ceil(alongM / CLIP_SPACING_M) + 1;
        return new CableRun(socket, length, Math.max(0, length - leadM), clips);
    }
}
