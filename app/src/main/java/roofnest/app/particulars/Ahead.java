package roofnest.app.particulars;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Staff;
import roofnest.app.records.AppointmentRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;

/** What is next at a household: set by hand, handed to somebody, taken off its day, or left to follow the work; and its visit. */
@Service
class Ahead {
    private static final int USUAL_MINUTES = 120;

    private final Changes changes;
    private final HouseholdRepository households;
    private final AppointmentRepository appointments;
    private final FirmRepository firms;
    private final Clock clock;

    Ahead(Changes changes, HouseholdRepository households, AppointmentRepository appointments, FirmRepository firms, Clock clock) {
        this.changes = changes;
        this.households = households;
        this.appointments = appointments;
        this.firms = firms;
        this.clock = clock;
    }

    Optional<AppointmentRepository.Appointment> appointment(long householdId) {
        return appointments.of(householdId);
    }

    List<Staff> people(HouseholdRef ref) {
        return firms.peopleOf(ref.staff().firmId());
    }

    boolean setByHand(HouseholdRef ref, Form form) {
        LocalDate on = form.raw("dueOn").isBlank() ? null : form.date("dueOn", "the day");
        String what = form.optionalText("dueWhat", 120);
        String said = form.raw("duePerson");
        Long person = said.isEmpty() ? null : people(ref).stream().map(Staff::id).filter(id -> said.equals(String.valueOf(id))).findFirst()
                .orElse(-1L);
        if (person != null && person < 0) {
            form.fault("duePerson", "Choose somebody of the firm.");
        }
        if (on != null && what.isEmpty()) {
            form.fault("dueWhat", "Say what is to be done on this day.");
        }
        int version = form.version();
        return form.save(() -> changes.ahead(ref, () -> {
            households.setDueByHand(ref.id(), on, what, person, true, version);
            return null;
        }));
    }

    void followTheWork(HouseholdRef ref) {
        changes.ahead(ref, () -> {
            var now = households.get(ref.id());
            households.setDueByHand(ref.id(), now.dueOn(), now.dueWhat(), now.due().personId(), false, now.particulars());
            return null;
        });
    }

    boolean appoint(HouseholdRef ref, Form form) {
        LocalDate on = form.date("visitOn", "the day of the visit");
        LocalTime from = form.time("visitFrom", "when it may begin");
        LocalTime until = form.time("visitUntil", "when it has to have begun");
        if (form.faultAt("visitOn") == null && on.isBefore(LocalDate.now(clock))) {
            form.fault("visitOn", "This day is over.");
        }
        if (from == null) {
            form.fault("visitFrom", "Say from when somebody is at home.");
        } else if (until != null && until.isBefore(from)) {
            form.fault("visitUntil", "This is before the earliest.");
        }
        boolean agreed = form.raw("agreed").equals("true");
        return form.save(() -> changes.ahead(ref, () -> {
            int minutes = appointments.of(ref.id()).map(each -> each.window().minutes()).orElse(USUAL_MINUTES);
            appointments.appoint(ref.id(), on,
                    new AppointmentRepository.Window(minute(from), minute(until == null ? from : until), minutes), agreed);
            return null;
        }));
    }

    void callOff(HouseholdRef ref) {
        changes.ahead(ref, () -> {
            if (!appointments.callOff(ref.id())) {
                throw new Conflict("Somebody else called this visit off meanwhile.");
            }
            return null;
        });
    }

    private static int minute(LocalTime time) {
        return time.getHour() * 60 + time.getMinute();
    }
}
