package roofnest.core.judge;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

import roofnest.core.cable.CableNet;
import roofnest.core.cable.CableWay;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.motion.WalkTest;
import roofnest.core.motion.Walker;
import roofnest.core.mount.Footing;
import roofnest.core.plan.Area;
import roofnest.core.plan.Walk;
import roofnest.core.promise.DetailLevel;
import roofnest.core.radio.LinkBudget;
import roofnest.core.view.Bounce;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Privacy;
import roofnest.core.view.Vision;
import roofnest.core.view.Zone;

/**
 * What one camera, posed and set as it is, sees of a house, and how people, Wi-Fi and its lead come to it: each answer is found when
 * first asked for and kept, so that judging again after another camera moved costs this one nothing.
 */
final class CameraEye {
    private final House house;
    private final Key key;
    private final Vision vision;
    private final Map<String, Privacy.Exposure> exposures = new ConcurrentHashMap<>();
    private final Map<Passing, OptionalDouble> passings = new ConcurrentHashMap<>();
    private final Map<Climb, Optional<Footing>> footings = new ConcurrentHashMap<>();
    private final Map<Band, Optional<LinkBudget>> links = new ConcurrentHashMap<>();
    private final Map<CableNet, Optional<CableWay>> leads = new ConcurrentHashMap<>();
    private Privacy privacy;
    private Bounce bounce;

    /** All that the answers depend on besides the house. */
    record Key(DeviceModel model, CameraPose pose, Set<MaskCell> masked, List<Zone> zones, int clipSeconds) {
        static Key of(Camera camera) {
            return new Key(camera.model(), camera.pose(), camera.masked(), camera.zones(), camera.settings().clipSeconds());
        }

        /** The same model is nearly always the same object; a firm's own may be replaced by a newer one of its key. */
        @Override
        public boolean equals(Object other) {
            return other instanceof Key that && (model == that.model || model.equals(that.model)) && pose.equals(that.pose)
                    && masked.equals(that.masked)
                    && zones.equals(that.zones) && clipSeconds == that.clipSeconds;
        }

        @Override
        public int hashCode() {
            return 31 * pose.hashCode() + model.key().hashCode();
        }
    }

    private record Passing(String pathId, DetailLevel level, boolean night) {}

    CameraEye(House house, Key key) {
        this.house = house;
        this.key = key;
        this.vision = new Vision(house.eye(key.model().lens(), key.pose()), key.model().mask(), key.masked());
    }

    Eye eye() {
        return vision.eye();
    }

    Vision vision() {
        return vision;
    }

    Privacy.Exposure exposure(Area area) {
        return exposures.computeIfAbsent(area.id(), id -> privacy().of(area, key.masked()));
    }

    /** When a grown person on the path is first on a kept frame at the level, seconds after the path's start. */
    OptionalDouble firstAtLevelS(Walk path, DetailLevel level, boolean night) {
        return passings.computeIfAbsent(new Passing(path.id(), level, night),
                passing -> new WalkTest(key.model(), vision, key.zones(), night)
                        .firstAtLevelS(house.track(path, Walker.GROWN), level, key.clipSeconds()));
    }

    /** Where one stands to work at it; empty from the ground, and where no wall is near. */
    Optional<Footing> footing(Climb climb) {
        return footings.computeIfAbsent(climb, any -> house.footing(key.pose(), climb));
    }

    /** Its link; empty while nothing on the plan transmits. */
    Optional<LinkBudget> link(Band band) {
        return links.computeIfAbsent(band, any -> house.signal().cameraLink(key.pose().lens(), band, key.model().radio()));
    }

    /** The way that is found for its lead; empty where none is. @param net one of the house's */
    Optional<CableWay> lead(CableNet net) {
        return leads.computeIfAbsent(net, any -> net.toGo(key.pose(), key.model().power()));
    }

    private synchronized Privacy privacy() {
        if (privacy == null) {
            privacy = new Privacy(vision.eye(), key.model().mask());
        }
        return privacy;
    }

    synchronized Bounce bounce() {
        if (bounce == null) {
            bounce = Bounce.of(house.plan(), vision.eye());
        }
        return bounce;
    }
}
