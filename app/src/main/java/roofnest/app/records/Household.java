package roofnest.app.records;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Optional;

import roofnest.app.web.BadInput;
import roofnest.core.promise.Stage;

/**
 * One row of the table of households, without its plan.
 *
 * @param phone empty while nobody wrote it down
 * @param stageSince when the work reached its stage; null where that was not kept
 * @param due what is next
 * @param archivedAt since when it is put away; null while it is worked on
 * @param fiveOff the network whose 5 GHz band is off for the pairing; null when none is
 * @param version of notes and plan
 * @param particulars version of name, address, phone and what is next
 * @param changes how many changes it has seen: the same figure means that nothing it is judged by has changed
 */
public record Household(
        long id, long firmId, String name, String address, String phone, Stage stage, LocalDate stageSince, Due due, String notes,
        OffsetDateTime handedOverAt, OffsetDateTime archivedAt, Long fiveOff, int version, int particulars, long changes) {
    /**
     * What is next at a household.
     *
     * @param on the day; null while it has none
     * @param what empty when nothing is
     * @param personId whose it is; null while it is nobody's
     * @param person their name; empty while it is nobody's
     * @param byHand whether somebody set it, so that the work does not until it has moved on
     */
    public record Due(LocalDate on, String what, Long personId, String person, boolean byHand) {
        public Optional<LocalDate> day() {
            return Optional.ofNullable(on);
        }
    }

    public LocalDate dueOn() {
        return due.on();
    }

    public String dueWhat() {
        return due.what();
    }

    public String title() {
        return name + " · " + address;
    }

    /** @throws BadInput when it was handed over: the firm shows no secret of it any more */
    public void requireSecretsOpen() {
        if (handedOver()) {
            throw new BadInput("This house was handed over: the firm shows no secret of it any more. Open the case again at Prove, with a "
                    + "reason.");
        }
    }

    /** Whether only its care is left, handed over or not. */
    public boolean inCare() {
        return handedOver() || stage == Stage.CARE;
    }

    public boolean handedOver() {
        return handedOverAt != null;
    }
}
