package roofnest.app.carry;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.stereotype.Component;

import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import roofnest.app.models.Models;
import roofnest.app.records.AlertRepository;
import roofnest.app.records.CameraSetupRepository;
import roofnest.app.records.CameraViewRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.PackReadingRepository;
import roofnest.app.records.SensorWalkRepository;
import roofnest.core.alert.AlertPlan;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Patrol;
import roofnest.core.judge.PictureSetup;
import roofnest.core.plan.PlanPoint;
import roofnest.core.power.PackFit;
import roofnest.core.week.SensorFit;

/** What is set at cameras and of their alerts, on its way out of one firm and into another. */
@Component
class CarriedSettings {
    private final CameraSetupRepository setups;
    private final SensorWalkRepository walks;
    private final CameraViewRepository views;
    private final AlertRepository alerts;
    private final PackReadingRepository packs;
    private final CarriedFootage footage;
    private final Models models;
    private final JsonMapper json = new JsonMapper();

    CarriedSettings(CameraSetupRepository setups, SensorWalkRepository walks, CameraViewRepository views, AlertRepository alerts,
            PackReadingRepository packs, CarriedFootage footage, Models models) {
        this.footage = footage;
        this.packs = packs;
        this.setups = setups;
        this.walks = walks;
        this.views = views;
        this.alerts = alerts;
        this.models = models;
    }

    HouseholdFile.HouseFootage footageOut(long household) {
        return footage.houseOut(household);
    }

    void footageIn(long household, HouseholdFile.HouseFootage in) {
        footage.houseIn(household, in);
    }

    /** When cameras watch and whom they ring; null before anybody set anything. */
    JsonNode alertsOut(long household) {
        AlertRepository.Said said = alerts.of(household);
        return said.version() == 0 ? null : json.valueToTree(said.plan());
    }

    /** @param cameras and {@code people}: their numbers here, by those in the document */
    void alertsIn(long household, JsonNode document, Map<Long, Long> cameras, Map<Long, Long> people) {
        if (document != null && !document.isNull()) {
            alerts.say(household, read(document).renumbered(cameras, people), 0);
        }
    }

    private AlertPlan read(JsonNode document) {
        try {
            return json.treeToValue(document, AlertPlan.class);
        } catch (JacksonException e) {
            throw new IllegalArgumentException("what it says of alerts makes no sense", e);
        }
    }

    /** What is set at one camera; null where nothing is. */
    HouseholdFile.CameraSettings out(long household, CameraRepository.Record record) {
        Camera camera = record.camera();
        HouseholdFile.FootageSet kept = footage.out(household, record);
        List<HouseholdFile.Ticked> ticked = setups.all(household).stream().filter(tick -> tick.cameraId() == camera.id())
                .map(tick -> new HouseholdFile.Ticked(tick.step(), tick.value(), tick.by(), tick.at(), tick.joinedAt())).toList();
        List<HouseholdFile.SensorWalk> walked = walks.of(household).stream().filter(row -> row.cameraId() == camera.id()).map(row -> {
            SensorFit.Walked walk = row.walk();
            return new HouseholdFile.SensorWalk(walk.from().xM(), walk.from().yM(), walk.to().xM(), walk.to().yM(), walk.noticed(),
                    walk.seconds().isPresent() ? Double.valueOf(walk.seconds().getAsDouble()) : null, walk.airC(), walk.dark(), row.mark(),
                    row.by(), row.at());
        }).toList();
        MotionSpec motion = camera.model().motion();
        HouseholdFile.Sensed sensed = motion.equals(models.get(camera.model().key()).motion()) ? null
                : new HouseholdFile.Sensed(motion.rangeM(), motion.fanDeg(), motion.wakeSeconds(), camera.sensingMark());
        HouseholdFile.PictureSet picture = camera.setup().map(set -> new HouseholdFile.PictureSet(set.light().name(), set.wideRange(),
                set.turned(), set.sound(), set.statusLight(), set.stamp(), set.listens(), set.widthPx())).orElse(null);
        List<HouseholdFile.NamedView> named = views.of(household, camera.id()).stream().map(row -> new HouseholdFile.NamedView(
                row.view().name(), row.view().headingDeg(), row.view().tiltDeg(), row.view().dwellS())).toList();
        List<HouseholdFile.PackRead> read = packs.of(household).stream().filter(row -> row.cameraId() == camera.id())
                .map(row -> new HouseholdFile.PackRead(row.reading().on(), row.reading().percent(), row.reading().afterCharge(), row.mark(),
                        row.by(), row.at()))
                .toList();
        HouseholdFile.PackBent bent = packs.bent(household, camera.id()).map(now -> new HouseholdFile.PackBent(now.drawShare(),
                now.sunShare(), now.mark())).orElse(null);
        return named.isEmpty() && picture == null && ticked.isEmpty() && walked.isEmpty() && sensed == null && read.isEmpty()
                && kept == null ? null
                        : new HouseholdFile.CameraSettings(picture, ticked, walked, sensed, named, read, bent, kept);
    }

    /** @param firm whose plans it may be on. @param maker of the camera */
    void in(long household, long firm, long camera, String maker, HouseholdFile.CameraSettings in) {
        if (in == null) {
            return;
        }
        Optional.ofNullable(in.picture())
                .ifPresent(p -> setups.set(household, camera, new PictureSetup(PictureSpec.Light.valueOf(p.light()),
                        p.wideRange(), p.turned(), p.sound(), p.statusLight(), p.stamp(), p.listens(),
                        p.widthPx() == null ? 0 : p.widthPx())));
        Optional.ofNullable(in.footage()).ifPresent(set -> footage.in(household, firm, camera, maker, set));
        each(in.ticked()).forEach(t -> setups.put(household, new CameraSetupRepository.Tick(camera, t.step(), t.value(), t.by(), t.at(),
                t.joinedAt())));
        each(in.walks()).forEach(w -> walks.put(household, new SensorWalkRepository.Row(0, camera, new SensorFit.Walked(
                new PlanPoint(w.fromXM(), w.fromYM()), new PlanPoint(w.toXM(), w.toYM()), w.noticed(),
                w.seconds() == null ? OptionalDouble.empty() : OptionalDouble.of(w.seconds()), w.airC(), w.dark()), w.mark(), w.by(),
                w.at())));
        each(in.views()).forEach(v -> views.add(household, camera, new Patrol.View(v.name(), v.headingDeg(), v.tiltDeg(), v.dwellS())));
        each(in.packs()).forEach(r -> packs.put(household, new PackReadingRepository.Row(0, camera, new PackFit.Reading(r.on(), r.percent(),
                r.afterCharge()), r.mark(), r.by(), r.at())));
        Optional.ofNullable(in.bent()).ifPresent(b -> packs.bend(household, camera, Optional.of(new PackReadingRepository.Bent(
                b.drawShare(), b.sunShare(), b.mark()))));
        Optional.ofNullable(in.sensed()).ifPresent(s -> walks.bend(household, camera, Optional.of(new MotionSpec(
                MotionSpec.Sensing.INFRARED, s.rangeM(), s.fanDeg(), s.wakeS(), 0)), s.mark()));
    }

    private static <T> List<T> each(List<T> list) {
        return list == null ? List.of() : list;
    }
}
