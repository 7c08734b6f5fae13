package roofnest.core.judge;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Does;
import roofnest.core.alert.ModeWeek;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;
import roofnest.core.mount.SaidLead;
import roofnest.core.mount.SpotLook;
import roofnest.core.power.DailyUse;
import roofnest.core.power.PackAge;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Promise;
import roofnest.core.still.Spread;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;
import roofnest.core.week.WatchSetting;

/**
 * A camera of a household, planned or hung.
 *
 * @param masked cells blacked out in its picture
 * @param zones of its picture in which movement counts; none means all of it
 * @param joined whether it is in the house's network
 * @param ownPassword whether its factory password has been changed
 * @param hangs how surely its pose is that in which it hangs, where that was read on site; empty for a pose that is planned
 * @param lead the way of its lead as somebody measured or drew it
 * @param watching how its sensor and its kinds are set; empty for as it comes
 * @param setup how its picture and sound are set; empty for as it comes. Its model then sees the night by the light that was chosen
 * @param look what somebody saw where steps or a ladder go up to it
 */
public record Camera(
        long id, String name, DeviceModel model, CameraPose pose, Set<MaskCell> masked, Settings settings, boolean joined,
        boolean ownPassword, boolean mounted, Optional<LocalDate> lastCharged, List<Zone> zones, Optional<Spread> hangs,
        Optional<SpotLook> look, Optional<SaidLead> lead, Optional<Watching> watching, Optional<PictureSetup> setup) {
    private static final double DAYS_A_YEAR = 365.25;
    private static final double MOST_YEARS = 100;

    public Camera {
        masked = Set.copyOf(masked);
        zones = List.copyOf(zones);
    }

    /** A camera of whose pose only the plan speaks. */
    public Camera(
            long id, String name, DeviceModel model, CameraPose pose, Set<MaskCell> masked, Settings settings, boolean joined,
            boolean ownPassword, boolean mounted, Optional<LocalDate> lastCharged, List<Zone> zones) {
        this(id, name, model, pose, masked, settings, joined, ownPassword, mounted, lastCharged, zones, Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** A camera that watches its whole picture. */
    public Camera(
            long id, String name, DeviceModel model, CameraPose pose, Set<MaskCell> masked, Settings settings, boolean joined,
            boolean ownPassword, boolean mounted, Optional<LocalDate> lastCharged) {
        this(id, name, model, pose, masked, settings, joined, ownPassword, mounted, lastCharged, List.of());
    }

    /**
     * How its sensor and its kinds are set.
     *
     * @param sensitivity step, from 0, the dullest
     * @param kinds that count; empty is not possible
     */
    public record Watching(int sensitivity, Set<AlertSpec.Kind> kinds) {
        public Watching {
            Require.inRange("sensitivity step", sensitivity, 0, 99);
            Require.inRange("kinds that count", kinds.size(), 1, AlertSpec.Kind.values().length);
            kinds = Set.copyOf(kinds);
        }
    }

    /**
     * How it is set.
     *
     * @param coolDownSeconds between clips
     * @param cardGb card in it, decimal gigabytes; 0 for none
     * @param visitsPerDay people and animals that set it off in a day, before the cool-down
     * @param openSkyShare light left to its panel by what the plan does not show, by snow and dirt, 0 to 1
     * @param chargeEveryDays agreed with the household; 0 when only the sun charges
     * @param panelSlopeDeg of its panel from level, 0 to 90
     * @param panelHeadingDeg that its panel faces on the plan, degrees clockwise from its y axis; of no matter while it lies level
     */
    public record Settings(
            int clipSeconds, int coolDownSeconds, int cardGb, double visitsPerDay, double liveMinutes, double openSkyShare,
            int chargeEveryDays, double panelSlopeDeg, double panelHeadingDeg, OptionalDouble worstWeekShare) {
        /** More than this no week can be over the mean one. */
        public static final double MOST_WORST_WEEK_SHARE = 20;

        /** What a new camera is given until it is tuned. */
        public static final Settings DEFAULT = new Settings(12, 30, 64, 30, 4, 0.7, 90);

        /** More in a day are none that a camera could keep up with. */
        public static final double MOST_VISITS = 2000;

        /** Visits bunch: while people are about, they come this many times as often as over the whole day. */
        private static final double BUNCHING = 4;
        static final double NIGHT_SHARE = 0.35;
        private static final double SECONDS_A_DAY = 86_400;

        public Settings {
            Require.inRange("clip length in seconds", clipSeconds, 1, 600);
            Require.inRange("cool-down in seconds", coolDownSeconds, 0, 3600);
            Require.inRange("card in GB", cardGb, 0, 2000);
            Require.inRange("visits a day", visitsPerDay, 0, MOST_VISITS);
            Require.inRange("live minutes a day", liveMinutes, 0, 1440);
            Require.inRange("open sky share", openSkyShare, 0, 1);
            Require.inRange("days between charges", chargeEveryDays, 0, 365);
            Require.inRange("slope of the panel in degrees", panelSlopeDeg, 0, 90);
            Require.inRange("heading of the panel in degrees", panelHeadingDeg, 0, 360);
            worstWeekShare.ifPresent(share -> Require.inRange("worst week as a share of a mean one", share, 0, MOST_WORST_WEEK_SHARE));
        }

        /** Whose weeks nobody drew. */
        public Settings(int clipSeconds, int coolDownSeconds, int cardGb, double visitsPerDay, double liveMinutes, double openSkyShare,
                int chargeEveryDays, double panelSlopeDeg, double panelHeadingDeg) {
            this(clipSeconds, coolDownSeconds, cardGb, visitsPerDay, liveMinutes, openSkyShare, chargeEveryDays, panelSlopeDeg,
                    panelHeadingDeg, OptionalDouble.empty());
        }

        /** With a panel that lies level. */
        public Settings(int clipSeconds, int coolDownSeconds, int cardGb, double visitsPerDay, double liveMinutes, double openSkyShare,
                int chargeEveryDays) {
            this(clipSeconds, coolDownSeconds, cardGb, visitsPerDay, liveMinutes, openSkyShare, chargeEveryDays, 0, 0);
        }

        /**
         * Clips a day that the cool-down lets through: λ/(1 + λc), λ the rate while people are about and c the clip and
         * the cool-down together.
         */
        public double clipsPerDay() {
            double busyRate = visitsPerDay * BUNCHING / SECONDS_A_DAY;
            return visitsPerDay / (1 + busyRate * (clipSeconds + coolDownSeconds));
        }

        /** Share of the busiest hour in which it sends, clips and live looks together, 0 to 1. */
        public double busyShare() {
            double clips = clipsPerDay() * clipSeconds * BUNCHING / SECONDS_A_DAY;
            double live = liveMinutes * 60 * BUNCHING / SECONDS_A_DAY;
            return 1 - (1 - Math.min(1, clips)) * (1 - Math.min(1, live));
        }

        public Settings withClipSeconds(int seconds) {
            return new Settings(seconds, coolDownSeconds, cardGb, visitsPerDay, liveMinutes, openSkyShare, chargeEveryDays, panelSlopeDeg,
                    panelHeadingDeg, worstWeekShare);
        }

        public Settings withCoolDownSeconds(int seconds) {
            return new Settings(clipSeconds, seconds, cardGb, visitsPerDay, liveMinutes, openSkyShare, chargeEveryDays, panelSlopeDeg,
                    panelHeadingDeg, worstWeekShare);
        }

        public Settings withLiveMinutes(double minutes) {
            return new Settings(clipSeconds, coolDownSeconds, cardGb, visitsPerDay, minutes, openSkyShare, chargeEveryDays, panelSlopeDeg,
                    panelHeadingDeg, worstWeekShare);
        }

        public Settings withVisitsPerDay(double visits) {
            return new Settings(clipSeconds, coolDownSeconds, cardGb, visits, liveMinutes, openSkyShare, chargeEveryDays, panelSlopeDeg,
                    panelHeadingDeg);
        }

        /** By drawn weeks: what is noticed on a mean day, and how much more than a mean one the worst of them records. */
        public Settings byWeeks(double visits, double worstShare) {
            return new Settings(clipSeconds, coolDownSeconds, cardGb, visits, liveMinutes, openSkyShare, chargeEveryDays, panelSlopeDeg,
                    panelHeadingDeg, OptionalDouble.of(worstShare));
        }

        public Settings withCardGb(int gb) {
            return new Settings(clipSeconds, coolDownSeconds, gb, visitsPerDay, liveMinutes, openSkyShare, chargeEveryDays, panelSlopeDeg,
                    panelHeadingDeg, worstWeekShare);
        }

        public Settings withChargeEveryDays(int days) {
            return new Settings(clipSeconds, coolDownSeconds, cardGb, visitsPerDay, liveMinutes, openSkyShare, days, panelSlopeDeg,
                    panelHeadingDeg, worstWeekShare);
        }

        public Settings withPanel(double slopeDeg, double headingDeg) {
            return new Settings(clipSeconds, coolDownSeconds, cardGb, visitsPerDay, liveMinutes, openSkyShare, chargeEveryDays, slopeDeg,
                    (headingDeg % 360 + 360) % 360, worstWeekShare);
        }

        public DailyUse dailyUse() {
            return new DailyUse(clipsPerDay(), clipSeconds, liveMinutes, NIGHT_SHARE);
        }
    }

    /** Planned otherwise. */
    public Camera withPose(CameraPose newPose) {
        return new Camera(id, name, model, newPose, masked, settings, joined, ownPassword, mounted, lastCharged, zones, Optional.empty(),
                look, lead, watching, setup);
    }

    /** With what somebody saw at the foot of its steps or ladder. */
    public Camera withLook(SpotLook seen) {
        return new Camera(id, name, model, pose, masked, settings, joined, ownPassword, mounted, lastCharged, zones, hangs,
                Optional.of(seen), lead, watching, setup);
    }

    /** The way of its lead as it was measured on site, to the spot at which it is now. */
    public Optional<SaidLead> measuredLead() {
        return lead.filter(said -> !said.drawn() && said.isOf(pose));
    }

    /** With the way of its lead as somebody measured or drew it. */
    public Camera withLead(SaidLead said) {
        return new Camera(id, name, model, pose, masked, settings, joined, ownPassword, mounted, lastCharged, zones, hangs, look,
                Optional.of(said), watching, setup);
    }

    /** With its sensor and kinds set so. */
    public Camera withWatching(Watching set) {
        return new Camera(id, name, model, pose, masked, settings, joined, ownPassword, mounted, lastCharged, zones, hangs, look, lead,
                Optional.of(set), setup);
    }

    /** With its picture set so: by night it sees by the light that was chosen, or by the one it comes with where its model has no such. */
    public Camera withSetup(PictureSetup set) {
        PictureSpec.Night night = model.nights().stream().filter(each -> each.light() == set.light()).findFirst()
                .orElseGet(() -> model.nights().get(0));
        DeviceModel seeing = model.byNight(night);
        Optional<PictureSpec.Size> size = model.picture().sizes().stream().filter(each -> each.widthPx() == set.widthPx()).findFirst()
                .or(() -> model.picture().sizes().stream().findFirst());
        return new Camera(id, name, size.map(seeing::recordedAt).orElse(seeing), pose, masked, settings, joined, ownPassword, mounted,
                lastCharged, zones, hangs,
                look, lead, watching, Optional.of(set.by(night.light())));
    }

    /** How its picture is set: as it comes, where nobody set it. */
    public PictureSetup pictureSetup() {
        return setup.orElseGet(() -> PictureSetup.usual(model));
    }

    /** Noticing as walks before it have shown. */
    public Camera noticing(MotionSpec motion) {
        return new Camera(id, name, model.noticing(motion), pose, masked, settings, joined, ownPassword, mounted, lastCharged, zones, hangs,
                look, lead, watching, setup);
    }

    /** Drawing as readings of its pack have shown. */
    public Camera powered(PowerSpec power) {
        return new Camera(id, name, model.powered(power), pose, masked, settings, joined, ownPassword, mounted, lastCharged, zones, hangs,
                look, lead, watching, setup);
    }

    /** How old its pack is and what that leaves of it; by its draw at a link that holds its rate. @param newOn when it was new */
    public PackAge packAge(LocalDate newOn, LocalDate today) {
        double years = Math.max(0, ChronoUnit.DAYS.between(newOn, today)) / DAYS_A_YEAR;
        return PackAge.of(Math.min(MOST_YEARS, years), settings.dailyUse().chargeMah(model.power(), model.motion(), 1),
                model.power().capacityMah());
    }

    /** With a pack that was new on a day, as it is today; one on mains as it is. */
    public Camera aged(LocalDate newOn, LocalDate today) {
        return model.power().onBattery() ? powered(model.power().aged(packAge(newOn, today).health())) : this;
    }

    /** How it is set to watch: as it comes, where nobody set it. */
    public WatchSetting watchSetting() {
        WatchSetting usual = WatchSetting.usual(model.alerts(), settings.clipSeconds(), settings.coolDownSeconds());
        return watching.map(set -> new WatchSetting(Math.min(set.sensitivity(), model.alerts().sensitivity().size() - 1), set.kinds(),
                settings.clipSeconds(), settings.coolDownSeconds())).orElse(usual);
    }

    /** All that what it notices depends on besides the house, as words: what was counted under another mark tells nothing of it now. */
    public String watchMark() {
        WatchSetting set = watchSetting();
        return String.join("|", model.fullName(), pose.toString(), new TreeSet<>(masked).toString(), zones.toString(),
                String.valueOf(set.sensitivity()), new TreeSet<>(set.kinds()).toString(), set.clipSeconds() + "/" + set.coolDownSeconds())
                + setup.map(picture -> "|" + picture.light()).orElse("");
    }

    /** The same where it is off at some hours, or records because another notices something: that makes other clips as well. */
    public String watchMark(AlertPlan alerts) {
        String off = ModeWeek.said(alerts.hours(id, Does.OFF));
        String rules = alerts.rules().stream().filter(rule -> rule.act() == DeviceRule.Act.RECORD && rule.thenCamera() == id)
                .map(DeviceRule::toString).collect(Collectors.joining(" "));
        return watchMark() + (off.isEmpty() ? "" : "|off " + off) + (rules.isEmpty() ? "" : "|" + rules);
    }

    /** All that its sensor depends on besides the house, as words: walks made under another mark say nothing of it now. */
    public String sensingMark() {
        return String.join("|", model.fullName(), pose.toString(), String.valueOf(watchSetting().sensitivity()));
    }

    /** All that its pack's draw and its panel depend on besides the house, as words: readings made under another mark say nothing of it. */
    public String packMark() {
        return String.join("|", model.fullName(), settings.clipSeconds() + "/" + settings.coolDownSeconds() + "/" + settings.visitsPerDay()
                + "/" + settings.liveMinutes(), pictureSetup().light().name(),
                settings.openSkyShare() + "/" + settings.panelSlopeDeg() + "/"
                        + settings.panelHeadingDeg());
    }

    /** As it was read to hang. */
    public Camera hanging(CameraPose read, Spread spread) {
        return new Camera(id, name, model, read, masked, settings, joined, ownPassword, mounted, lastCharged, zones, Optional.of(spread),
                look, lead, watching, setup);
    }

    /** What a finding about what it sees rests on. */
    Evidence sightEvidence() {
        return hangs.isPresent() ? Evidence.READ : Evidence.PREDICTED;
    }

    public Camera withSettings(Settings newSettings) {
        return new Camera(id, name, model, pose, masked, newSettings, joined, ownPassword, mounted, lastCharged, zones, hangs, look, lead,
                watching, setup);
    }

    public Camera withMasked(Set<MaskCell> cells) {
        return new Camera(id, name, model, pose, cells, settings, joined, ownPassword, mounted, lastCharged, zones, hangs, look, lead,
                watching, setup);
    }

    public Camera withZones(List<Zone> newZones) {
        return new Camera(id, name, model, pose, masked, settings, joined, ownPassword, mounted, lastCharged, newZones, hangs, look, lead,
                watching, setup);
    }
}
