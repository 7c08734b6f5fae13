package roofnest.core.still;

import roofnest.core.lang.Require;
import roofnest.core.view.Projection.Pixel;

/** A landmark, and where it was tapped in the still. @param at pixels of the lens's own picture, from its top left corner */
public record Tap(Landmark landmark, Pixel at) {
    public Tap {
        Require.finite("x in pixels", at.x());
        Require.finite("y in pixels", at.y());
    }
}
