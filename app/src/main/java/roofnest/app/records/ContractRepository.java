package roofnest.app.records;

import java.sql.Types;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.care.CareContract;

/** Contracts of care, one of each household that has one, and what calls came to. */
@Repository
public class ContractRepository {
    private final JdbcClient jdbc;

    ContractRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param by who wrote it down. @param version for the next change; 0 for the first */
    public record Row(CareContract contract, String by, int version) {}

    public Optional<Row> of(long householdId) {
        return jdbc.sql("select * from care_contract where household_id = :id").param("id", householdId).query((row, n) -> new Row(
                new CareContract(row.getObject("from_day", LocalDate.class), row.getInt("months"), row.getBoolean("renews"), row.getLong(
                        "cents"),
                        Arrays.stream((String[]) row.getArray("covers").getArray()).map(CareContract.Covers::valueOf).collect(
                                Collectors.toSet()),
                        row.getInt("visits")),
                row.getString("by_name"), row.getInt("version"))).optional();
    }

    /** Saves if nobody did since the version that it carries. */
    public void say(long householdId, Row said) {
        CareContract contract = said.contract();
        int rows = jdbc.sql("""
            insert into care_contract (household_id, from_day, months, renews, cents, covers, visits, by_name)
            select :id, :from, :months, :renews, :cents, :covers, :visits, :by
            where :version = 0 or exists (select 1 from care_contract where household_id = :id)
            on conflict (household_id) do update
            set from_day = excluded.from_day, months = excluded.months, renews = excluded.renews, cents = excluded.cents,
                covers = excluded.covers, visits = excluded.visits, by_name = excluded.by_name, version = care_contract.version + 1
            where care_contract.version = :version
            """).param("id", householdId).param("from", contract.from()).param("months", contract.months())
                .param("renews", contract.renews()).param("cents", contract.centsATerm())
                .param("covers", contract.covers().stream().map(Enum::name).sorted().toArray(String[]::new), Types.ARRAY)
                .param("visits", contract.visits()).param("by", said.by()).param("version", said.version()).update();
        if (rows != 1) {
            throw new StaleEdit("The contract", said.version(), of(householdId).map(Row::version).orElse(0));
        }
    }

    /** Returns whether there was one. */
    public boolean remove(long householdId) {
        return jdbc.sql("delete from care_contract where household_id = :id").param("id", householdId).update() == 1;
    }

    /** What a call came to. @param coveredVisits of its visits so many were the contract's. @param version 0 for the first */
    public record Work(LocalDate on, int phoneMinutes, int visits, int visitMinutes, long partsCents, int coveredVisits, String by,
            int version) {}

    public Optional<Work> work(long householdId, long caseId) {
        return jdbc.sql("select * from case_work where household_id = :id and case_id = :case").param("id", householdId)
                .param("case", caseId).query((row, n) -> new Work(row.getObject("on_day", LocalDate.class), row.getInt("phone_minutes"),
                        row.getInt("visits"), row.getInt("visit_minutes"), row.getLong("parts_cents"), row.getInt("covered_visits"),
                        row.getString("by_name"), row.getInt("version")))
                .optional();
    }

    /** Visits that a term has paid for. */
    public int coveredVisits(long householdId, CareContract.Term term) {
        return coveredVisits(householdId, term, NO_CALL);
    }

    private static final long NO_CALL = 0;

    /** Visits that a term has paid for other calls. */
    public int coveredVisits(long householdId, CareContract.Term term, long butFor) {
        return jdbc.sql("""
            select coalesce(sum(covered_visits), 0) from case_work
            where household_id = :id and on_day between :first and :last and case_id <> :but
            """).param("id", householdId).param("first", term.first()).param("last", term.last()).param("but", butFor)
                .query(Integer.class).single();
    }

    /** Saves if nobody did since the version that it carries. */
    public void sayWork(long householdId, long caseId, Work work) {
        int rows = jdbc
                .sql("""
                              insert into case_work (case_id, household_id, on_day, phone_minutes, visits, visit_minutes, parts_cents,
                    covered_visits, by_name)
                              select :case, :id, :on, :phone, :visits, :minutes, :parts, :covered, :by
                              where :version = 0 or exists (select 1 from case_work where case_id = :case)
                              on conflict (case_id) do update
                              set on_day = excluded.on_day, phone_minutes = excluded.phone_minutes, visits = excluded.visits,
                                  visit_minutes = excluded.visit_minutes, parts_cents = excluded.parts_cents,
                          covered_visits = excluded.covered_visits,
                                  by_name = excluded.by_name, version = case_work.version + 1
                              where case_work.version = :version
                              """)
                .param("case", caseId).param("id", householdId).param("on", work.on()).param("phone", work.phoneMinutes())
                .param("visits", work.visits()).param("minutes", work.visitMinutes()).param("parts", work.partsCents())
                .param("covered", work.coveredVisits()).param("by", work.by()).param("version", work.version()).update();
        if (rows != 1) {
            throw new StaleEdit("What the call came to", work.version(), work(householdId, caseId).map(Work::version).orElse(0));
        }
    }
}
