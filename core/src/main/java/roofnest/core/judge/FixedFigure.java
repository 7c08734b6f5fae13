package roofnest.core.judge;

import java.util.List;
import java.util.stream.Stream;

import roofnest.core.lang.Require;
import roofnest.core.motion.WalkTest;
import roofnest.core.mount.CableRun;
import roofnest.core.footage.CardWear;
import roofnest.core.footage.MonthData;
import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;
import roofnest.core.footage.Uplink;
import roofnest.core.network.SafeCredentials;
import roofnest.core.plan.Place;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.PackAge;
import roofnest.core.promise.DetailLevel;
import roofnest.core.radio.Airtime;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.PathLoss;
import roofnest.core.radio.Reading;
import roofnest.core.scan.ChannelAdvice;
import roofnest.core.view.Bounce;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.Footprint;
import roofnest.core.view.Sightline;
import roofnest.core.visit.Charging;
import roofnest.core.visit.Learned;

/**
 * A figure that findings rest on and that no firm changes: physics, the accuracy of a reckoning, or the meaning of a promise.
 * Each is read from where it is used, so what is shown is what is reckoned with.
 *
 * @param why where it comes from or what it is good for
 */
public record FixedFigure(Part part, String words, double value, String unit, String why) {
    /** What a figure belongs to. */
    public enum Part {
        SIGHT("Sight"), WIFI("Wi-Fi"), POWER("Batteries and panels"), FOOTAGE("Clips, cards and upload"), MOTION("Motion"), WORK(
                "Cables and hands"),
        TOLERANCE("Tolerances: nearer to its limit than this, a promise is kept only just");

        private final String words;

        Part(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public FixedFigure {
        Require.finite(words, value);
    }

    public static List<FixedFigure> all() {
        return Stream.of(sight(), wifi(), power(), footage(), motionAndWork(), tolerances()).flatMap(List::stream).toList();
    }

    private static List<FixedFigure> sight() {
        return Stream.concat(
                Stream.of(DetailLevel.values()).map(level -> new FixedFigure(Part.SIGHT, "Enough detail for " + level.whom(),
                        level.pxPerM(), "px/m", "EN 62676-4, 6.7")),
                Stream.of(
                        new FixedFigure(Part.SIGHT, "Face of whoever stands at a place, over its ground", Place.FACE_M, "m",
                                "a grown person"),
                        new FixedFigure(Part.SIGHT, "Height of a figure", CameraPicture.Figure.HEIGHT_M, "m", "a grown person"),
                        new FixedFigure(Part.SIGHT, "A face looked down on so steeply is still seen well", Sightline.GOOD_FACE_DEG, "°",
                                "practice"),
                        new FixedFigure(Part.SIGHT, "and so steeply is still usable", Sightline.USABLE_FACE_DEG, "°", "practice"),
                        new FixedFigure(Part.SIGHT, "Clear distance a night lamp wants from walls", Bounce.CLEAR_M, "m", "practice"),
                        new FixedFigure(Part.SIGHT, "and from the soffit above", Bounce.SOFFIT_M, "m", "practice"),
                        new FixedFigure(Part.SIGHT, "Private ground counts as not shown up to", NeverShowsRule.SHOWN_LIMIT_PERCENT,
                                "% of the picture", "less than a body at the end of a yard"),
                        new FixedFigure(Part.SIGHT, "Rim within which a drawn footprint may be off", Footprint.RIM_M, "m", "drawing")))
                .toList();
    }

    private static List<FixedFigure> wifi() {
        return List.of(
                new FixedFigure(Part.WIFI, "Loss grows with distance to the power of", PathLoss.EXPONENT, "",
                        "free space; walls are added"),
                new FixedFigure(Part.WIFI, "Deviation of an estimate in sight", PathLoss.SIGMA_IN_SIGHT_DB, "dB", "COST 231, 4.7.2"),
                new FixedFigure(Part.WIFI, "Deviation of an estimate through walls", PathLoss.SIGMA_THROUGH_WALLS_DB, "dB",
                        "COST 231, 4.7.2"),
                new FixedFigure(Part.WIFI, "Deviation of a reading", Reading.FIGURE_SD_DB, "dB", "phones against each other"),
                new FixedFigure(Part.WIFI, "Two bars begin at", LinkBudget.TWO_BARS_DBM, "dBm", "practice"),
                new FixedFigure(Part.WIFI, "A link is held when it is so likely", 100 * LinkBudget.CONFIDENCE, "%", "one house in twenty"),
                new FixedFigure(Part.WIFI, "Share of a rate that is left for data", 100 * Airtime.EFFICIENCY, "%", "headers and waits"),
                new FixedFigure(Part.WIFI, "A channel is full at", 100 * Airtime.FULL_SHARE, "% of its time", "waits grow beyond"),
                new FixedFigure(Part.WIFI, "Another channel is worth changing to from", ChannelAdvice.WORTH_DB, "dB", "twice the power"),
                new FixedFigure(Part.WIFI, "A reading stands for a camera within", HoldsLinkRule.READ_HERE_M, "m", "practice"));
    }

    private static List<FixedFigure> power() {
        return List.of(
                new FixedFigure(Part.POWER, "Years of weather reckoned", BatteryYears.YEARS, "", "drawn from the climate"),
                new FixedFigure(Part.POWER, "The bad year is one in", BatteryYear.ONE_IN, "", "what the promise means"),
                new FixedFigure(Part.POWER, "A pack that stands loses in a year", 100 * PackAge.LOST_A_YEAR, "%", "lithium-ion cells"),
                new FixedFigure(Part.POWER, "and by 500 full charges", 100 * PackAge.LOST_BY_CYCLES, "%", "what makers guarantee"),
                new FixedFigure(Part.POWER, "A pack is due for another when it holds", 100 * PackAge.DUE_SHARE, "%", "practice"),
                new FixedFigure(Part.POWER, "Share of clips that fall into the night", 100 * Camera.Settings.NIGHT_SHARE, "%", "practice"),
                new FixedFigure(Part.POWER, "Share of a charger's current that stays in the pack", 100 * Charging.EFFICIENCY, "%",
                        "lithium cells"),
                new FixedFigure(Part.POWER, "Charging slows down at the end by", 100 * Charging.TAIL, "%", "constant voltage"));
    }

    private static List<FixedFigure> footage() {
        return List.of(
                new FixedFigure(Part.FOOTAGE, "Share of a card that holds clips", 100 * Retention.USABLE_SHARE, "%", "its file system"),
                new FixedFigure(Part.FOOTAGE, "A high-endurance card is rated for, for each gigabyte", CardWear.RATED_TBW_A_GB,
                        "terabytes written", "what makers rate such cards for"),
                new FixedFigure(Part.FOOTAGE, "An ordinary card stands of that", 100 * CardWear.ORDINARY_SHARE, "%", "practice"),
                new FixedFigure(Part.FOOTAGE, "A card writes besides, for each byte", CardWear.WRITE_AMPLIFICATION, "times",
                        "making room"),
                new FixedFigure(Part.FOOTAGE, "In the house, footage is behind by", Survival.HUB_LAG_S, "s", "sent while it is recorded"),
                new FixedFigure(Part.FOOTAGE, "Share of the upload that cameras may use", 100 * Uplink.USABLE_SHARE, "%",
                        "the rest is the family's"),
                new FixedFigure(Part.FOOTAGE, "Upload is enough so much of the time", 100 * Uplink.RARE, "%", "what the promise means"),
                new FixedFigure(Part.FOOTAGE, "Share of clips that somebody looks at", 100 * MonthData.LOOKED_AT_SHARE, "%", "practice"));
    }

    private static List<FixedFigure> motionAndWork() {
        return List.of(
                new FixedFigure(Part.MOTION, "One wedge of a heat sensor", WalkTest.WEDGE_DEG, "°", "ordinary lenses"),
                new FixedFigure(Part.MOTION, "A picture sensor looks before it triggers", WalkTest.PICTURE_S, "s", "ordinary software"),
                new FixedFigure(Part.WORK, "Slack at each end of a cable", CableRun.SLACK_EACH_END_M, "m", "practice"),
                new FixedFigure(Part.WORK, "Cable for each metre of wall", CableRun.SPARE, "m", "corners and bends"),
                new FixedFigure(Part.WORK, "One clip for every", CableRun.CLIP_SPACING_M, "m of cable", "practice"),
                new FixedFigure(Part.WORK, "For a thing to rejoin the Wi-Fi", SafeCredentials.MINUTES_A_THING, "min", "practice"),
                new FixedFigure(Part.WORK, "Ordinary minutes weigh as much as so many runs of one's own", Learned.PRIOR_WEIGHT, "runs",
                        "learning"));
    }

    private static List<FixedFigure> tolerances() {
        return List.of(
                tolerance("Detail at a place", 100 * MakeOutRule.DENSITY_TOLERANCE_SHARE, "%"),
                tolerance("Seconds to an alert, or to a picture from away", 100 * TimedAtProve.TOLERANCE_SHARE, "%"),
                tolerance("Recorded before somebody reaches a place", RecordedBeforeRule.BEFORE_TOLERANCE_S, "s"),
                tolerance("Arrivals that are told of", TellsOfRule.TOLERANCE, "in 100"),
                tolerance("Last seconds before a theft", 100 * SurvivesTheftRule.TOLERANCE_SHARE, "%"),
                tolerance("Rings a day", 100 * RingsAtMostRule.TOLERANCE_SHARE, "%"),
                tolerance("Clear of wall and soffit", ClearLensRule.CLEAR_TOLERANCE_M, "m"),
                tolerance("Out of arm's reach", OutOfReachRule.REACH_TOLERANCE_M, "m"),
                tolerance("Private ground in a picture", NeverShowsRule.SHOWN_LIMIT_PERCENT / 2, "% of the picture"),
                tolerance("Volts at the end of a lead", 100 * LeadCarriesRule.TOLERANCE_SHARE, "%"),
                tolerance("Lowest charge of a year", BatteryLastsRule.BATTERY_TOLERANCE_PERCENT, "%"),
                tolerance("Days on a card", 100 * KeepsDaysRule.RETENTION_TOLERANCE_SHARE, "%"));
    }

    private static FixedFigure tolerance(String of, double value, String unit) {
        return new FixedFigure(Part.TOLERANCE, of, value, unit, "survey and model");
    }
}
