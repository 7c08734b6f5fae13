package roofnest.app.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Unit;
import roofnest.core.spots.BetterSpot;
import roofnest.core.spots.Costs;
import roofnest.core.spots.FewestCameras;
import roofnest.core.view.CameraPose;

/** Better spots as they are listed: what each gains and loses, and what it costs more or less than where the camera is. */
record SpotsView(String said, List<Spot> spots, List<Hung> hung, List<String> hopeless) {
    /** @param key on the keyboard that tries it */
    record Spot(int key, double x, double y, double heightM, double headingDeg, double tiltDeg, String where, List<String> gains,
            List<String> losses, List<String> costs) {}

    /** @param pose as the form sends it back: x, y, height, heading, tilt, key of the model */
    record Hung(double x, double y, double headingDeg, String pose, String model, String where, String keeps) {}

    static SpotsView of(BetterSpot.Outcome outcome) {
        List<Spot> spots = new ArrayList<>();
        for (BetterSpot.Suggestion suggestion : outcome.suggestions()) {
            CameraPose pose = suggestion.pose();
            spots.add(new Spot(spots.size() + 1, pose.xM(), -pose.yM(), pose.heightM(), pose.headingDeg(), pose.tiltDeg(),
                    Numbers.fixed(suggestion.movedM(), 1) + " m away on the " + suggestion.on() + ", " + Numbers.fixed(pose.heightM(), 1)
                            + " m up",
                    suggestion.changes().stream().filter(BetterSpot.Change::better).map(SpotsView::words).toList(),
                    suggestion.changes().stream().filter(change -> !change.better()).map(SpotsView::words).toList(),
                    costs(outcome.now(), suggestion)));
        }
        String said = outcome.judged() == 0 ? "No wall of this house gives this model a look at anything that is promised."
                : outcome.judged() + " poses along the walls and under the floors were judged on every promise; "
                        + (spots.isEmpty() ? "none is better than where it is."
                                : spots.size() == 1 ? "this one is better than where it is." : "these are better than where it is.");
        return new SpotsView(said, spots, List.of(), List.of());
    }

    /** Of one model. */
    static SpotsView of(FewestCameras.Outcome outcome, String model) {
        int many = outcome.cameras().size();
        return fewest(outcome, model, many == 1 ? "One " + model : many + " × " + model, "", "poses");
    }

    /** Of every model with a price: how many of each, and what they cost. */
    static SpotsView of(FewestCameras.Outcome outcome, PricedModels priced) {
        int models = priced.offers().size();
        Map<String, Long> each = outcome.cameras().stream()
                .collect(Collectors.groupingBy(hung -> hung.model().fullName(), TreeMap::new, Collectors.counting()));
        String cameras = each.entrySet().stream()
                .map(entry -> entry.getValue() == 1 ? "one " + entry.getKey() : entry.getValue() + " × " + entry.getKey())
                .collect(Collectors.joining(" and "));
        boolean hub = outcome.cameras().stream().anyMatch(hung -> hung.model().radio().viaHub());
        String price = " for " + Numbers.fixed(outcome.price(), 2) + " " + priced.currency() + (hub ? ", hub included" : "")
                + ", without tax, cable and work";
        String poses = "poses of " + (models == 1 ? "the one model" : models + " models") + " for outdoors that have a price"
                + (priced.unpricedHubs().isEmpty() ? ""
                        : " (not " + String.join(" and ", priced.unpricedHubs()) + ": no price for the hub)");
        return fewest(outcome, "any model that has a price",
                cameras.isEmpty() ? "" : Character.toUpperCase(cameras.charAt(0)) + cameras.substring(1), price, poses);
    }

    static SpotsView unpriced() {
        return new SpotsView("No model for outdoors has a price yet. Prices are set on the kit list, at Ready.", List.of(), List.of(),
                List.of());
    }

    private static SpotsView fewest(FewestCameras.Outcome outcome, String with, String cameras, String price, String poses) {
        List<Hung> hung = outcome.cameras().stream()
                .map(camera -> new Hung(camera.pose().xM(), -camera.pose().yM(), camera.pose().headingDeg(),
                        pose(camera.pose()) + " " + camera.model().key(), camera.model().fullName(),
                        camera.on() + ", " + Numbers.fixed(camera.pose().heightM(), 1) + " m up, looks "
                                + Unit.DEGREES.format(camera.pose().headingDeg()),
                        String.join("; ", camera.keeps())))
                .toList();
        int kept = outcome.asked() - outcome.hopeless().size();
        String said;
        if (outcome.asked() == 0) {
            said = "Nothing is promised to be seen yet; write it at the brief.";
        } else if (hung.isEmpty()) {
            said = "No spot of " + outcome.candidates() + " keeps any of the promises with " + with + ".";
        } else {
            said = cameras + (hung.size() == 1 ? " keeps " : " keep ")
                    + (outcome.hopeless().isEmpty() ? "everything that is promised to be seen"
                            : kept + " of " + outcome.asked() + " promises to be seen")
                    + price + proof(outcome, hung.size(), price, poses);
        }
        return new SpotsView(said, List.of(), hung, outcome.hopeless());
    }

    private static String proof(FewestCameras.Outcome outcome, int many, String price, String poses) {
        String over = outcome.candidates() + " " + poses + ".";
        if (price.isEmpty()) {
            return many == 1 ? "."
                    : outcome.proved() ? "; fewer cannot, which was proved over " + over
                            : "; the search was cut short, so fewer might do, over " + over;
        }
        if (!outcome.proved()) {
            return ". The search was cut short, so fewer or cheaper might do, over " + over;
        }
        return (many == 1 ? ". None that costs less does it alone" : ". Fewer cannot, and as few cannot for less")
                + ", with cable counted beside the price: proved over " + over;
    }

    private static String pose(CameraPose pose) {
        return Stream.of(pose.xM(), pose.yM(), pose.heightM(), pose.headingDeg(), pose.tiltDeg()).map(String::valueOf)
                .collect(Collectors.joining(" "));
    }

    private static String words(BetterSpot.Change change) {
        return change.wording() + ": " + change.before().word() + " → " + change.after().word() + " (" + change.measuredAfter() + ")";
    }

    private static List<String> costs(Costs now, BetterSpot.Suggestion there) {
        Costs then = there.costs();
        List<String> costs = new ArrayList<>();
        if (Math.abs(then.cableM() - now.cableM()) >= 0.1) {
            costs.add(Numbers.fixed(then.cableM(), 1) + " m of cable (" + signed(then.cableM() - now.cableM(), 1) + " m)");
        }
        costs.add(then.climb().words() + (then.standing() ? "" : ", and no safe place to stand it"));
        costs.add(Numbers.fixed(then.sunMinutes() / 60.0, 0) + " h of sun in the lens a year ("
                + signed((then.sunMinutes() - now.sunMinutes()) / 60.0, 0) + " h)");
        costs.add(Numbers.fixed(then.privatePercent(), 1) + " % of its picture is private ("
                + signed(then.privatePercent() - now.privatePercent(), 1) + " %)");
        if (!there.masked().isEmpty()) {
            costs.add(
                    there.masked().size() + (there.masked().size() == 1 ? " cell" : " cells") + " of its picture to be blacked out there");
        }
        return costs;
    }

    private static String signed(double value, int decimals) {
        String plain = Numbers.fixed(value, decimals);
        return value > 0 ? "+" + plain : plain;
    }
}
