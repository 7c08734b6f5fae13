package roofnest.app.records;

import java.time.LocalDate;
import java.time.OffsetDateTime;

import roofnest.core.promise.Stage;

/**
 * One row of the table of households, without its plan.
 *
 * @param changes how many changes it has seen: the same figure means that nothing it is judged by has changed
 */
public record Household(
        long id, long firmId, String name, String address, Stage stage, LocalDate dueOn, String dueWhat, String notes,
        OffsetDateTime handedOverAt, int version, long changes) {
    public String title() {
        return name + " · " + address;
    }

    public boolean handedOver() {
        return handedOverAt != null;
    }
}
