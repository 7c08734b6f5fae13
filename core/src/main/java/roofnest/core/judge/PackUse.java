package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.Climate;
import roofnest.core.power.PackFit;
import roofnest.core.power.UseShares;
import roofnest.core.radio.LinkBudget;

/**
 * What a camera's pack goes on, and what would spare it.
 *
 * @param now by cause, in the month of today. @param coldest the same in the coldest month
 * @param days that a full pack lasts without any sun, now and in the coldest month
 * @param saves what would make it last longer, the most first
 * @param trades ways of working, its own the last
 * @param snapshots pictures at an interval, against clips
 */
public record PackUse(UseShares now, UseShares coldest, double days, double coldestDays, List<Saving> saves, List<Trade> trades,
        List<Snapshots> snapshots) {
    /** A single picture takes so long after waking, seconds. */
    static final double PICTURE_S = 2;
    private static final List<Integer> EVERY_MINUTES = List.of(1, 5, 15, 60);
    private static final double MINUTES_A_DAY = 1440;
    private static final double SECONDS_AN_HOUR = 3600;
    private static final double LEAST_DAYS = 0.5;

    /** @param days more that a pack lasts. @param costs what is given up for it; empty for nothing */
    public record Saving(String what, double days, String costs) {}

    /** @param recordedMinutes of a day */
    public record Trade(String name, int clipSeconds, int coolDownSeconds, double clipsADay, double recordedMinutes, double days) {}

    /** @param asClips clips of its length that take as much */
    public record Snapshots(int everyMinutes, double mahADay, double asClips, double days) {}

    static PackUse of(HouseholdFacts facts, Camera camera, double uplinkFactor) {
        Climate climate = facts.climate();
        double latitude = facts.plan().map(HousePlan::latitudeDeg).orElse(BatteryYears.NO_PLAN_LATITUDE_DEG);
        double cold = cold(climate, Climate.month(facts.today().getMonthValue(), latitude));
        double coldest = 1;
        for (int month = 0; month < climate.meanC().size(); month++) {
            coldest = Math.min(coldest, cold(climate, month));
        }
        UseShares now = shares(camera, uplinkFactor, cold);
        UseShares inCold = shares(camera, uplinkFactor, coldest);
        PowerSpec power = camera.model().power();
        return new PackUse(now, inCold, now.packDays(power), inCold.packDays(power), saves(camera, uplinkFactor, cold, now.packDays(power)),
                trades(camera, uplinkFactor, cold), snapshots(camera, now));
    }

    /** By the night's lowest of an ordinary day of the month. */
    private static double cold(Climate climate, int month) {
        return BatteryYear.coldFactor(climate.meanC().get(month) - climate.swingC().get(month) / 2);
    }

    private static UseShares shares(Camera camera, double uplinkFactor, double cold) {
        return UseShares.of(camera.settings().dailyUse(), camera.model().power(), camera.model().motion(), uplinkFactor, cold);
    }

    private static double days(Camera camera, double uplinkFactor, double cold) {
        return shares(camera, uplinkFactor, cold).packDays(camera.model().power());
    }

    private static List<Saving> saves(Camera camera, double uplinkFactor, double cold, double now) {
        Camera.Settings set = camera.settings();
        List<Saving> saves = new ArrayList<>();
        int shorter = Math.max(camera.model().recording().clipMinSeconds(), set.clipSeconds() / 2);
        if (shorter < set.clipSeconds()) {
            saves.add(new Saving("Clips of " + shorter + " s rather than " + set.clipSeconds() + " s", days(camera.withSettings(
                    set.withClipSeconds(shorter)), uplinkFactor, cold) - now, "less of what happens is in each clip"));
        }
        camera.model().alerts().coolDownSeconds().stream().filter(seconds -> seconds > set.coolDownSeconds()).findFirst()
                .ifPresent(longer -> saves.add(new Saving("A rest of " + longer + " s between clips rather than " + set.coolDownSeconds()
                        + " s", days(camera.withSettings(set.withCoolDownSeconds(longer)), uplinkFactor, cold) - now,
                        "who comes in the rest is not recorded")));
        if (set.liveMinutes() > 0) {
            saves.add(new Saving("Watched live " + Numbers.plain(set.liveMinutes() / 2) + " min a day rather than "
                    + Numbers.plain(set.liveMinutes()) + " min",
                    days(camera.withSettings(set.withLiveMinutes(set.liveMinutes() / 2)),
                            uplinkFactor, cold) - now,
                    "people look half as long"));
        }
        camera.model().nights().stream().filter(night -> night.lightMa() < camera.model().power().lightMa())
                .min(Comparator.comparingDouble(PictureSpec.Night::lightMa))
                .ifPresent(night -> saves.add(new Saving("By night " + night.light().words(), days(camera.withSetup(
                        camera.pictureSetup().by(night.light())), uplinkFactor, cold) - now, night.light() == PictureSpec.Light.AMBIENT
                                ? "nothing is promised of the dark" : "it sees " + Numbers.fixed(night.rangeM(), 0) + " m by night")));
        if (uplinkFactor > 1) {
            saves.add(new Saving("A link at full rate", days(camera, 1, cold) - now, ""));
        }
        return saves.stream().filter(saving -> saving.days() >= LEAST_DAYS).sorted(Comparator.comparingDouble(Saving::days).reversed())
                .toList();
    }

    private static List<Trade> trades(Camera camera, double uplinkFactor, double cold) {
        List<Integer> rests = camera.model().alerts().coolDownSeconds();
        int least = camera.model().recording().clipMinSeconds();
        int most = camera.model().recording().clipMaxSeconds();
        Camera.Settings set = camera.settings();
        return List.of(trade("long life", camera, least, rests.get(rests.size() - 1), uplinkFactor, cold),
                trade("long clips", camera, most, rests.get(0), uplinkFactor, cold),
                trade("as it is set", camera, set.clipSeconds(), set.coolDownSeconds(), uplinkFactor, cold));
    }

    private static Trade trade(String name, Camera camera, int clipS, int restS, double uplinkFactor, double cold) {
        Camera.Settings set = camera.settings().withClipSeconds(clipS).withCoolDownSeconds(restS);
        return new Trade(name, clipS, restS, set.clipsPerDay(), set.clipsPerDay() * clipS / 60, days(camera.withSettings(set), uplinkFactor,
                cold));
    }

    private static List<Snapshots> snapshots(Camera camera, UseShares now) {
        MotionSpec motion = camera.model().motion();
        PowerSpec power = camera.model().power();
        double clipMah = (motion.wakeSeconds() + camera.settings().clipSeconds()) / SECONDS_AN_HOUR * power.recordMa();
        return EVERY_MINUTES.stream().map(every -> {
            double mah = MINUTES_A_DAY / every * (motion.wakeSeconds() + PICTURE_S) / SECONDS_AN_HOUR * power.recordMa();
            return new Snapshots(every, mah, mah / clipMah,
                    power.capacityMah() * (100 - power.warnPercent()) / 100 / (now.mahADay() + mah));
        }).toList();
    }

    /**
     * What would explain that a pack is used up faster than was reckoned, each by itself, the likeliest not known: what it would come to.
     *
     * @param stated the camera as its document says
     */
    static List<String> early(Camera stated, UseShares reckoned, PackFit.Fit fit, Optional<LinkBudget> link) {
        List<String> words = new ArrayList<>();
        if (fit.stretches() > 0 && stated.model().power().panelW() > 0 && fit.sunHigh() < 1) {
            words.add(
                    "Its panel gives " + Numbers.fixed(100 * fit.sun(), 0) + " % of what was reckoned: look for shade, dirt and its lean.");
        }
        if (fit.stretches() == 0 || fit.drawLow() <= 1) {
            return words;
        }
        double clips = reckoned.mah(UseShares.Cause.CLIPS) + reckoned.mah(UseShares.Cause.NOTICE) + reckoned.mah(UseShares.Cause.LIGHT);
        double more = (fit.draw() - 1) * (reckoned.mahADay() - reckoned.mah(UseShares.Cause.COLD) - reckoned.mah(UseShares.Cause.LEAK));
        if (clips > 0) {
            words.add("More clips than reckoned: " + Numbers.fixed(stated.settings().clipsPerDay() * (1 + more / clips), 0)
                    + " a day rather than " + Numbers.fixed(stated.settings().clipsPerDay(), 0) + ". Count a week in its app.");
        }
        words.add("More live view: " + Numbers.fixed(stated.settings().liveMinutes() + more / stated.model().power().liveMa() * 60, 0)
                + " min a day rather than " + Numbers.plain(stated.settings().liveMinutes()) + " min. Ask who looks.");
        if (link.isEmpty()) {
            words.add("A weak link: nothing is known of it here. Read it where it hangs.");
        } else if (reckoned.mah(UseShares.Cause.LINK) == 0) {
            words.add("A weak link: it is taken to be strong, " + Numbers.fixed(link.get().rssiDbm(), 0) + " dBm. Read it where it hangs.");
        }
        words.add("An old or cold pack: one that holds " + Numbers.fixed(100 / fit.draw(), 0)
                + " % of what it held new would do the same. Try another pack.");
        if (stated.model().power().lightMa() > 0) {
            words.add("Its light comes on for more than clips: look at what else switches it.");
        }
        return words;
    }
}
