package roofnest.core.week;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.lang.Numbers;

/** Why a camera made of something what it did, in words. */
final class WeekWords {
    private WeekWords() {}

    static String why(Watch watch, SourceKind kind, Passage.Noticed noticed, Weeks.Made made, float passes, double airC) {
        String far = Numbers.fixed(noticed.at().distanceM(watch.vision().eye().pose().onPlan()), 1) + " m away";
        String felt = watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE
                ? kind.body() == null ? "moved in its picture" : "moved in its picture " + far + ", "
                        + Numbers.fixed(noticed.heightPx(), 0) + " px high"
                : "felt " + far + " at " + Numbers.fixed(airC, 0) + " °C";
        return switch (made) {
            case RANG, RECORDED, BY_RULE, OFF, UNNOTICED -> felt;
            case IN_CLIP -> felt + ", while a clip ran";
            case RESTED -> felt + ", in the " + watch.setting().coolDownSeconds() + " s after a clip";
            case NOT_ITS_KIND -> felt + "; " + Numbers.fixed(100 * passes, 0) + " in 100 such are taken for what counts";
        };
    }
}
