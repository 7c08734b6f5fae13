package roofnest.app.survey;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.Band;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.Material;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.Unit;
import roofnest.core.radio.Airtime;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.PathLoss;
import roofnest.core.radio.Reading;
import roofnest.core.radio.Refit;

/**
 * The link of every camera in figures, what the chosen one's ray loses on its way, and what the readings have taught.
 *
 * @param ray from what the camera links with; empty while nothing transmits
 * @param totals airtime of all cameras together, by band in words
 */
record SignalPanel(
        String band, List<Link> links, List<String> totals, Optional<RayLine> ray, List<Loss> losses, List<String> taught, String trust) {
    /** One camera on one band. */
    record Link(String camera, String band, boolean chosen, String signal, int bars, String sure, String rate, String airtime) {}

    /** A line on the plan with a mark where something is crossed. */
    record RayLine(double x1, double y1, double x2, double y2, List<Mark> marks) {}

    record Mark(double x, double y, String words, boolean below) {}

    record Loss(String what, String takes) {}

    static SignalPanel of(House house, HouseholdFacts facts, HouseholdJudge judge, Camera at, Band band) {
        List<Link> links = new ArrayList<>();
        Map<Band, Double> shares = new EnumMap<>(Band.class);
        for (Camera camera : facts.cameras()) {
            for (Band each : Band.values()) {
                if (camera.model().radio().bands().contains(each)) {
                    house.signal().cameraLink(camera.pose().lens(), each, camera.model().radio())
                            .ifPresent(link -> links.add(link(camera, each, camera.id() == at.id(), link)));
                }
            }
            Band used = HouseholdJudge.bandOf(camera, facts);
            judge.link(facts, camera).ifPresent(link -> shares.merge(used, share(camera, link), Double::sum));
        }
        Optional<LinkBudget> link = house.signal().cameraLink(at.pose().lens(), band, at.model().radio());
        Optional<SpacePoint> peer = house.plan().ofKind(Thing.Kind.ROUTER, Thing.Kind.ACCESS_POINT, Thing.Kind.HUB)
                .filter(thing -> link.filter(l -> l.peer().startsWith(thing.name())).isPresent()).map(Thing::position)
                .min(Comparator.comparingDouble(position -> position.distanceM(at.pose().lens())));
        return new SignalPanel(band.words(), links, totals(shares), peer.map(from -> rayLine(house, from, at, band)),
                link.map(l -> losses(l, band)).orElse(List.of()), taught(house, facts, band), trust(house.signal().fit(band)));
    }

    private static double share(Camera camera, LinkBudget link) {
        return Airtime.share(camera.model().recording().bitrateMbps(), link.rssiDbm());
    }

    private static Link link(Camera camera, Band band, boolean chosen, LinkBudget link) {
        double rssi = link.rssiDbm();
        return new Link(camera.name(), band.words(), chosen, Unit.DBM.format(rssi), LinkBudget.bars(rssi),
                Numbers.fixed(100 * link.chanceAtLeast(LinkBudget.TWO_BARS_DBM), 0) + " %",
                Numbers.plain(LinkBudget.rateMbps(rssi)) + " Mbit/s", Numbers.fixed(100 * share(camera, link), 0) + " %");
    }

    private static List<String> totals(Map<Band, Double> shares) {
        return shares.entrySet().stream().map(entry -> entry.getKey().words() + ": all cameras sending at once take "
                + Numbers.fixed(100 * entry.getValue(), 0) + " % of the air; with the neighbours it must stay under "
                + Numbers.fixed(100 * Airtime.FULL_SHARE, 0) + " %").toList();
    }

    private static RayLine rayLine(House house, SpacePoint from, Camera at, Band band) {
        SpacePoint to = at.pose().lens();
        List<WallCrossings.Crossing> crossings = house.crossings().between(from, to).stream()
                .sorted(Comparator.comparingDouble(WallCrossings.Crossing::share)).toList();
        List<Mark> marks = new ArrayList<>();
        for (WallCrossings.Crossing crossing : crossings) {
            double takes = PathLoss.wallDb(crossing, band);
            if (takes > 0) {
                marks.add(new Mark(from.xM() + crossing.share() * (to.xM() - from.xM()),
                        -(from.yM() + crossing.share() * (to.yM() - from.yM())),
                        Unit.DBM.format(-takes).replace(" dBm", " dB") + " " + crossing.material().words(), marks.size() % 2 == 1));
            }
        }
        return new RayLine(from.xM(), -from.yM(), to.xM(), -to.yM(), marks);
    }

    private static List<Loss> losses(LinkBudget link, Band band) {
        List<Loss> losses = new ArrayList<>();
        PathLoss.Ray ray = link.ray();
        losses.add(new Loss(Numbers.fixed(ray.distanceM(), 1) + " m of air", Numbers.fixed(ray.airDb(), 0) + " dB"));
        ray.walls().stream().filter(crossing -> PathLoss.wallDb(crossing, band) > 0)
                .forEach(crossing -> losses
                        .add(new Loss(crossing.material().words(), Numbers.fixed(PathLoss.wallDb(crossing, band), 0) + " dB")));
        if (ray.slabs() > 0) {
            losses.add(new Loss(ray.slabs() == 1 ? "one floor" : ray.slabs() + " floors", Numbers.fixed(ray.slabsDb(), 0) + " dB"));
        }
        double bent = LinkBudget.routerEirpDbm(band) - link.downDbm() - ray.totalDb();
        if (Math.abs(bent) >= 0.5) {
            losses.add(new Loss("what the readings say", Numbers.fixed(bent, 0) + " dB"));
        }
        return losses;
    }

    /** How the house differs from its plan, in sentences. */
    private static List<String> taught(House house, HouseholdFacts facts, Band band) {
        Refit fit = house.signal().fit(band);
        if (fit.readings() == 0) {
            return List.of();
        }
        List<String> taught = new ArrayList<>();
        commonest(house, facts, band).ifPresent(material -> {
            double usual = band == Band.GHZ_2_4 ? material.lossDb24() : material.lossDb5();
            double shift = (fit.wallScale() - 1) * usual;
            taught.add(Math.abs(shift) < 0.5
                    ? Character.toUpperCase(material.words().charAt(0)) + material.words().substring(1) + " here takes what it usually does"
                    : Character.toUpperCase(material.words().charAt(0)) + material.words().substring(1) + " here is "
                            + Numbers.fixed(Math.abs(shift), 1)
                            + " dB " + (shift > 0 ? "worse" : "better") + " than usual");
        });
        if (Math.abs(fit.offsetDb()) >= 0.5) {
            taught.add("everything is " + Numbers.fixed(Math.abs(fit.offsetDb()), 1) + " dB " + (fit.offsetDb() > 0 ? "weaker" : "stronger")
                    + " than the plan says");
        }
        taught.add("the signal falls with exponent " + Numbers.fixed(fit.exponent(), 2) + " (usually 2.00)");
        return taught;
    }

    /** The wall material that readings of the band were taken through most often. */
    private static Optional<Material> commonest(House house, HouseholdFacts facts, Band band) {
        Map<Material, Integer> counts = new EnumMap<>(Material.class);
        for (Reading reading : facts.readings()) {
            if (reading.band() == band) {
                house.plan().router().ifPresent(router -> house.crossings().between(router.position(), reading.at())
                        .forEach(crossing -> counts.merge(crossing.material(), 1, Integer::sum)));
            }
        }
        return counts.entrySet().stream().filter(entry -> entry.getKey() != Material.OPEN).max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
    }

    private static String trust(Refit fit) {
        if (fit.readings() == 0) {
            return "No reading yet: the map is the plan's alone, right to about 6 dB through walls.";
        }
        String plan = "The plan alone missed " + (fit.readings() == 1 ? "the reading" : "the " + fit.readings() + " readings") + " by "
                + Numbers.fixed(fit.planErrorDb(), 1) + " dB";
        return fit.readings() < 2 ? plan + "."
                : plan + "; each left out in turn, the others foretell it to " + Numbers.fixed(fit.leaveOneOutErrorDb(), 1) + " dB.";
    }
}
