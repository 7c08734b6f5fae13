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
            """),
        BILLS("""
            select 'B-' || b.year || '-' || lpad(b.number::text, 4, '0') as number, b.issued_at::date as issued_on, b.due_on,
                   replace(b.addressed_to, E'\\n', ', ') as addressed_to, round(b.net_cents / 100.0, 2) as net, b.tax_percent,
                   round(b.tax_cents / 100.0, 2) as tax, round((b.net_cents + b.tax_cents) / 100.0, 2) as total, b.currency, b.paid_on,
                   'B-' || c.year || '-' || lpad(c.number::text, 4, '0') as takes_back
            from bill b left join bill c on c.id = b.cancels_id
            where b.firm_id = :firm order by b.year, b.number
            """),
        QUOTATIONS("""
            select 'Q-' || q.year || '-' || lpad(q.number::text, 4, '0') as number, q.issued_at::date as issued_on, q.valid_until,
                   replace(q.addressed_to, E'\\n', ', ') as addressed_to, round(q.net_cents / 100.0, 2) as net, q.tax_percent,
                   round(q.tax_cents / 100.0, 2) as tax, round((q.net_cents + q.tax_cents) / 100.0, 2) as total, q.currency,
                   lower(q.answer) as answer, q.answered_on
            from quotation q
            where q.firm_id = :firm order by q.year, q.number
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
