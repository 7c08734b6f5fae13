package roofnest.app.survey;

import java.util.Map;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import roofnest.app.records.PictureShelf;

/** Drawings laid under storeys' plans. */
@Repository
class UnderlayRepository implements PictureShelf {
    private final JdbcClient jdbc;

    UnderlayRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param xM and {@code yM}: its top left corner on the plan, metres, y to the north */
    record Underlay(int widthPx, int heightPx, double metresPerPx, double xM, double yM) {}

    record Picture(byte[] bytes, String mediaType) {}

    Optional<Underlay> of(long householdId, String storeyId) {
        return jdbc.sql("""
            select width_px, height_px, metres_per_px, x_m, y_m
            from underlay
            where household_id = :householdId and storey_id = :storeyId
            """)
                .param("householdId", householdId)
                .param("storeyId", storeyId)
                .query((row, n) -> new Underlay(row.getInt("width_px"), row.getInt("height_px"), row.getDouble("metres_per_px"),
                        row.getDouble("x_m"), row.getDouble("y_m")))
                .optional();
    }

    Optional<Picture> picture(long householdId, String storeyId) {
        return jdbc.sql("select picture, media_type from underlay where household_id = :householdId and storey_id = :storeyId")
                .param("householdId", householdId)
                .param("storeyId", storeyId)
                .query((row, n) -> new Picture(row.getBytes("picture"), row.getString("media_type")))
                .optional();
    }

    @Override
    public String shelf() {
        return "under-the-plan";
    }

    @Override
    public List<PictureShelf.Picture> pictures(long householdId) {
        return jdbc.sql("""
            select storey_id, picture, media_type, width_px, height_px, metres_per_px, x_m, y_m
            from underlay where household_id = :householdId order by storey_id
            """)
                .param("householdId", householdId)
                .query((row, n) -> new PictureShelf.Picture(
                        Map.of("storey", row.getString("storey_id"), "mediaType", row.getString("media_type"),
                                "widthPx", row.getString("width_px"), "heightPx", row.getString("height_px"), "metresPerPx",
                                row.getString("metres_per_px"), "xM", row.getString("x_m"), "yM", row.getString("y_m")),
                        row.getBytes("picture")))
                .list();
    }

    @Override
    public void put(long householdId, PictureShelf.Picture picture) {
        Map<String, String> about = picture.about();
        lay(householdId, about.get("storey"), new Picture(picture.bytes(), about.get("mediaType")),
                new Underlay(Integer.parseInt(about.get("widthPx")), Integer.parseInt(about.get("heightPx")),
                        Double.parseDouble(about.get("metresPerPx")), Double.parseDouble(about.get("xM")),
                        Double.parseDouble(about.get("yM"))));
    }

    void lay(long householdId, String storeyId, Picture picture, Underlay at) {
        jdbc.sql("""
            insert into underlay (household_id, storey_id, picture, media_type, width_px, height_px, metres_per_px, x_m, y_m)
            values (:householdId, :storeyId, :picture, :mediaType, :width, :height, :scale, :x, :y)
            on conflict (household_id, storey_id) do update
            set picture = excluded.picture, media_type = excluded.media_type, width_px = excluded.width_px,
                height_px = excluded.height_px, metres_per_px = excluded.metres_per_px, x_m = excluded.x_m, y_m = excluded.y_m
            """)
                .param("householdId", householdId)
                .param("storeyId", storeyId)
                .param("picture", picture.bytes())
                .param("mediaType", picture.mediaType())
                .param("width", at.widthPx()).param("height", at.heightPx())
                .param("scale", at.metresPerPx())
                .param("x", at.xM()).param("y", at.yM())
                .update();
    }

    void place(long householdId, String storeyId, Underlay at) {
        jdbc.sql("""
            update underlay set metres_per_px = :scale, x_m = :x, y_m = :y
            where household_id = :householdId and storey_id = :storeyId
            """)
                .param("scale", at.metresPerPx())
                .param("x", at.xM()).param("y", at.yM())
                .param("householdId", householdId)
                .param("storeyId", storeyId)
                .update();
    }

    void remove(long householdId, String storeyId) {
        jdbc.sql("delete from underlay where household_id = :householdId and storey_id = :storeyId")
                .param("householdId", householdId)
                .param("storeyId", storeyId)
                .update();
    }
}
