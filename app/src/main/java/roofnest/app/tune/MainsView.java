package roofnest.app.tune;

import java.util.List;
import java.util.stream.Stream;

import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.power.MainsUse;

/**
 * What one camera on mains takes, and what a power cut takes down.
 *
 * @param year kilowatt-hours, said
 * @param buffers how long a small one keeps the router going
 */
record MainsView(String year, List<Buffer> buffers) {
    record Buffer(String size, String router, String both) {}

    static MainsView of(Camera camera) {
        double kwh = MainsUse.kwhAYear(camera.settings().dailyUse(), camera.model().power(), camera.model().motion());
        return new MainsView("It takes about " + Numbers.fixed(kwh, kwh < 10 ? 1 : 0) + " kWh a year from the wall, "
                + Numbers.fixed(100 * MainsUse.ADAPTER_SHARE, 0) + " % of it through its adapter to the camera.",
                Stream.of(20, 50, 100).map(wh -> new Buffer(wh + " Wh", hours(wh, MainsUse.ROUTER_W), hours(wh, MainsUse.ROUTER_W
                        + MainsUse.HUB_W))).toList());
    }

    private static String hours(double wh, double watts) {
        return Numbers.fixed(MainsUse.bufferHours(wh, watts), 1) + " h";
    }
}
