package roofnest.app.care;

import java.time.format.DateTimeFormatter;
import java.util.Locale;

import roofnest.app.household.Frame;
import roofnest.app.records.FaultCaseRepository;

/** One line for a case, on the page of care. @param there whether its camera is still in the house, and the case can be opened */
record CallLine(long id, String what, String when, boolean there) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    static CallLine of(FaultCaseRepository.Case of, Frame frame) {
        String name
                = frame.cameras().stream().filter(each -> each.id() == of.cameraId()).map(each -> each.camera().name()).findFirst().orElse(
                        "a camera that is gone");
        return new CallLine(of.id(), name + ": " + switch (of.state()) {
            case OPEN -> "open";
            case VISIT -> "waits for a visit";
            case CURED -> of.cause().words();
            case DROPPED -> "nothing";
        }, DAY.format(of.openedAt()) + ", " + of.openedBy(),
                frame.cameras().stream().anyMatch(each -> each.id() == of.cameraId()));
    }
}
