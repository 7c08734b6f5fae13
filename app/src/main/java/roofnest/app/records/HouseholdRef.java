package roofnest.app.records;

import roofnest.app.firm.Staff;

/** A household that was checked to belong to the firm of whoever asks. Nothing of a household is reached without one. */
public record HouseholdRef(long id, Staff staff) {
    public String by() {
        return staff.name();
    }

    public String path() {
        return "/households/" + id;
    }
}
