package roofnest.app.price;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.kit.Quotation;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Quotations and bills as they were issued. Their numbers follow one another within a firm and year; none is used twice. */
@Repository
public class MoneyPapers {
    private static final TypeReference<List<Quotation.Line>> LINES = new TypeReference<>() {
    };

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = new JsonMapper();

    MoneyPapers(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public enum Answer { ACCEPTED, DECLINED, REPLACED }

    private enum Kind { QUOTATION, BILL }

    /** What stands on both kinds of paper. @param until last day of validity, or day by which it is to be paid */
    public record Paper(long id, int year, int number, OffsetDateTime issuedAt, String issuedBy, LocalDate until, String addressedTo,
            String currency, Quotation sums, String terms) {}

    /** @param answer empty while nobody gave one */
    public record Quoted(Paper paper, Optional<Answer> answer, LocalDate answeredOn, String answeredBy) {
        public String title() {
            return "Q-" + paper.year() + "-" + String.format(java.util.Locale.ROOT, "%04d", paper.number());
        }
    }

    /**
     * @param cancels the bill that this one takes back; empty for an ordinary one
     * @param cancelled whether another takes it back
     */
    public record Bill(Paper paper, Optional<Long> quotationId, Optional<Long> cancels, boolean cancelled, LocalDate paidOn,
            String paidNotedBy) {
        public String title() {
            return "B-" + paper.year() + "-" + String.format(java.util.Locale.ROOT, "%04d", paper.number());
        }

        public boolean open() {
            return paidOn == null && !cancelled && cancels.isEmpty();
        }
    }

    /** Newest first. */
    List<Quoted> quotations(long householdId) {
        return jdbc.sql("select * from quotation where household_id = :id order by id desc").param("id", householdId)
                .query(this::quoted).list();
    }

    public Optional<Quoted> quotation(long householdId, long id) {
        return jdbc.sql("select * from quotation where household_id = :household and id = :id").param("household", householdId)
                .param("id", id).query(this::quoted).optional();
    }

    /** Newest first. */
    List<Bill> bills(long householdId) {
        return jdbc.sql("""
            select b.*, exists (select 1 from bill c where c.cancels_id = b.id) as cancelled
            from bill b where b.household_id = :id order by b.id desc
            """).param("id", householdId).query(this::bill).list();
    }

    public Optional<Bill> bill(long householdId, long id) {
        return bills(householdId).stream().filter(bill -> bill.paper().id() == id).findFirst();
    }

    /** The next of a firm, kind and year; given back when the transaction fails. */
    private int next(long firmId, Kind kind, int year) {
        return jdbc.sql("""
            insert into paper_number (firm_id, kind, year, last) values (:firm, :kind, :year, 1)
            on conflict (firm_id, kind, year) do update set last = paper_number.last + 1
            returning last
            """).param("firm", firmId).param("kind", kind.name()).param("year", year).query(Integer.class).single();
    }

    /** Issues a quotation; one that waited for its answer is replaced by it. @return its id */
    long quote(long firmId, long householdId, LocalDate validUntil, String addressedTo, String currency, Quotation sums, String terms,
            String by) {
        answer(householdId, Answer.REPLACED, by);
        LocalDate today = LocalDate.now(clock);
        return jdbc.sql("""
            insert into quotation (firm_id, household_id, year, number, issued_at, issued_by, valid_until, addressed_to, currency, lines,
              discount_percent, tax_percent, net_cents, tax_cents, terms)
            values (:firm, :household, :year, :number, :now, :by, :until, :to, :currency, :lines::jsonb, :discount, :tax, :net, :taxCents,
              :terms)
            returning id
            """).param("firm", firmId).param("household", householdId).param("year", today.getYear())
                .param("number", next(firmId, Kind.QUOTATION, today.getYear())).param("now", OffsetDateTime.now(clock)).param("by", by)
                .param("until", validUntil).param("to", addressedTo).param("currency", currency)
                .param("lines", json.writeValueAsString(sums.lines())).param("discount", sums.discountPercent())
                .param("tax", sums.taxPercent()).param("net", sums.netCents()).param("taxCents", sums.taxCents()).param("terms", terms)
                .query(Long.class).single();
    }

    /** Notes the answer to the quotation that waits for one. Returns whether there was one. */
    boolean answer(long householdId, Answer answer, String by) {
        return jdbc.sql("""
            update quotation set answer = :answer, answered_on = :today, answered_by = :by
            where household_id = :household and answer is null
            """).param("answer", answer.name()).param("today", LocalDate.now(clock)).param("by", by).param("household", householdId)
                .update() == 1;
    }

    /** Issues a bill. @param cancels the bill that it takes back, or null */
    void charge(long firmId, long householdId, Long quotationId, Long cancels, LocalDate dueOn, String addressedTo, String currency,
            Quotation sums, String terms, String by) {
        LocalDate today = LocalDate.now(clock);
        jdbc.sql("""
            insert into bill (firm_id, household_id, quotation_id, cancels_id, year, number, issued_at, issued_by, due_on, addressed_to,
              currency, lines, discount_percent, tax_percent, net_cents, tax_cents, terms)
            values (:firm, :household, :quotation, :cancels, :year, :number, :now, :by, :due, :to, :currency, :lines::jsonb, :discount,
              :tax, :net, :taxCents, :terms)
            """).param("firm", firmId).param("household", householdId).param("quotation", quotationId, Types.BIGINT)
                .param("cancels", cancels, Types.BIGINT).param("year", today.getYear())
                .param("number", next(firmId, Kind.BILL, today.getYear())).param("now", OffsetDateTime.now(clock)).param("by", by)
                .param("due", dueOn).param("to", addressedTo).param("currency", currency)
                .param("lines", json.writeValueAsString(sums.lines())).param("discount", sums.discountPercent())
                .param("tax", sums.taxPercent()).param("net", sums.netCents()).param("taxCents", sums.taxCents()).param("terms", terms)
                .update();
    }

    /** Returns whether it was open. */
    boolean paid(long householdId, long billId, LocalDate on, String by) {
        return jdbc.sql("""
            update bill set paid_on = :on, paid_noted_by = :by
            where household_id = :household and id = :id and paid_on is null and cancels_id is null
              and not exists (select 1 from bill c where c.cancels_id = bill.id)
            """).param("on", on).param("by", by).param("household", householdId).param("id", billId).update() == 1;
    }

    /** It was noted by mistake. Returns whether it was noted as paid. */
    boolean notPaid(long householdId, long billId) {
        return jdbc.sql("""
            update bill set paid_on = null, paid_noted_by = null where household_id = :household and id = :id and paid_on is not null
            """).param("household", householdId).param("id", billId).update() == 1;
    }

    private Quoted quoted(ResultSet row, int n) throws SQLException {
        String answer = row.getString("answer");
        return new Quoted(paper(row, "valid_until"), Optional.ofNullable(answer).map(Answer::valueOf),
                row.getObject("answered_on", LocalDate.class), row.getString("answered_by"));
    }

    private Bill bill(ResultSet row, int n) throws SQLException {
        return new Bill(paper(row, "due_on"), Optional.ofNullable(row.getObject("quotation_id", Long.class)),
                Optional.ofNullable(row.getObject("cancels_id", Long.class)), row.getBoolean("cancelled"),
                row.getObject("paid_on", LocalDate.class), row.getString("paid_noted_by"));
    }

    private Paper paper(ResultSet row, String until) throws SQLException {
        List<Quotation.Line> lines = json.readValue(row.getString("lines"), LINES);
        long sum = lines.stream().mapToLong(Quotation.Line::sumCents).sum();
        long net = row.getLong("net_cents");
        BigDecimal discount = row.getBigDecimal("discount_percent");
        return new Paper(row.getLong("id"), row.getInt("year"), row.getInt("number"), row.getObject("issued_at", OffsetDateTime.class),
                row.getString("issued_by"), row.getObject(until, LocalDate.class), row.getString("addressed_to"), row.getString("currency"),
                new Quotation(lines, sum, discount, sum - net, net, row.getBigDecimal("tax_percent"), row.getLong("tax_cents"), List.of()),
                row.getString("terms"));
    }
}
