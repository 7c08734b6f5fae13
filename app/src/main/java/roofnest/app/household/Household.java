package roofnest.app.household;

import java.time.LocalDate;
import java.time.OffsetDateTime;

import roofnest.core.promise.Stage;

/** One row of the table of households. */
public record Household(
        long id, long firmId, String name, String address, Stage stage, LocalDate dueOn, String dueWhat, String notes,
        OffsetDateTime handedOverAt, int version) {
    public String title() {
        return name + " · " + address;
    }

    public boolean handedOver() {
        return handedOverAt != null;
    }
}
