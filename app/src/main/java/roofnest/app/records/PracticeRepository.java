package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Practice.Figure;

/** A firm's own figures of how it works. */
@Repository
public class PracticeRepository {
    private final JdbcClient jdbc;

    PracticeRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param version for the next change; 0 while nothing was set */
    public record Kept(Practice practice, int version) {
        static final Kept NOTHING = new Kept(Practice.USUAL, 0);
    }

    public Kept of(long firmId) {
        return jdbc.sql("select figures, own, version from practice where firm_id = :firm").param("firm", firmId)
                .query(PracticeRepository::kept).optional().orElse(Kept.NOTHING);
    }

    /** Of the firm that a household is of. */
    Practice ofHousehold(long householdId) {
        return jdbc.sql("select p.figures, p.own, p.version from practice p join household h using (firm_id) where h.id = :id")
                .param("id", householdId).query(PracticeRepository::kept).optional().orElse(Kept.NOTHING).practice();
    }

    private static Kept kept(ResultSet row, int n) throws SQLException {
        String[] figures = (String[]) row.getArray("figures").getArray();
        Double[] own = (Double[]) row.getArray("own").getArray();
        Map<Figure, Double> values = new EnumMap<>(Figure.class);
        for (int i = 0; i < figures.length; i++) {
            values.put(Figure.valueOf(figures[i]), own[i]);
        }
        return new Kept(new Practice(values), row.getInt("version"));
    }

    /** @throws StaleEdit when somebody else was quicker */
    public void set(long firmId, Practice practice, int version) {
        Figure[] figures = practice.own().keySet().stream().sorted().toArray(Figure[]::new);
        int rows = jdbc.sql("""
            insert into practice (firm_id, figures, own)
            values (:firm, :figures, :own)
            on conflict (firm_id) do update
            set figures = excluded.figures, own = excluded.own, version = practice.version + 1
            where practice.version = :version
            """)
                .param("firm", firmId).param("version", version).param("figures", names(figures)).param("own", values(practice, figures))
                .update();
        if (rows == 0) {
            throw new StaleEdit("The sheet of figures", version, of(firmId).version());
        }
    }

    private static String[] names(Figure[] figures) {
        return Arrays.stream(figures).map(Enum::name).toArray(String[]::new);
    }

    private static Double[] values(Practice practice, Figure[] figures) {
        return Arrays.stream(figures).map(practice::of).toArray(Double[]::new);
    }
}
