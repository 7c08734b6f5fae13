package roofnest.app.ready;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.scan.Columns;

/** What the people of a firm said that the columns of a scanner's table are; the next table of that look is read by it. */
@Repository
class ScanShapes {
    private final JdbcClient jdbc;
    private final Clock clock;

    ScanShapes(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** By the shape of a table. */
    Function<String, Optional<Columns>> of(long firmId) {
        return shape -> jdbc.sql("select roles from scan_shape where firm_id = :firmId and shape = :shape")
                .param("firmId", firmId).param("shape", shape)
                .query((row, n) -> new Columns(Stream.of((String[]) row.getArray("roles").getArray()).map(Columns.Role::valueOf).toList()))
                .optional();
    }

    void keep(long firmId, String shape, List<Columns.Role> roles, String by) {
        jdbc.sql("""
            insert into scan_shape (firm_id, shape, roles, by_name, at) values (:firmId, :shape, :roles, :by, :now)
            on conflict (firm_id, shape) do update set roles = excluded.roles, by_name = excluded.by_name, at = excluded.at
            """)
                .param("firmId", firmId).param("shape", shape).param("roles", roles.stream().map(Enum::name).toArray(String[]::new))
                .param("by", by).param("now", OffsetDateTime.now(clock)).update();
    }
}
