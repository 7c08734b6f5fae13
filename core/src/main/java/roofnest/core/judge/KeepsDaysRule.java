package roofnest.core.judge;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import roofnest.core.footage.Retention;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;

/** The camera whose card runs out first decides. */
final class KeepsDaysRule implements PromiseRule<Promise.KeepsDays> {
    static final double RETENTION_TOLERANCE_SHARE = 0.1;

    @Override
    public Class<Promise.KeepsDays> type() {
        return Promise.KeepsDays.class;
    }

    @Override
    public Sighted judge(Promise.KeepsDays promise, Hearing hearing) {
        Limit limit = Limit.atLeast(promise.days(), promise.days() * RETENTION_TOLERANCE_SHARE, Unit.DAYS);
        Optional<Camera> without = hearing.cameras().stream().filter(camera -> camera.settings().cardGb() == 0).findFirst();
        if (without.isPresent()) {
            return new Sighted(Finding.of(promise.key(), 0, limit, Evidence.PREDICTED, without.get().name() + " has no card.",
                    List.of(new Remedy("Put a card into " + without.get().name(), "footage is kept at all"))),
                    Optional.of(without.get().id()));
        }
        record Kept(Camera camera, Retention retention) {}
        Optional<Kept> least = hearing.cameras().stream()
                .map(camera -> new Kept(camera, Retentions.of(camera)))
                .min(Comparator.comparingDouble(kept -> kept.retention().days()));
        if (least.isEmpty()) {
            return Hearing.noCamera(promise.key(), limit);
        }
        Camera camera = least.get().camera();
        Retention kept = least.get().retention();
        String reason = camera.name() + " with " + camera.settings().cardGb() + " GB: " + Numbers.fixed(kept.clipsWorstWeek(), 0)
                + " clips of " + camera.settings().clipSeconds() + " s in a bad week, " + Numbers.fixed(kept.gbPerDay(), 2) + " GB a day.";
        return new Sighted(
                Finding.of(promise.key(), kept.days(), limit, Evidence.PREDICTED, reason, cardRemedy(promise, camera, kept)),
                Optional.of(camera.id()));
    }

    @Override
    public String wording(Promise.KeepsDays promise, Names names) {
        return "Keeps " + promise.days() + " days of footage";
    }

    private static List<Remedy> cardRemedy(Promise.KeepsDays promise, Camera camera, Retention kept) {
        double enoughDays = promise.days() * (1 + RETENTION_TOLERANCE_SHARE);
        if (kept.days() >= enoughDays) {
            return List.of();
        }
        double neededGb = enoughDays * kept.gbPerDay() / Retention.USABLE_SHARE;
        for (int size = 16; size <= camera.model().recording().cardMaxGb(); size *= 2) {
            if (size >= neededGb) {
                return List.of(
                        new Remedy("A " + size + " GB card", Numbers.fixed(kept.days() * size / camera.settings().cardGb(), 0) + " days"));
            }
        }
        int seconds = Math.max(camera.model().recording().clipMinSeconds(), camera.settings().clipSeconds() / 2);
        return List.of(new Remedy("Clips of " + seconds + " s",
                "about " + Numbers.fixed(kept.days() * camera.settings().clipSeconds() / seconds, 0) + " days"));
    }
}
