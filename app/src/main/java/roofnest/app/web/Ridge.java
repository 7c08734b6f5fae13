package roofnest.app.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import roofnest.core.promise.Stage;

/** The stages drawn as a roofline: solid when reached, filled where one stands, dashed ahead. */
public record Ridge(List<Gable> gables) {
    private static final double WIDTH = 1248;
    private static final double FOOT = 44;
    private static final double PEAK = 18;
    private static final double CURRENT_PEAK = 8;

    /**
     * @param shown whether this is the page being looked at
     * @param reached whether the household's work has come this far
     * @param broken promises of this stage that are broken
     */
    public record Gable(
            int number, String title, String slug, boolean shown, boolean reached, boolean current, int broken, String outline) {
        public String state() {
            return shown ? "shown" : reached ? "reached" : "ahead";
        }
    }

    public static Ridge of(Stage shown, Stage household, Map<Stage, Integer> brokenByStage) {
        List<Gable> gables = new ArrayList<>();
        double step = WIDTH / Stage.values().length;
        for (Stage stage : Stage.values()) {
            double left = stage.ordinal() * step;
            boolean isShown = stage == shown;
            String outline = String.format(Locale.ROOT, "M%.1f %.0fL%.1f %.0fL%.1f %.0f",
                    left, FOOT, left + step / 2, isShown ? CURRENT_PEAK : PEAK, left + step, FOOT);
            gables.add(new Gable(stage.number(), stage.title(), stage.slug(), isShown, stage.compareTo(household) <= 0,
                    stage == household, brokenByStage.getOrDefault(stage, 0), outline));
        }
        return new Ridge(gables);
    }
}
