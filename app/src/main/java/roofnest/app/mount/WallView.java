package roofnest.app.mount;

import java.util.List;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.cable.CableNet;
import roofnest.core.cable.CableWay;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.facade.Facade;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.mount.Footing;
import roofnest.core.spots.HeightStudy;
import roofnest.core.spots.PackInstead;

/**
 * The wall that a camera hangs on.
 *
 * @param elevation empty where it hangs on no wall; the heights then too
 * @param lead empty for a camera with a pack
 * @param plan about it, where there is a lead or something to stand on to be shown
 * @param others the other faces of the house, small
 */
record WallView(Optional<ElevationView> elevation, Optional<HeightsView> heights, Optional<LeadView> lead, Optional<LeadView.OnPlan> plan,
        List<ElevationView> others) {
    private static final double TOP_CLEAR_M = 0.1;

    static WallView of(Frame frame, CameraRepository.Record record, House house, List<DeviceModel> models) {
        Camera camera = record.camera();
        Optional<Facade> facade = Facade.behind(house.plan(), house.crossings().shell(), house.ground(), camera.pose());
        CableNet net = house.cables(frame.facts().practice());
        boolean mains = !camera.model().power().onBattery();
        Optional<CableWay> way = frame.judge().cable(camera, frame.facts().practice());
        Optional<Footing> footing = house.footing(camera.pose(), frame.facts().practice().climb(house.overFootM(camera.pose())))
                .map(foot -> camera.look().filter(seen -> seen.isOf(camera.pose())).map(foot::seen).orElse(foot));
        Optional<HeightStudy> study = facade.map(face -> HeightStudy.of(frame.judge(), frame.facts(), camera,
                face.topM(face.at(camera.pose().lens()).acrossM()) - TOP_CLEAR_M));
        Optional<ElevationView> elevation = facade.map(face -> ElevationView.of(frame, record, house, face, way, footing,
                HeightsView.columns(study.orElseThrow())));
        Optional<HeightsView> heights = study.map(weighed -> HeightsView.of(weighed, frame.facts().practice().of(Figure.OUT_OF_REACH),
                elevation.orElseThrow().px()));
        Optional<LeadView> lead = mains ? Optional.of(LeadView.of(net, way, camera,
                PackInstead.of(frame.judge(), frame.facts(), camera, models))) : Optional.empty();
        return new WallView(elevation, heights, lead, mains || footing.isPresent()
                ? Optional.of(LeadView.onPlan(house.plan(), way, footing, camera)) : Optional.empty(),
                Facade.outside(house.plan(), house.crossings().shell(), house.ground()).stream()
                        .map(face -> ElevationView.small(frame, face, house.plan().trueNorthDeg())).toList());
    }
}
