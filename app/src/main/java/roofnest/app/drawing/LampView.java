package roofnest.app.drawing;

import java.util.List;
import java.util.Locale;

import roofnest.core.catalogue.Cue;

/** A light with its rhythm strip: stretches of light over four seconds, on a scale of 0 to 160. */
public record LampView(String light, String rhythm, String words, List<Bar> strip, int litMs, int darkMs) {
    private static final double WIDTH = 160.0;

    public record Bar(double x, double width) {}

    public static LampView of(Cue cue) {
        return of(cue, cue.words());
    }

    /** @param words for it in another language */
    public static LampView of(Cue cue, String words) {
        double scale = WIDTH / Cue.STRIP_MS;
        return new LampView(cue.light().name().toLowerCase(Locale.ROOT), cue.rhythm().name().toLowerCase(Locale.ROOT), words,
                cue.strip().stream().map(bar -> new Bar(bar[0] * scale, Math.max(2, bar[1] * scale))).toList(),
                cue.rhythm().litMs(), cue.rhythm().darkMs());
    }
}
