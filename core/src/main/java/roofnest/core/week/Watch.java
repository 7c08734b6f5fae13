package roofnest.core.week;

import java.util.List;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.Vision;
import roofnest.core.view.Zone;

/**
 * One camera that watches.
 *
 * @param zones of its picture in which movement counts; none means all of it
 * @param level of detail whose seconds are counted
 * @param indoors whether it hangs under a roof, away from weather and wings
 */
public record Watch(long cameraId, String name, DeviceModel model, Vision vision, List<Zone> zones, WatchSetting setting,
        DetailLevel level, boolean indoors) {
    public Watch {
        zones = List.copyOf(zones);
    }

    /** Whether zones say what counts: a model without any has none, whatever is drawn. */
    boolean zoned() {
        return model.alerts().zones() > 0 && !zones.isEmpty();
    }

    double rangeM() {
        return model.motion().rangeM() * setting.rangeShare(model.alerts().sensitivity().size());
    }

    public Watch with(WatchSetting other) {
        return new Watch(cameraId, name, model, vision, zones, other, level, indoors);
    }

    public Watch withZones(List<Zone> others) {
        return new Watch(cameraId, name, model, vision, others, setting, level, indoors);
    }

    /** With a sensor that notices otherwise. */
    public Watch noticing(MotionSpec motion) {
        return new Watch(cameraId, name, model.noticing(motion), vision, zones, setting, level, indoors);
    }
}
