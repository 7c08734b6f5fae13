package roofnest.core.judge;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

import roofnest.core.cable.CableNet;
import roofnest.core.cable.CableWay;
import roofnest.core.cable.DrawnWay;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.catalogue.Practice;
import roofnest.core.motion.Track;
import roofnest.core.motion.Walker;
import roofnest.core.mount.Footing;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Plate;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.power.Climate;
import roofnest.core.power.Weather;
import roofnest.core.radio.Reading;
import roofnest.core.radio.SignalModel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Scene;
import roofnest.core.view.SunTrack;

/**
 * One house made ready for asking: its plan's obstacles, ground and radio at once, its picture scene and its sun when
 * somebody first asks. Dear to make, cheap to ask; safe for many threads.
 */
public final class House {
    private final HousePlan plan;
    private final List<Reading> readings;
    private final WallCrossings crossings;
    private final Ground ground;
    private final SignalModel signal;
    private final Map<Way, Track> tracks = new ConcurrentHashMap<>();
    private final Map<List<Double>, CableNet> cables = new ConcurrentHashMap<>();
    private final Map<Climate, Weather> weathers = new ConcurrentHashMap<>();
    private Scene scene;
    private SunTrack sun;
    private volatile Spot lastSpot;

    private record Spot(double xM, double yM, RaysFrom rays) {}

    private record Way(String pathId, Walker walker) {}

    public House(HousePlan plan, List<Reading> readings) {
        this.plan = plan;
        this.readings = List.copyOf(readings);
        this.crossings = new WallCrossings(plan);
        this.ground = crossings.ground();
        this.signal = new SignalModel(plan, crossings, readings);
    }

    public HousePlan plan() {
        return plan;
    }

    public List<Reading> readings() {
        return readings;
    }

    public WallCrossings crossings() {
        return crossings;
    }

    public Ground ground() {
        return ground;
    }

    /** Height of what one stands on under a point: a floor, a room's floor, or the ground; metres above the plan's ground. */
    public double underfootM(PlanPoint at, double zM) {
        double under = ground.heightM(at);
        for (Plate floor : crossings.shell().floors()) {
            double floorM = floor.plane().atM(at.xM(), at.yM());
            under = floorM <= zM && floorM > under && floor.over(at.xM(), at.yM()) ? floorM : under;
        }
        return Math.max(under, crossings.shell().room(at, zM).map(Storey::floorM).orElse(under));
    }

    /** How high a lens hangs over what one stands on under it, metres. */
    public double overFootM(CameraPose pose) {
        return pose.heightM() - underfootM(pose.onPlan(), pose.heightM());
    }

    /** Where steps or a ladder stand to work at a lens; empty from the ground, and where no wall is near. */
    public Optional<Footing> footing(CameraPose pose, Climb climb) {
        return Footing.of(plan, ground, pose, overFootM(pose), climb, crossings.shell().indoors(pose.onPlan(), pose.heightM()));
    }

    /** The ways of leads in this house, by what the firm climbs on from which height; found once for each. */
    public CableNet cables(Practice practice) {
        return cables.computeIfAbsent(Stream.of(Practice.Figure.values()).filter(figure -> figure.side() == Practice.Side.HEIGHT)
                .map(practice::of).toList(), any -> new CableNet(plan, crossings.shell(), ground, practice));
    }

    /** The way of a lead that was drawn, to the spot at which the camera hangs; empty where none was, or its socket is gone. */
    public Optional<DrawnWay> drawn(Camera camera, Practice practice) {
        return camera.lead().filter(said -> said.drawn() && said.isOf(camera.pose()))
                .flatMap(said -> cables(practice).drawn(said.socket(), said.turns(), camera.pose()));
    }

    /** The way of a camera's lead: as it was drawn, where it can be led so, else the one that is found. */
    public Optional<CableWay> lead(Camera camera, Practice practice) {
        return drawnSound(camera, practice).or(() -> cables(practice).toGo(camera.pose(), camera.model().power()));
    }

    /** The way of a lead that was drawn, where it can be led so. */
    Optional<CableWay> drawnSound(Camera camera, Practice practice) {
        return drawn(camera, practice).filter(drawn -> drawn.faults().isEmpty()).map(DrawnWay::way);
    }

    public SignalModel signal() {
        return signal;
    }

    /** What a lens sees from where it hangs. Whoever asks about one that is being aimed asks at the same spot as everyone before. */
    public Eye eye(LensSpec lens, CameraPose pose) {
        Spot last = lastSpot;
        if (last == null || last.xM() != pose.xM() || last.yM() != pose.yM()) {
            last = new Spot(pose.xM(), pose.yM(), crossings.from(pose.xM(), pose.yM()));
            lastSpot = last;
        }
        return new Eye(last.rays(), lens, pose);
    }

    public Track track(Walk path, Walker walker) {
        return tracks.computeIfAbsent(new Way(path.id(), walker), way -> new Track(path, walker, ground));
    }

    public synchronized Scene scene() {
        if (scene == null) {
            scene = new Scene(plan, crossings.shell());
        }
        return scene;
    }

    /** Years of weather of a climate over this house, found once. */
    Weather weather(Climate climate) {
        return weathers.computeIfAbsent(climate, of -> new Weather(of, plan.latitudeDeg(), BatteryYears.YEARS, BatteryYears.SEED));
    }

    public synchronized SunTrack sun() {
        if (sun == null) {
            sun = new SunTrack(plan.latitudeDeg(), plan.trueNorthDeg());
        }
        return sun;
    }
}
