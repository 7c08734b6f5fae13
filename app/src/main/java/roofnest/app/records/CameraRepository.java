package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonProperty;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import roofnest.app.models.Models;
import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.StaleEdit;
import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.PictureSetup;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.Base;
import roofnest.core.mount.Covering;
import roofnest.core.mount.Fixings;
import roofnest.core.mount.SaidLead;
import roofnest.core.mount.SaidWall;
import roofnest.core.mount.SpotLook;
import roofnest.core.plan.HousePlan;
import roofnest.core.still.Spread;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;
import roofnest.core.week.WatchSetting;

/** The cameras of households, planned and hung. */
@Repository
public class CameraRepository implements Archive {
    /** With the day on which it was last joined on stand-ins, which is no joining. */
    private static final String SELECT
            = """
                select camera.*,
                       (select max(finished_at) from run where camera_id = camera.id and bench and given_up_at is null) as rehearsed_at,
                       (select to_jsonb(s) from camera_setup s where s.camera_id = camera.id) as setup,
                       (select to_jsonb(s) from camera_sensing s where s.camera_id = camera.id) as sensing,
                       (select to_jsonb(p) from camera_pack p where p.camera_id = camera.id) as pack
                from camera
                """;

    private final JdbcClient jdbc;
    private final Models models;
    private final Clock clock;
    private final JsonMapper json = new JsonMapper();
    private final ArchivedRows archived;

    CameraRepository(JdbcClient jdbc, Models models, Clock clock) {
        this.jdbc = jdbc;
        this.models = models;
        this.clock = clock;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.CAMERA, "camera", "name || coalesce(', serial ' || serial, '')");
    }

    /**
     * What pages show of a camera beyond what it is judged by.
     *
     * @param planned its pose on the plan, which need not be the one in which it hangs
     * @param wall what somebody who stood before it said that the wall is
     * @param packSince since when its pack is in it; null where nobody said
     * @param rehearsedAt when a run on stand-ins was last finished, or null
     */
    public record Record(Camera camera, CameraPose planned, Optional<WallSaid> wall, String serial, String stickerKept, String deviceId,
            String room,
            OffsetDateTime joinedAt, OffsetDateTime rehearsedAt, OffsetDateTime mountedAt, LocalDate packSince, int version) {
        /** By what somebody said that the wall is, else by what the plan says; empty where there is neither. */
        public Optional<Fixings> fixings(Optional<HousePlan> plan) {
            return wall.map(said -> Fixings.into(said.wall(), camera.model().mount()))
                    .or(() -> plan.flatMap(house -> Fixings.materialBehind(house, camera.pose()))
                            .map(behind -> Fixings.into(behind, camera.model().mount())));
        }

        /** With what somebody saw at the foot of its steps or ladder. */
        Record seen(SpotLook look) {
            return new Record(camera.withLook(look), planned, wall, serial, stickerKept, deviceId, room, joinedAt, rehearsedAt, mountedAt,
                    packSince, version);
        }

        /** With the way of its lead as somebody measured it. */
        Record led(SaidLead lead) {
            return new Record(camera.withLead(lead), planned, wall, serial, stickerKept, deviceId, room, joinedAt, rehearsedAt, mountedAt,
                    packSince, version);
        }

        /** As it was read to hang. */
        Record hanging(CameraPose read, Spread spread) {
            return new Record(camera.hanging(read, spread), planned, wall, serial, stickerKept, deviceId, room, joinedAt, rehearsedAt,
                    mountedAt,
                    packSince, version);
        }

        public long id() {
            return camera.id();
        }
    }

    /** What the wall at a mount is, who said so, and when. */
    public record WallSaid(SaidWall wall, String by, OffsetDateTime at) {}

    public List<Camera> of(long householdId) {
        return records(householdId).stream().map(Record::camera).toList();
    }

    /** Of several households at once. */
    public Map<Long, List<Camera>> ofAll(List<Long> households) {
        Map<Long, List<Camera>> all = new HashMap<>();
        jdbc.sql(SELECT + "where household_id = any(:households) and removed_at is null order by id")
                .param("households", households.toArray(Long[]::new))
                .query(row -> {
                    all.computeIfAbsent(row.getLong("household_id"), id -> new ArrayList<>()).add(row(row, 0).camera());
                });
        return all;
    }

    /** A camera on the plan of a house that the firm still works at. */
    public record OnWall(long householdId, String household, long cameraId, String camera) {}

    /** Cameras of a firm's houses that have a plan and are not handed over, the latest houses first, one of each. */
    public List<OnWall> onWalls(long firmId, int most) {
        return jdbc.sql("""
            select distinct on (h.id) h.id, h.name, c.id as camera_id, c.name as camera
            from household h join camera c on c.household_id = h.id and c.removed_at is null
            where h.firm_id = :firm and h.plan is not null and h.archived_at is null and h.handed_over_at is null
            order by h.id desc, c.id
            limit :most
            """).param("firm", firmId).param("most", most)
                .query((row, n) -> new OnWall(row.getLong("id"), row.getString("name"), row.getLong("camera_id"), row.getString("camera")))
                .list();
    }

    public List<Record> records(long householdId) {
        return jdbc.sql(SELECT + "where household_id = :householdId and removed_at is null order by id")
                .param("householdId", householdId)
                .query(this::row).list();
    }

    public Optional<Record> find(long householdId, long id) {
        return jdbc.sql(SELECT + "where household_id = :householdId and id = :id and removed_at is null")
                .param("householdId", householdId)
                .param("id", id)
                .query(this::row).optional();
    }

    /** The camera, or a page that is not there. */
    public Record get(long householdId, long id) {
        return find(householdId, id).orElseThrow(NoSuchPage::new);
    }

    public List<String> namesOfOthers(long householdId, long id) {
        return jdbc.sql("select name from camera where household_id = :householdId and id <> :id and removed_at is null")
                .param("householdId", householdId)
                .param("id", id)
                .query(String.class).list();
    }

    public long add(long householdId, String name, String modelKey, CameraPose pose, Camera.Settings settings) {
        return jdbc.sql("""
            insert into camera (household_id, name, model_key, x_m, y_m, height_m, heading_deg, tilt_deg, roll_deg,
                                clip_seconds, cool_down_seconds, card_gb, visits_per_day, live_minutes,
                                open_sky_share, charge_every_days, panel_slope_deg, panel_heading_deg)
            values (:householdId, :name, :modelKey, :x, :y, :height, :heading, :tilt, :roll,
                    :clip, :coolDown, :card, :visits, :live, :sky, :charge, :slope, :faces)
            returning id
            """)
                .param("householdId", householdId)
                .param("name", name)
                .param("modelKey", modelKey)
                .param("x", pose.xM()).param("y", pose.yM()).param("height", pose.heightM())
                .param("heading", pose.headingDeg()).param("tilt", pose.tiltDeg()).param("roll", pose.rollDeg())
                .param("clip", settings.clipSeconds()).param("coolDown", settings.coolDownSeconds()).param("card", settings.cardGb())
                .param("visits", settings.visitsPerDay()).param("live", settings.liveMinutes())
                .param("sky", settings.openSkyShare()).param("charge", settings.chargeEveryDays())
                .param("slope", settings.panelSlopeDeg()).param("faces", settings.panelHeadingDeg())
                .query(Long.class).single();
    }

    /** Saves the pose alone if nobody saved the camera since {@code version}; returns the new version. */
    public int aim(long householdId, long id, CameraPose pose, int version) {
        return aim(householdId, id, pose, OptionalDouble.of(pose.rollDeg()), version);
    }

    /** Saves where it is and looks, but leaves it rolled as it was; else as {@link #aim}. */
    public int aimOnPlan(long householdId, long id, CameraPose pose, int version) {
        return aim(householdId, id, pose, OptionalDouble.empty(), version);
    }

    private int aim(long householdId, long id, CameraPose pose, OptionalDouble rollDeg, int version) {
        return jdbc.sql("""
            update camera
            set x_m = :x, y_m = :y, height_m = :height, heading_deg = :heading, tilt_deg = :tilt,
                roll_deg = coalesce(:roll, roll_deg), version = version + 1
            where household_id = :householdId and id = :id and version = :version and removed_at is null
            returning version
            """)
                .param("x", pose.xM()).param("y", pose.yM()).param("height", pose.heightM())
                .param("heading", pose.headingDeg()).param("tilt", pose.tiltDeg())
                .param("roll", rollDeg.isPresent() ? rollDeg.getAsDouble() : null, Types.DOUBLE)
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .query(Integer.class).optional()
                .orElseThrow(() -> stale(householdId, id, version));
    }

    /** Writes down what the wall is, if nobody saved the camera since {@code version}. */
    public void sayWall(long householdId, long id, SaidWall wall, String by, int version) {
        int rows = jdbc.sql("""
            update camera
            set wall_base = :base, wall_covering = :covering, wall_covering_mm = :mm, wall_said_by = :by, wall_said_at = :now,
                version = version + 1
            where household_id = :householdId and id = :id and version = :version and removed_at is null
            """)
                .param("base", wall.base().name()).param("covering", wall.covering().name()).param("mm", wall.coveringMm())
                .param("by", by).param("now", OffsetDateTime.now(clock))
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /** Counts a change of what stands beside the camera, if nobody saved it since {@code version}. */
    public void touch(long householdId, long id, int version) {
        int rows = jdbc.sql("""
            update camera set version = version + 1
            where household_id = :householdId and id = :id and version = :version and removed_at is null
            """)
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /** Saves the mask alone if nobody saved the camera since {@code version}; returns the new version. */
    public int mask(long householdId, long id, Collection<MaskCell> masked, int version) {
        return jdbc.sql("""
            update camera set masked = :masked, version = version + 1
            where household_id = :householdId and id = :id and version = :version and removed_at is null
            returning version
            """)
                .param("masked", masked.stream().sorted().map(MaskCell::toString).toArray(String[]::new))
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .query(Integer.class).optional()
                .orElseThrow(() -> stale(householdId, id, version));
    }

    /** Saves the zones if nobody saved the camera since {@code version}. */
    public void zone(long householdId, long id, List<Zone> zones, int version) {
        int rows = jdbc.sql("""
            update camera set zones = :zones::jsonb, set_before = null, version = version + 1
            where household_id = :householdId and id = :id and version = :version
            """)
                .param("zones", json.writeValueAsString(zones))
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /**
     * Whether this very save was made already and is only sent again. What somebody else saved after it makes it another.
     *
     * @param token made by whoever saves, one for each save; null for a save that is never sent again
     */
    public boolean isSaved(long householdId, long id, String token) {
        return token != null && jdbc.sql("""
            select count(*) from camera
            where household_id = :householdId and id = :id and saved_token = :token and saved_version = version
            """)
                .param("householdId", householdId)
                .param("id", id)
                .param("token", token)
                .query(Integer.class).single() == 1;
    }

    /** Writes down who made the save that was just made, and its token. */
    public void signSave(long householdId, long id, String token, String by) {
        jdbc.sql("""
            update camera set saved_token = :token, saved_version = version, saved_by = :by where household_id = :householdId and id = :id
            """)
                .param("token", token, Types.VARCHAR)
                .param("by", by)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /** Saves settings if nobody saved the camera since {@code version}. */
    public void tune(long householdId, long id, Camera.Settings settings, LocalDate lastCharged, int version) {
        int rows = jdbc.sql("""
            update camera
            set clip_seconds = :clip, cool_down_seconds = :coolDown, card_gb = :card, visits_per_day = :visits,
                live_minutes = :live, open_sky_share = :sky, charge_every_days = :charge,
                panel_slope_deg = :slope, panel_heading_deg = :faces, set_before = null, worst_week_share = :worst,
                last_charged_on = coalesce(:lastCharged, last_charged_on), version = version + 1
            where household_id = :householdId and id = :id and version = :version
            """)
                .param("clip", settings.clipSeconds()).param("coolDown", settings.coolDownSeconds()).param("card", settings.cardGb())
                .param("visits", settings.visitsPerDay()).param("live", settings.liveMinutes())
                .param("sky", settings.openSkyShare()).param("charge", settings.chargeEveryDays())
                .param("slope", settings.panelSlopeDeg()).param("faces", settings.panelHeadingDeg())
                .param("worst", settings.worstWeekShare().isPresent() ? settings.worstWeekShare().getAsDouble() : null, Types.DOUBLE)
                .param("lastCharged", lastCharged, Types.DATE)
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /** Since when its pack is in it, if nobody saved the camera since {@code version}. @param since null for not known */
    public void sayPack(long householdId, long id, LocalDate since, int version) {
        int rows = jdbc.sql("""
            update camera set pack_since = :since, version = version + 1
            where household_id = :householdId and id = :id and version = :version and removed_at is null
            """).param("since", since, Types.DATE).param("householdId", householdId).param("id", id).param("version", version).update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /** Sets sensor and kinds if nobody saved the camera since {@code version}. */
    public void watch(long householdId, long id, Camera.Watching watching, int version) {
        int rows = jdbc.sql("""
            update camera set sensitivity = :sensitivity, kinds = :kinds, set_before = null, version = version + 1
            where household_id = :householdId and id = :id and version = :version
            """).param("sensitivity", watching.sensitivity())
                .param("kinds", watching.kinds().stream().map(Enum::name).sorted().toArray(String[]::new))
                .param("householdId", householdId).param("id", id).param("version", version).update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /** How a camera was set before other settings were taken for it. */
    private record SetBefore(int clipSeconds, int coolDownSeconds, Integer sensitivity, List<String> kinds, JsonNode zones,
            QuietHours silent, QuietHours silentTaken) {}

    /** Hours in which a camera rang nobody before settings were taken for it, and those that came with them. */
    public record Silence(Optional<QuietHours> before, Optional<QuietHours> taken) {}

    /**
     * Takes settings for a camera, and keeps those that it had, if nobody saved it since {@code version}.
     *
     * @param zones its zones from now on
     * @param silence kept beside them, to be taken back with them
     */
    public void take(long householdId, long id, WatchSetting setting, List<Zone> zones, Silence silence, int version) {
        int rows = jdbc.sql("""
            update camera
            set set_before = jsonb_build_object('clipSeconds', clip_seconds, 'coolDownSeconds', cool_down_seconds,
                  'sensitivity', sensitivity, 'kinds', to_jsonb(kinds), 'zones', zones, 'silent', :silent::jsonb,
                  'silentTaken', :taken::jsonb),
                clip_seconds = :clip, cool_down_seconds = :coolDown, sensitivity = :sensitivity, kinds = :kinds,
                zones = :zones::jsonb, version = version + 1
            where household_id = :householdId and id = :id and version = :version
            """).param("clip", setting.clipSeconds()).param("coolDown", setting.coolDownSeconds())
                .param("silent", json.writeValueAsString(silence.before())).param("taken", json.writeValueAsString(silence.taken()))
                .param("sensitivity", setting.sensitivity())
                .param("kinds", setting.kinds().stream().map(Enum::name).sorted().toArray(String[]::new))
                .param("zones", json.writeValueAsString(zones)).param("householdId", householdId).param("id", id)
                .param("version", version).update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /** Whether settings were taken that can be taken back. */
    public boolean canTakeBack(long householdId, long id) {
        return jdbc.sql("select set_before is not null from camera where household_id = :householdId and id = :id")
                .param("householdId", householdId).param("id", id).query(Boolean.class).optional().orElse(false);
    }

    /**
     * Sets a camera as it was before settings were taken for it, if nobody saved it since {@code version}.
     *
     * @return the hours in which it rang nobody before that, for whoever keeps them
     */
    public Silence takeBack(long householdId, long id, int version) {
        SetBefore before = jdbc.sql("select set_before from camera where household_id = :householdId and id = :id and version = :version")
                .param("householdId", householdId).param("id", id).param("version", version)
                .query((row, n) -> row.getString("set_before") == null ? null
                        : json.readValue(row.getString("set_before"), SetBefore.class))
                .optional().orElseThrow(() -> stale(householdId, id, version));
        jdbc.sql("""
            update camera
            set clip_seconds = :clip, cool_down_seconds = :coolDown, sensitivity = :sensitivity, kinds = :kinds, zones = :zones::jsonb,
                set_before = null, version = version + 1
            where household_id = :householdId and id = :id
            """).param("clip", before.clipSeconds()).param("coolDown", before.coolDownSeconds())
                .param("sensitivity", before.sensitivity(), Types.INTEGER)
                .param("kinds", before.kinds() == null ? null : before.kinds().toArray(String[]::new), Types.ARRAY)
                .param("zones", before.zones().toString()).param("householdId", householdId).param("id", id).update();
        return new Silence(Optional.ofNullable(before.silent()), Optional.ofNullable(before.silentTaken()));
    }

    public void markJoined(long householdId, long id) {
        stamp(householdId, id, "joined_at");
    }

    public void markOwnPassword(long householdId, long id) {
        stamp(householdId, id, "own_password_at");
    }

    public void markMounted(long householdId, long id) {
        stamp(householdId, id, "mounted_at");
    }

    public void keepSticker(long householdId, long id, String serial, String where) {
        jdbc.sql("update camera set serial = :serial, sticker_kept = :kept where household_id = :householdId and id = :id")
                .param("serial", serial)
                .param("kept", where)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /**
     * What a sticker says.
     *
     * @param deviceId null when it does not say
     * @param kept where it was put; null leaves what is written down
     */
    public record Label(String serial, String deviceId, String kept, String readBy) {}

    public void keepLabel(long householdId, long id, Label label) {
        jdbc.sql("""
            update camera
            set serial = :serial, device_id = :deviceId, sticker_kept = coalesce(:kept, sticker_kept), label_read_by = :by
            where household_id = :householdId and id = :id
            """)
                .param("serial", label.serial())
                .param("deviceId", label.deviceId(), Types.VARCHAR)
                .param("kept", label.kept(), Types.VARCHAR)
                .param("by", label.readBy())
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /** What is settled once it has joined. @param recoveryAddress null where the model has none */
    public void settle(long householdId, long id, String firmware, String recoveryAddress) {
        jdbc.sql("""
            update camera
            set firmware = :firmware, clock_set_at = :now, recovery_address = coalesce(:recovery, recovery_address)
            where household_id = :householdId and id = :id
            """)
                .param("firmware", firmware)
                .param("now", OffsetDateTime.now(clock))
                .param("recovery", recoveryAddress, Types.VARCHAR)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    public void putInRoom(long householdId, long id, String room) {
        jdbc.sql("update camera set room = :room where household_id = :householdId and id = :id")
                .param("room", room, Types.VARCHAR)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /** It has left the network and has to be joined again; its own password went with its place there. */
    public void markApart(long householdId, long id) {
        jdbc.sql("update camera set joined_at = null, own_password_at = null where household_id = :householdId and id = :id")
                .param("householdId", householdId).param("id", id).update();
    }

    /** Takes it out of the house. Its row stays, for the log. */
    public void remove(long householdId, long id, String by) {
        archived.takeOut(householdId, id, by);
        jdbc.sql("update camera set device_id = null where household_id = :householdId and id = :id")
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    @Override
    public ArchivedRows archived() {
        return archived;
    }

    /** It comes back as planned: it left its account, so it is to be joined and hung again. */
    @Override
    public void bringBack(long householdId, long id) {
        String name = jdbc.sql("select name from camera where household_id = :householdId and id = :id and removed_at is not null")
                .param("householdId", householdId).param("id", id).query(String.class).optional().orElseThrow(NoSuchPage::new);
        if (namesOfOthers(householdId, id).stream().anyMatch(name::equalsIgnoreCase)) {
            throw new BadInput("Another camera of the house is called " + name + " by now. Give that one another name first.");
        }
        jdbc.sql("""
            update camera set joined_at = null, own_password_at = null, mounted_at = null, version = version + 1
            where household_id = :householdId and id = :id
            """)
                .param("householdId", householdId).param("id", id).update();
        archived.bringBack(householdId, id);
    }

    /** Corrects what is written down of a camera if nobody saved it since {@code version}. */
    public void correct(long householdId, long id, String name, String serial, String stickerKept, String room, int version) {
        int rows = jdbc
                .sql("""
                        update camera
                        set name = :name, serial = nullif(:serial, ''), sticker_kept = nullif(:kept, ''), room = nullif(:room, ''),
                    version = version + 1
                        where household_id = :householdId and id = :id and version = :version and removed_at is null
                        """)
                .param("name", name)
                .param("serial", serial)
                .param("kept", stickerKept)
                .param("room", room)
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw stale(householdId, id, version);
        }
    }

    /** Where else a serial number stands: the camera and its household, for a device is in one place only. */
    public Optional<String> otherOfSerial(long firmId, String serial, long cameraId) {
        return jdbc.sql("""
            select c.name || ' at ' || h.name
            from camera c join household h on h.id = c.household_id
            where h.firm_id = :firm and lower(c.serial) = lower(:serial) and c.id <> :camera and c.removed_at is null
              and h.archived_at is null
            limit 1
            """)
                .param("firm", firmId)
                .param("serial", serial)
                .param("camera", cameraId)
                .query(String.class).optional();
    }

    /** What a camera brings along that was carried in from another place. */
    public record CarriedIn(Collection<MaskCell> masked, List<Zone> zones, String serial, String stickerKept, String deviceId, String room,
            OffsetDateTime joinedAt, boolean ownPassword, OffsetDateTime mountedAt, LocalDate lastChargedOn, Optional<WallSaid> wall,
            LocalDate packSince, Double worstWeekShare) {}

    public void carryIn(long householdId, long id, CarriedIn in) {
        mask(householdId, id, in.masked(), find(householdId, id).orElseThrow().version());
        zone(householdId, id, in.zones(), find(householdId, id).orElseThrow().version());
        jdbc.sql("""
            update camera
            set serial = :serial, sticker_kept = :kept, device_id = :device, room = :room, joined_at = :joined,
                own_password_at = case when :own then coalesce(:joined, :now) end, mounted_at = :mounted, last_charged_on = :charged,
                wall_base = :base, wall_covering = :covering, wall_covering_mm = :mm, wall_said_by = :saidBy, wall_said_at = :saidAt,
                pack_since = :since, worst_week_share = :worst
            where household_id = :householdId and id = :id
            """)
                .param("serial", in.serial(), Types.VARCHAR)
                .param("kept", in.stickerKept(), Types.VARCHAR)
                .param("device", in.deviceId(), Types.VARCHAR)
                .param("room", in.room(), Types.VARCHAR)
                .param("joined", in.joinedAt(), Types.TIMESTAMP_WITH_TIMEZONE)
                .param("own", in.ownPassword())
                .param("now", OffsetDateTime.now(clock))
                .param("mounted", in.mountedAt(), Types.TIMESTAMP_WITH_TIMEZONE)
                .param("charged", in.lastChargedOn(), Types.DATE)
                .param("base", in.wall().map(w -> w.wall().base().name()).orElse(null), Types.VARCHAR)
                .param("covering", in.wall().map(w -> w.wall().covering().name()).orElse(null), Types.VARCHAR)
                .param("mm", in.wall().map(w -> w.wall().coveringMm()).orElse(null), Types.INTEGER)
                .param("saidBy", in.wall().map(WallSaid::by).orElse(null), Types.VARCHAR)
                .param("saidAt", in.wall().map(WallSaid::at).orElse(null), Types.TIMESTAMP_WITH_TIMEZONE)
                .param("since", in.packSince(), Types.DATE).param("worst", in.worstWeekShare(), Types.DOUBLE)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /**
     * Another device takes its place, if nobody saved it since {@code version}: set as it is to be set, not joined, not hung, and nothing
     * said of its sticker, its pack or its firmware yet.
     */
    public void replace(long householdId, Camera by, int version) {
        tune(householdId, by.id(), by.settings(), null, version);
        mask(householdId, by.id(), by.masked(), version + 1);
        zone(householdId, by.id(), by.zones(), version + 2);
        by.watching().ifPresent(watching -> watch(householdId, by.id(), watching, version + 3));
        jdbc.sql("""
            update camera
            set model_key = :model, serial = null, sticker_kept = null, device_id = null, label_read_by = null, joined_at = null,
                own_password_at = null, mounted_at = null, last_charged_on = null, pack_since = null, firmware = null,
                clock_set_at = null, recovery_address = null, worst_week_share = null, set_before = null
            where household_id = :householdId and id = :id
            """).param("model", by.model().key()).param("householdId", householdId).param("id", by.id()).update();
    }

    public void rename(long householdId, long id, String name) {
        jdbc.sql("update camera set name = :name where household_id = :householdId and id = :id")
                .param("name", name)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    public void charged(long householdId, long id, LocalDate on) {
        jdbc.sql("""
            update camera set last_charged_on = :on
            where household_id = :householdId and id = :id and (last_charged_on is null or last_charged_on < :on)
            """)
                .param("on", on)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /** As it is written down; empty where nobody said. */
    Optional<LocalDate> lastCharged(long householdId, long id) {
        return jdbc.sql("select last_charged_on from camera where household_id = :householdId and id = :id and last_charged_on is not null")
                .param("householdId", householdId).param("id", id).query(LocalDate.class).optional();
    }

    /** Sets it back. */
    void setCharged(long householdId, long id, Optional<LocalDate> on) {
        jdbc.sql("update camera set last_charged_on = :on where household_id = :householdId and id = :id")
                .param("on", on.orElse(null), Types.DATE).param("householdId", householdId).param("id", id).update();
    }

    /** @param column one of the three named by this class, never anything from outside */
    private void stamp(long householdId, long id, String column) {
        jdbc.sql("update camera set " + column + " = coalesce(" + column + ", :now) where household_id = :householdId and id = :id")
                .param("now", OffsetDateTime.now(clock))
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /** What somebody else did: who, when that is known, and where it hangs now. */
    private RuntimeException stale(long householdId, long id, int version) {
        Optional<String> by = jdbc.sql("select saved_by from camera where id = :id and saved_version = version")
                .param("id", id)
                .query(String.class).optional();
        return find(householdId, id).<RuntimeException>map(now -> {
            CameraPose pose = now.camera().pose();
            return new StaleEdit(now.camera().name() + " was changed by " + by.orElse("somebody else")
                    + " since you opened it. It hangs at x "
                    + Numbers.fixed(pose.xM(), 2) + " m, y " + Numbers.fixed(pose.yM(), 2) + " m, " + Numbers.fixed(pose.heightM(), 2)
                    + " m up, heading " + Numbers.fixed(pose.headingDeg(), 0) + "°, tilt " + Numbers.fixed(pose.tiltDeg(), 0) + "° now.",
                    now.version());
        }).orElseGet(NoSuchPage::new);
    }

    /** As its table names it. */
    @JsonIgnoreProperties(ignoreUnknown = true)
    private record SetupRow(String light, @JsonProperty("wide_range") boolean wideRange, boolean turned, boolean sound,
            @JsonProperty("status_light") boolean statusLight, boolean stamp, boolean listens, @JsonProperty("width_px") int widthPx) {
        private PictureSetup setup() {
            return new PictureSetup(PictureSpec.Light.valueOf(light), wideRange, turned, sound, statusLight, stamp, listens, widthPx);
        }
    }

    @JsonIgnoreProperties(ignoreUnknown = true)
    private record PackRow(@JsonProperty("draw_share") double drawShare, @JsonProperty("sun_share") double sunShare, String mark) {}

    @JsonIgnoreProperties(ignoreUnknown = true)
    private record SensingRow(@JsonProperty("range_m") double rangeM, @JsonProperty("fan_deg") double fanDeg,
            @JsonProperty("wake_s") double wakeS, String mark) {
        private MotionSpec motion(MotionSpec stated) {
            return new MotionSpec(stated.sensing(), rangeM, fanDeg, wakeS, stated.prerollSeconds());
        }
    }

    private Record row(ResultSet row, int n) throws SQLException {
        CameraPose pose = new CameraPose(row.getDouble("x_m"), row.getDouble("y_m"), row.getDouble("height_m"),
                row.getDouble("heading_deg"), row.getDouble("tilt_deg"), row.getDouble("roll_deg"));
        Set<MaskCell> masked = Arrays.stream((String[]) row.getArray("masked").getArray()).map(MaskCell::parse).collect(Collectors.toSet());
        Camera.Settings settings = new Camera.Settings(row.getInt("clip_seconds"), row.getInt("cool_down_seconds"), row.getInt("card_gb"),
                row.getDouble("visits_per_day"), row.getDouble("live_minutes"), row.getDouble("open_sky_share"),
                row.getInt("charge_every_days"), row.getDouble("panel_slope_deg"), row.getDouble("panel_heading_deg"),
                row.getObject("worst_week_share") == null ? OptionalDouble.empty() : OptionalDouble.of(row.getDouble("worst_week_share")));
        OffsetDateTime joined = row.getObject("joined_at", OffsetDateTime.class);
        OffsetDateTime mounted = row.getObject("mounted_at", OffsetDateTime.class);
        Camera camera = new Camera(row.getLong("id"), row.getString("name"), models.get(row.getString("model_key")), pose, masked, settings,
                joined != null, row.getObject("own_password_at") != null, mounted != null,
                Optional.ofNullable(row.getObject("last_charged_on", LocalDate.class)),
                List.of(json.readValue(row.getString("zones"), Zone[].class)));
        if (row.getArray("kinds") != null) {
            camera = camera.withWatching(new Camera.Watching(row.getInt("sensitivity"),
                    Arrays.stream((String[]) row.getArray("kinds").getArray()).map(AlertSpec.Kind::valueOf).collect(Collectors.toSet())));
        }
        if (row.getString("setup") != null) {
            camera = camera.withSetup(json.readValue(row.getString("setup"), SetupRow.class).setup());
        }
        if (row.getString("sensing") != null) {
            SensingRow bent = json.readValue(row.getString("sensing"), SensingRow.class);
            camera = bent.mark().equals(camera.sensingMark()) ? camera.noticing(bent.motion(camera.model().motion())) : camera;
        }
        LocalDate packSince = row.getObject("pack_since", LocalDate.class);
        if (packSince != null) {
            camera = camera.aged(packSince, LocalDate.now(clock));
        }
        if (row.getString("pack") != null) {
            PackRow bent = json.readValue(row.getString("pack"), PackRow.class);
            camera = bent.mark().equals(camera.packMark())
                    ? camera.powered(camera.model().power().bent(bent.drawShare(), bent.sunShare())) : camera;
        }
        Optional<WallSaid> wall = row.getString("wall_base") == null ? Optional.empty()
                : Optional.of(new WallSaid(new SaidWall(Base.valueOf(row.getString("wall_base")),
                        Covering.valueOf(row.getString("wall_covering")), row.getInt("wall_covering_mm")),
                        row.getString("wall_said_by"), row.getObject("wall_said_at", OffsetDateTime.class)));
        return new Record(camera, pose, wall, row.getString("serial"), row.getString("sticker_kept"), row.getString("device_id"),
                row.getString("room"),
                joined, row.getObject("rehearsed_at", OffsetDateTime.class), mounted, packSince, row.getInt("version"));
    }
}
