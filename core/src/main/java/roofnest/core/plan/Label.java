package roofnest.core.plan;

import roofnest.core.lang.Require;

/** A room's name where it is written on the plan. */
public record Label(String text, PlanPoint at, String storey) {
    public Label {
        text = Require.text("label", text, 60);
    }
}
