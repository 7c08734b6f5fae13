package roofnest.app.ready;

import java.util.List;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.RouterRepository;
import roofnest.core.footage.MonthData;
import roofnest.core.footage.Uplink;
import roofnest.core.judge.Camera;
import roofnest.core.judge.FootageKept;
import roofnest.core.lang.Numbers;
import roofnest.core.network.AddressPlan;

/**
 * Addresses of the house, and what its cameras ask of the line.
 *
 * @param pool addresses that can be given out against those that the job needs, in a sentence
 * @param recipes for devices of fixed factory address
 * @param uses of the line by camera
 * @param upload what goes up at once, in a sentence
 * @param month a month's data, in a sentence
 */
record LineView(
        RouterRepository.Router router, Optional<Judged> pool, List<Recipe> recipes, List<Use> uses, Judged upload, Judged month,
        List<Saving> savings) {
    private static final int SAVINGS_SHOWN = 5;

    /** @param standing for its egg */
    record Judged(String standing, String sentence) {}

    record Recipe(String camera, String address, String temporary, List<String> steps) {}

    record Use(String camera, String bitrate, String busy, String clips, String live, String total) {}

    record Saving(String what, String saves) {}

    static LineView of(Frame frame, RouterRepository.Router router) {
        List<Camera> cameras = frame.facts().cameras();
        Optional<AddressPlan> addresses = router.addresses().map(RouterRepository.Addresses::plan);
        List<MonthData.Use> uses = cameras.stream().map(camera -> FootageKept.month(frame.facts(), camera)).toList();
        return new LineView(router, addresses.map(plan -> pool(plan, cameras)),
                addresses.stream().flatMap(plan -> cameras.stream().filter(camera -> camera.model().factoryAddress() != null)
                        .flatMap(camera -> plan.recipe(camera.name(), camera.model().factoryAddress()).stream()
                                .map(recipe -> new Recipe(camera.name(), recipe.factoryAddress(), recipe.temporary(), recipe.steps()))))
                        .toList(),
                cameras.stream().map(camera -> row(camera, FootageKept.month(frame.facts(), camera))).toList(), upload(cameras, router),
                month(uses, router),
                MonthData.turnDown(uses).stream().limit(SAVINGS_SHOWN)
                        .map(way -> new Saving(way.what(), "saves " + gb(way.savesGb()) + " a month")).toList());
    }

    private static Uplink.Stream stream(Camera camera) {
        return new Uplink.Stream(camera.model().recording().bitrateMbps(), camera.settings().busyShare());
    }

    private static Use row(Camera camera, MonthData.Use use) {
        return new Use(camera.name(), Numbers.plain(use.bitrateMbps()) + " Mbit/s",
                Numbers.fixed(100 * camera.settings().busyShare(), 1) + " %",
                gb(use.clipsGb()), gb(use.liveGb()), gb(use.gb()));
    }

    private static Judged pool(AddressPlan plan, List<Camera> cameras) {
        int waiting = (int) cameras.stream().filter(camera -> !camera.joined()).count();
        int lacking = plan.lacking(waiting);
        String counted = plan.size() + " addresses are given out, " + plan.leases() + " are in use, and " + waiting
                + (waiting == 1 ? " camera still asks" : " cameras still ask") + " for one";
        return lacking > 0
                ? new Judged("broken",
                        counted + ": " + lacking
                                + " too few. Widen the range on the router, or shorten its lease so that old ones come free.")
                : new Judged(plan.free() - waiting < 5 ? "thin" : "kept", counted + ": " + (plan.free() - waiting) + " stay free.");
    }

    private static Judged upload(List<Camera> cameras, RouterRepository.Router router) {
        double rare = Uplink.rareMbps(cameras.stream().map(LineView::stream).toList());
        String sends
                = "In the busiest hour the cameras together send at most " + Numbers.fixed(rare, 1) + " Mbit/s, 99 seconds in a hundred";
        if (router.upMbps().isEmpty()) {
            return new Judged("untried", sends + ". Measure the line to know whether it carries that.");
        }
        double usable = Uplink.USABLE_SHARE * router.upMbps().get();
        boolean carries = Uplink.carries(router.upMbps().get(), rare);
        return new Judged(carries ? "kept" : "broken", sends + "; of the " + Numbers.plain(router.upMbps().get()) + " Mbit/s measured, "
                + Numbers.fixed(usable, 1) + " may be filled.");
    }

    private static Judged month(List<MonthData.Use> uses, RouterRepository.Router router) {
        double total = MonthData.totalGb(uses);
        String takes = "A month takes " + gb(total);
        if (router.simGb().isEmpty()) {
            return new Judged("untried",
                    takes + " for clips sent up and live minutes watched from outside. The line has no limit written down.");
        }
        double plan = router.simGb().get();
        return new Judged(total > plan ? "broken" : total > 0.8 * plan ? "thin" : "kept",
                takes + " of the " + Numbers.plain(plan) + " GB that the plan holds.");
    }

    private static String gb(double gb) {
        return Numbers.fixed(gb, gb < 10 ? 1 : 0) + " GB";
    }
}
