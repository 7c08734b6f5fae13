package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

import roofnest.core.alert.Content;
import roofnest.core.alert.RingDelay;
import roofnest.core.footage.FootagePlan;
import roofnest.core.footage.Keeping;
import roofnest.core.footage.MonthData;
import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;

/**
 * Where one camera's footage is kept as it is set, and for how long. A store that several cameras write to is shared by what each writes.
 *
 * @param places in the order of {@link Survival.Place}; empty where nothing is kept
 */
public record FootageKept(List<FootageKept.At> places) {
    private static final double LEAST_MBPS = 0.01;

    /**
     * One place.
     *
     * @param gb of the store; 0 for a paid plan
     * @param gbADay that all who write to it write in a bad week, gigabytes a day; 0 for a paid plan
     * @param days that it holds; of a store that stops when it is full, until it is
     * @param stops whether nothing more is kept after these days
     * @param said whether the size of the store is known, and not only what was agreed for this camera
     */
    public record At(Survival.Place place, int gb, double gbADay, double days, boolean stops, boolean said) {
        /** Days for which it can be relied on: none of one that stops. */
        public double reliedOnDays() {
            return stops ? 0 : days;
        }
    }

    public FootageKept {
        places = List.copyOf(places);
    }

    /** As it is set. */
    public static FootageKept of(HouseholdFacts facts, Camera camera) {
        FootagePlan plan = facts.footage();
        Keeping keeping = plan.of(camera.id());
        List<At> places = new ArrayList<>();
        int card = camera.settings().cardGb();
        Optional<Integer> hub = Optional.ofNullable(camera.model().hub()).map(plan.hubCardGb()::get);
        if (card > 0 && camera.model().recording().cardMaxGb() > 0) {
            places.add(store(Survival.Place.CARD, card, gbADay(facts, camera), keeping, true));
        }
        if (hub.isPresent()) {
            if (hub.get() > 0) {
                places.add(store(Survival.Place.HUB, hub.get(), sum(facts, other -> camera.model().hub().equals(other.model().hub())
                        ? gbADay(facts, other) : 0), keeping, true));
            }
        } else if (card > 0 && camera.model().recording().cardMaxGb() == 0 && camera.model().hub() != null) {
            places.add(store(Survival.Place.HUB, card, gbADay(facts, camera), keeping, false));
        }
        if (keeping.toRecorder() && plan.recorderGb() > 0) {
            places.add(store(Survival.Place.RECORDER, plan.recorderGb(), sum(facts, other -> plan.of(other.id()).toRecorder()
                    ? gbADay(facts, other) : 0), keeping, true));
        }
        keeping.plan().filter(paid -> paid.keepsDays() > 0 && keeping.when().clips())
                .ifPresent(paid -> places.add(new At(Survival.Place.CLOUD, 0, 0, paid.keepsDays(), false, true)));
        return new FootageKept(places);
    }

    private static double sum(HouseholdFacts facts, ToDoubleFunction<Camera> gbADay) {
        return facts.cameras().stream().mapToDouble(gbADay).sum();
    }

    private static At store(Survival.Place place, int gb, double gbADay, Keeping keeping, boolean said) {
        double days = gbADay == 0 ? Retention.MOST_DAYS : Math.min(Retention.MOST_DAYS, Retention.USABLE_SHARE * gb / gbADay);
        return new At(place, gb, gbADay, days, keeping.stopsWhenFull(), said);
    }

    /** What a camera writes in the house in a bad week, gigabytes a day. */
    public static double gbADay(HouseholdFacts facts, Camera camera) {
        return facts.footage().of(camera.id()).gbADay(Retentions.clips(camera).gbPerDay(), camera.model().recording().bitrateMbps());
    }

    /** What it writes there on a mean day, gigabytes. */
    public static double meanGbADay(HouseholdFacts facts, Camera camera) {
        return facts.footage().of(camera.id()).gbADay(clipsMeanGbADay(camera), camera.model().recording().bitrateMbps());
    }

    /** What its clips come to on a day of a bad week, gigabytes. */
    public static double clipsBadGbADay(Camera camera) {
        return Retentions.clips(camera).gbPerDay();
    }

    /** What its clips come to on a mean day, gigabytes. */
    public static double clipsMeanGbADay(Camera camera) {
        return camera.settings().clipsPerDay() * Retention.clipMb(camera.settings().clipSeconds(),
                camera.model().recording().bitrateMbps()) / 1000;
    }

    /** What a camera's footage and live looks take of a month's data. */
    public static MonthData.Use month(HouseholdFacts facts, Camera camera) {
        Camera.Settings settings = camera.settings();
        boolean up = of(facts, camera).where().contains(Survival.Place.CLOUD);
        return new MonthData.Use(camera.name(), settings.clipsPerDay(), settings.clipSeconds(), camera.model().recording().bitrateMbps(),
                settings.liveMinutes(), up);
    }

    /** The place that can be relied on for longest; empty where nothing is kept. */
    public Optional<At> longest() {
        return places.stream().max(Comparator.comparingDouble(At::reliedOnDays));
    }

    public Set<Survival.Place> where() {
        return places.stream().map(At::place).collect(Collectors.toSet());
    }

    /** How it records and sends, on the house's line. */
    public static Survival.Sends sends(HouseholdFacts facts, Camera camera) {
        double clipS = camera.settings().clipSeconds();
        double up = upMbps(facts.footage().upMbps());
        double sendS = Math.max(0, RingDelay.of(camera.model(), camera.settings().clipSeconds(), Content.EVERYTHING, up).uploadS() - clipS);
        return new Survival.Sends(clipS, sendS, camera.model().power().onBattery(), camera.model().radio().viaHub());
    }

    /** By which sending is reckoned: as it was measured, else an ordinary one. */
    public static double upMbps(OptionalDouble measured) {
        return measured.isPresent() && measured.getAsDouble() >= LEAST_MBPS ? measured.getAsDouble() : RingDelay.USUAL_UP_MBPS;
    }

    /** What is left of its footage when so much is lost at once. */
    public Survival left(HouseholdFacts facts, Camera camera, Set<Survival.Loss> losses) {
        return Survival.of(where(), losses, sends(facts, camera));
    }
}
