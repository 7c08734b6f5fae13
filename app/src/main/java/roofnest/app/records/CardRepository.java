package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.footage.CardCheck;

/** The cards that are in cameras. */
@Repository
public class CardRepository {
    private final JdbcClient jdbc;

    CardRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * @param check what filling it and reading it back told, and {@code testedOn} when; empty where nobody did
     * @param by who said so
     * @param version for the next change; 0 for what nobody said yet
     */
    public record Card(LocalDate putIn, boolean highEndurance, double printedGb, Optional<CardCheck> check, LocalDate testedOn, String by,
            int version) {}

    /** By camera. */
    public Map<Long, Card> of(long householdId) {
        Map<Long, Card> cards = new HashMap<>();
        jdbc.sql("select * from camera_card where household_id = :household").param("household", householdId)
                .query(row -> {
                    cards.put(row.getLong("camera_id"), card(row));
                });
        return cards;
    }

    /** Another card, or the same one tested, takes the place of what was said before, if nobody did since the version that it carries. */
    public void say(long householdId, long cameraId, Card card) {
        int rows = jdbc.sql("""
            insert into camera_card (camera_id, household_id, put_in, high_endurance, printed_gb, wrote_gb, same_gb, tested_on, said_by)
            select :camera, :household, :putIn, :endurance, :printed, :wrote, :same, :tested, :by
            where :version = 0 or exists (select 1 from camera_card where camera_id = :camera)
            on conflict (camera_id) do update
            set put_in = excluded.put_in, high_endurance = excluded.high_endurance, printed_gb = excluded.printed_gb,
                wrote_gb = excluded.wrote_gb, same_gb = excluded.same_gb, tested_on = excluded.tested_on, said_by = excluded.said_by,
                version = camera_card.version + 1
            where camera_card.version = :version
            """).param("camera", cameraId).param("household", householdId).param("putIn", card.putIn())
                .param("endurance", card.highEndurance()).param("printed", card.printedGb())
                .param("wrote", card.check().map(CardCheck::wroteGb).orElse(null), Types.DOUBLE)
                .param("same", card.check().map(CardCheck::sameGb).orElse(null), Types.DOUBLE)
                .param("tested", card.testedOn(), Types.DATE).param("by", card.by()).param("version", card.version()).update();
        if (rows != 1) {
            throw new StaleEdit("What is said of the card", card.version(), Optional.ofNullable(of(householdId).get(cameraId)).map(
                    Card::version).orElse(0));
        }
    }

    /** Returns whether there was one. */
    public boolean forget(long householdId, long cameraId) {
        return jdbc.sql("delete from camera_card where household_id = :household and camera_id = :camera").param("household", householdId)
                .param("camera", cameraId).update() == 1;
    }

    private static Card card(ResultSet row) throws SQLException {
        double printed = row.getDouble("printed_gb");
        Optional<CardCheck> check = row.getObject("wrote_gb") == null ? Optional.empty()
                : Optional.of(new CardCheck(printed, row.getDouble("wrote_gb"), row.getDouble("same_gb")));
        return new Card(row.getObject("put_in", LocalDate.class), row.getBoolean("high_endurance"), printed, check,
                row.getObject("tested_on", LocalDate.class), row.getString("said_by"), row.getInt("version"));
    }
}
