package roofnest.app.outward;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import com.fasterxml.jackson.annotation.JsonInclude;

/** What scripts read of a firm's households, a page at a time. Nothing secret is asked for. */
@Repository
class ScriptRows {
    private final JdbcClient jdbc;

    ScriptRows(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Promises by how they stand. */
    record Standings(int kept, int thin, int broken, int notTried) {}

    /** @param handedOverAt left out while it is not. @param dueOn left out while nothing is */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record House(long id, String name, String address, String stage, LocalDate dueOn, String dueWhat, OffsetDateTime handedOverAt,
            Standings promises) {}

    private static final String HOUSE = "select id, name, address, stage, due_on, nullif(due_what, '') as due_what, handed_over_at, kept, "
            + "thin, broken, untried from household where firm_id = :firm and archived_at is null ";

    /** By their number. @param after the last number of the page before; 0 for the first page */
    List<House> houses(long firmId, long after, int most) {
        return jdbc.sql(HOUSE + "and id > :after order by id limit :most").param("firm", firmId).param("after", after).param("most", most)
                .query((row, n) -> new House(row.getLong("id"), row.getString("name"), row.getString("address"), row.getString("stage"),
                        row.getObject("due_on", LocalDate.class), row.getString("due_what"), row.getObject("handed_over_at",
                                OffsetDateTime.class),
                        new Standings(row.getInt("kept"), row.getInt("thin"), row.getInt("broken"),
                                row.getInt("untried"))))
                .list();
    }

    Optional<House> house(long firmId, long id) {
        return houses(firmId, id - 1, 1).stream().filter(house -> house.id() == id).findFirst();
    }

    /**
     * Something that comes up.
     *
     * @param at where this one stands, to go on after it
     * @param camera left out where it is about the whole house
     * @param reckonedOn the day as of which it was reckoned
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Item(String at, long household, String householdName, Long camera, String cameraName, String kind, LocalDate on, String what,
            String why, String sure, LocalDate reckonedOn) {}

    /** Where a page goes on. */
    record After(LocalDate on, long household, int seq) {
        static final After NOTHING = new After(LocalDate.of(1, 1, 1), 0, 0);
    }

    /** The earliest first, of houses in care. */
    List<Item> items(long firmId, LocalDate from, LocalDate until, After after, int most) {
        return jdbc.sql("""
            select c.*, h.name as house, k.name as camera, r.on_day as reckoned
            from coming c join household h on h.id = c.household_id left join camera k on k.id = c.camera_id
            join coming_reckoned r on r.household_id = h.id
            where h.firm_id = :firm and h.archived_at is null and (h.handed_over_at is not null or h.stage = 'CARE')
              and c.on_day between :from and :until and (c.on_day, c.household_id, c.seq) > (:on, :household, :seq)
            order by c.on_day, c.household_id, c.seq limit :most
            """).param("firm", firmId).param("from", from).param("until", until).param("on", after.on())
                .param("household", after.household()).param("seq", after.seq()).param("most", most)
                .query((row, n) -> new Item(row.getObject("on_day", LocalDate.class) + "~" + row.getLong("household_id") + "~"
                        + row.getInt("seq"), row.getLong("household_id"), row.getString("house"), row.getObject("camera_id", Long.class),
                        row.getString("camera"), row.getString("kind"), row.getObject("on_day", LocalDate.class), row.getString("what"),
                        row.getString("why"), row.getString("sure"), row.getObject("reckoned", LocalDate.class)))
                .list();
    }
}
