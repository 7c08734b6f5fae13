package roofnest.core;

import roofnest.core.plan.HousePlan;

/** The plan of the house that most tests stand in. */
public final class WeirSteps {
    private WeirSteps() {}

    public static String document() {
        return Houses.document("weir-steps");
    }

    public static HousePlan plan() {
        return Houses.plan("weir-steps");
    }
}
