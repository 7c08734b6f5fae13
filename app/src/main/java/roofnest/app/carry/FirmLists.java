package roofnest.app.carry;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Optional;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The firm's lists as tables of comma-separated values, for a sheet of one's own. */
@Repository
class FirmLists {
    private final JdbcClient jdbc;

    FirmLists(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A list, named in its address. */
    enum FirmList {
        HOUSEHOLDS(
                """
                    select h.name, h.address, h.phone, lower(h.stage) as stage, h.due_on, h.due_what, p.name as due_person,
                           h.kept, h.thin, h.broken, h.untried, h.handed_over_at::date as handed_over_on, h.archived_at::date as put_away_on
                    from household h left join person p on p.id = h.due_person_id
                    where h.firm_id = :firm order by h.name, h.id
                    """),
        PEOPLE("""
            select h.name as household, r.name, r.email, lower(r.tie) as tie, r.left_on
            from resident r join household h on h.id = r.household_id
            where h.firm_id = :firm and r.removed_at is null order by h.name, h.id, r.id
            """),
        CAMERAS("""
            select h.name as household, c.name, c.model_key as model, c.serial, c.sticker_kept, c.room, c.firmware,
                   c.joined_at::date as joined_on, c.mounted_at::date as mounted_on, c.last_charged_on
            from camera c join household h on h.id = c.household_id
            where h.firm_id = :firm and c.removed_at is null order by h.name, h.id, c.id
            """);

        private final String sql;

        FirmList(String sql) {
            this.sql = sql;
        }

        static Optional<FirmList> of(String name) {
            return Arrays.stream(values()).filter(list -> list.name().equalsIgnoreCase(name)).findFirst();
        }
    }

    String csv(long firmId, FirmList list) {
        StringWriter out = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            jdbc.sql(list.sql).param("firm", firmId).query(rows -> {
                try {
                    int columns = rows.getMetaData().getColumnCount();
                    if (rows.isFirst()) {
                        for (int column = 1; column <= columns; column++) {
                            printer.print(rows.getMetaData().getColumnLabel(column));
                        }
                        printer.println();
                    }
                    for (int column = 1; column <= columns; column++) {
                        printer.print(plain(rows.getString(column)));
                    }
                    printer.println();
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /** What a spreadsheet would reckon with is marked as text. */
    private static String plain(String value) {
        return value != null && value.matches("[=+\\-@].*") && !value.matches("-?[0-9.]+") ? "'" + value : value;
    }
}
