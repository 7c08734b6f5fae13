package roofnest.core.mount;

import roofnest.core.lang.Require;

/**
 * What the wall at a mount is, as somebody who stood before it says.
 *
 * @param coveringMm how thick what lies on it is, millimetres; 0 for nothing
 */
public record SaidWall(Base base, Covering covering, int coveringMm) {
    public static final int THICKEST_MM = 300;

    public SaidWall {
        Require.inRange("covering in mm", coveringMm, 0, THICKEST_MM);
        if (covering == Covering.NONE && coveringMm > 0) {
            throw new IllegalArgumentException("nothing lies on it, so that it has no thickness");
        }
    }

    public String words() {
        return base.words() + (covering == Covering.NONE ? "" : " under " + (coveringMm > 0 ? coveringMm + " mm of " : "")
                + covering.words());
    }
}
