package roofnest.core.radio;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.RadioSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.WallCrossings;

/**
 * All the radio of one house: its router, access points and hubs on its plan, bent to the readings made in it. A camera
 * links with whichever of router and access points it hears best; a model that joins through a hub links with the hub
 * where the plan has one, and the hub with the router, and the weaker of the two hops is the link.
 */
public final class SignalModel {
    private final PathLoss paths;
    private final List<Thing> transmitters;
    private final List<Thing> hubs;
    private final Map<Band, Refit> fits = new EnumMap<>(Band.class);

    public SignalModel(HousePlan plan, WallCrossings crossings, List<Reading> readings) {
        paths = new PathLoss(crossings);
        transmitters = plan.ofKind(Thing.Kind.ROUTER, Thing.Kind.ACCESS_POINT).toList();
        hubs = plan.ofKind(Thing.Kind.HUB).toList();
        for (Band band : Band.values()) {
            fits.put(band, new Refit(band, transmitters.isEmpty() ? List.of() : spots(readings, band)));
        }
    }

    /** A phone reports the strongest of what it hears, so a reading is taken as one of the transmitter expected to be that. */
    private List<Refit.Spot> spots(List<Reading> readings, Band band) {
        List<Refit.Spot> spots = new ArrayList<>();
        for (Reading reading : readings) {
            if (reading.band() == band) {
                double measuredDb = LinkBudget.routerEirpDbm(band) - reading.rssiDbm();
                Refit.Spot nearest = null;
                for (int source = 0; source < transmitters.size(); source++) {
                    Refit.Spot spot = spot(reading.at(), band, source, measuredDb, reading.sdDb() * reading.sdDb());
                    if (nearest == null || Refit.priorLossDb(band, spot) < Refit.priorLossDb(band, nearest)) {
                        nearest = spot;
                    }
                }
                spots.add(nearest);
            }
        }
        Refit.checkedCount(spots.size());
        return spots;
    }

    private Refit.Spot spot(SpacePoint at, Band band, int source, double lossDb, double noiseVariance) {
        PathLoss.Ray ray = paths.between(transmitters.get(source).position(), at, band);
        return new Refit.Spot(at.xM(), at.yM(), at.zM(), source, ray.distanceM(), ray.wallsDb() + ray.slabsDb(), lossDb, noiseVariance);
    }

    /** Whether there is anything to link with. */
    public boolean transmits() {
        return !transmitters.isEmpty();
    }

    public Refit fit(Band band) {
        return fits.get(band);
    }

    /** The link of something at a point; empty while the plan shows no router. */
    public Optional<LinkBudget> link(SpacePoint at, Band band, double eirpDbm) {
        LinkBudget best = null;
        for (int source = 0; source < transmitters.size(); source++) {
            Thing transmitter = transmitters.get(source);
            PathLoss.Ray ray = paths.between(transmitter.position(), at, band);
            Refit.Spot spot = new Refit.Spot(at.xM(), at.yM(), at.zM(), source, ray.distanceM(), ray.wallsDb() + ray.slabsDb(), 0, 0);
            Refit fit = fits.get(band);
            LinkBudget link = LinkBudget.of(fit.lossDb(spot), fit.sigmaDb(spot), ray, band, eirpDbm, transmitter.name());
            if (best == null || link.rssiDbm() > best.rssiDbm()) {
                best = link;
            }
        }
        return Optional.ofNullable(best);
    }

    /** The link of a camera, by way of the hub where its model needs one and the plan has one. */
    public Optional<LinkBudget> cameraLink(SpacePoint at, Band band, RadioSpec radio) {
        if (!radio.viaHub() || hubs.isEmpty()) {
            return link(at, band, radio.eirpDbm());
        }
        LinkBudget best = null;
        for (Thing hub : hubs) {
            PathLoss.Ray ray = paths.between(hub.position(), at, band);
            LinkBudget first = LinkBudget.of(ray.totalDb(), ray.sigmaDb(), ray, band, radio.eirpDbm(), hub.name());
            Optional<LinkBudget> onward = link(hub.position(), band, LinkBudget.routerEirpDbm(band))
                    .map(hop -> new LinkBudget(hop.downDbm(), hop.upDbm(), hop.ray(), hop.sigmaDb(), hub.name() + " to " + hop.peer()));
            LinkBudget weaker = onward.filter(hop -> hop.rssiDbm() < first.rssiDbm()).orElse(first);
            if (best == null || weaker.rssiDbm() > best.rssiDbm()) {
                best = weaker;
            }
        }
        return Optional.of(best);
    }

    /** For reading a whole map; not for two threads at once. */
    Sweep sweep(Band band, double eirpDbm) {
        return new Sweep(band, eirpDbm);
    }

    /** The best link at one point after another. */
    final class Sweep {
        private final Refit fit;
        private final PathLoss.Burst[] bursts;
        private final double weakerEirpDbm;

        private Sweep(Band band, double eirpDbm) {
            fit = fits.get(band);
            bursts = transmitters.stream().map(thing -> paths.from(thing.position(), band)).toArray(PathLoss.Burst[]::new);
            weakerEirpDbm = Math.min(eirpDbm, LinkBudget.routerEirpDbm(band));
        }

        /** Mean signal of the weaker direction, dBm. */
        double meanDbm(double x, double y, double z) {
            double best = -999;
            for (int source = 0; source < bursts.length; source++) {
                best = Math.max(best, weakerEirpDbm - fit.lossDb(spot(source, x, y, z)));
            }
            return best;
        }

        /** The signal that is reached with {@link LinkBudget#CONFIDENCE}, dBm. */
        double sureDbm(double x, double y, double z) {
            double best = -999;
            for (int source = 0; source < bursts.length; source++) {
                Refit.Spot spot = spot(source, x, y, z);
                best = Math.max(best, weakerEirpDbm - fit.lossDb(spot) - LinkBudget.CONFIDENCE_SIGMAS * fit.sigmaDb(spot));
            }
            return best;
        }

        private Refit.Spot spot(int source, double x, double y, double z) {
            PathLoss.Burst burst = bursts[source];
            return new Refit.Spot(x, y, z, source, burst.distanceM(x, y, z), burst.obstaclesDb(x, y, z), 0, 0);
        }
    }
}
