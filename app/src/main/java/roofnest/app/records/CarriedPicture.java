package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.Map;

import org.springframework.jdbc.core.simple.JdbcClient;

import roofnest.app.web.Photograph;

/** A picture of a camera's as it is carried along with its household: named by camera, since numbers are others elsewhere. */
public final class CarriedPicture {
    private CarriedPicture() {}

    /** From a row of name, jpeg, taken_at and taken_by. */
    public static PictureShelf.Picture of(ResultSet row, int n) throws SQLException {
        return new PictureShelf.Picture(Map.of("camera", row.getString("name"), "by", row.getString("taken_by"), "at",
                row.getObject("taken_at", OffsetDateTime.class).toString()), row.getBytes("jpeg"));
    }

    /** One carried in. @param jpeg drawn anew */
    public record Taken(long cameraId, byte[] jpeg, OffsetDateTime at, String by) {}

    /** @throws IllegalArgumentException when its camera is not there */
    public static Taken taken(JdbcClient jdbc, long householdId, PictureShelf.Picture picture) {
        long camera = jdbc.sql("select id from camera where household_id = :id and name = :name and removed_at is null")
                .param("id", householdId).param("name", picture.about().getOrDefault("camera", "")).query(Long.class).optional()
                .orElseThrow(() -> new IllegalArgumentException("a picture of a camera that is not there"));
        return new Taken(camera, jpeg(picture), moment(picture, "at"), by(picture));
    }

    /** Drawn anew. */
    static byte[] jpeg(PictureShelf.Picture picture) {
        return Photograph.drawnAnew(picture.bytes());
    }

    static OffsetDateTime moment(PictureShelf.Picture picture, String what) {
        return OffsetDateTime.parse(picture.about().getOrDefault(what, ""));
    }

    static String by(PictureShelf.Picture picture) {
        return picture.about().getOrDefault("by", "");
    }
}
