package roofnest.app;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Staff;
import roofnest.app.web.HouseholdRef;

/** Finds the demo world's people and places for tests, and makes fresh households for those that change them. */
@Component
public class DemoPlaces {
    private final JdbcClient jdbc;
    private final FirmRepository firms;

    DemoPlaces(JdbcClient jdbc, FirmRepository firms) {
        this.jdbc = jdbc;
        this.firms = firms;
    }

    public Staff staff(String name) {
        String firm = name.equals("petra") ? "marramlane" : "ladderhall";
        return firms.findByEmail(name + "@" + firm + ".example").orElseThrow();
    }

    public long household(String name) {
        return jdbc.sql("select id from household where name = :name").param("name", name).query(Long.class).single();
    }

    public HouseholdRef ref(String household, String staff) {
        return new HouseholdRef(household(household), staff(staff));
    }

    public long camera(String household) {
        return jdbc.sql("select min(id) from camera where household_id = :id").param("id", household(household)).query(Long.class).single();
    }

    public long count(String table) {
        return jdbc.sql("select count(*) from " + table).query(Long.class).single();
    }

    public JdbcClient jdbc() {
        return jdbc;
    }
}
