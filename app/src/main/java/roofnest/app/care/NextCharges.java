package roofnest.app.care;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;

import roofnest.app.household.Frame;
import roofnest.core.care.NextCharge;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.promise.Unit;

/** When each battery camera of a house has to be charged next. */
public final class NextCharges {
    private NextCharges() {}

    public record Due(long cameraId, String camera, LocalDate on, String day, String percent, String why, boolean late) {}

    public static List<Due> of(Frame frame) {
        HouseholdJudge judge = frame.judge();
        return frame.facts().cameras().stream().filter(camera -> camera.model().power().onBattery())
                .map(camera -> due(frame, judge, camera)).toList();
    }

    private static Due due(Frame frame, HouseholdJudge judge, Camera camera) {
        LocalDate last = camera.lastCharged().orElse(frame.facts().today());
        NextCharge next = judge.nextCharge(frame.facts(), camera, last);
        return new Due(camera.id(), camera.name(), next.on(),
                next.on().format(DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.ENGLISH)), Unit.PERCENT.format(next.percentThen()),
                next.why(),
                next.on().isBefore(frame.facts().today()));
    }
}
