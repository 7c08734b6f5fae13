package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import roofnest.core.footage.Keeping;
import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;

/** The camera whose footage is gone first decides; of the places that keep it, the one that keeps it longest. */
final class KeepsDaysRule implements PromiseRule<Promise.KeepsDays> {
    static final double RETENTION_TOLERANCE_SHARE = 0.1;
    private static final int LEAST_CARD_GB = 16;

    private record Kept(Camera camera, FootageKept.At at) {}

    @Override
    public Class<Promise.KeepsDays> type() {
        return Promise.KeepsDays.class;
    }

    /** What a store holds is an estimate; what a plan keeps is agreed. */
    static Limit limit(int days, Survival.Place place) {
        return Limit.atLeast(days, place == Survival.Place.CLOUD ? 0 : days * RETENTION_TOLERANCE_SHARE, Unit.DAYS);
    }

    @Override
    public Sighted judge(Promise.KeepsDays promise, Hearing hearing) {
        Limit limit = limit(promise.days(), Survival.Place.CARD);
        List<Kept> kept = new ArrayList<>();
        for (Camera camera : hearing.cameras()) {
            Optional<FootageKept.At> longest = FootageKept.of(hearing.facts(), camera).longest();
            if (longest.isEmpty()) {
                return new Sighted(nowhere(promise, camera, limit), Optional.of(camera.id()));
            }
            kept.add(new Kept(camera, longest.get()));
        }
        return kept.stream().min(Comparator.comparingDouble(each -> each.at().reliedOnDays())).map(least -> new Sighted(
                Finding.of(promise.key(), least.at().reliedOnDays(), limit(promise.days(), least.at().place()), Evidence.PREDICTED,
                        reason(hearing.facts(), least), remedies(promise, hearing.facts(), least)),
                Optional.of(least.camera().id()))).orElseGet(() -> Hearing.noCamera(promise.key(), limit));
    }

    private static Finding nowhere(Promise.KeepsDays promise, Camera camera, Limit limit) {
        boolean holds = camera.model().recording().cardMaxGb() > 0;
        return Finding.of(promise.key(), 0, limit, Evidence.PREDICTED,
                camera.name() + (holds ? " has no card." : " keeps nothing: its model holds no card."),
                List.of(holds ? new Remedy("Put a card into " + camera.name(), "footage is kept at all")
                        : new Remedy("Say at Tune where its footage is kept", "a hub’s card, a recorder or a paid plan")));
    }

    private static String reason(HouseholdFacts facts, Kept least) {
        Camera camera = least.camera();
        FootageKept.At at = least.at();
        if (at.place() == Survival.Place.CLOUD) {
            return camera.name() + ": its paid plan keeps them so long.";
        }
        Keeping keeping = facts.footage().of(camera.id());
        String writes = keeping.when() == Keeping.When.EVENT ? Numbers.fixed(Retentions.clips(camera).clipsWorstWeek(), 0)
                + " clips of " + camera.settings().clipSeconds()
                + (camera.settings().worstWeekShare().isPresent() ? " s in the worst of the drawn weeks, " : " s in a bad week, ")
                : "recording " + keeping.when().words() + ", ";
        boolean shared = at.place() != Survival.Place.CARD && at.said();
        return camera.name() + " with " + at.gb() + " GB" + (at.place() == Survival.Place.CARD || !at.said() ? "" : " on "
                + at.place().words()) + ": " + writes + Numbers.fixed(at.gbADay(), 2) + " GB a day"
                + (shared ? " of all that write there." : ".") + (at.stops() ? " It stops when it is full, after "
                        + Numbers.fixed(Math.floor(at.days()), 0) + " days, and keeps nothing from then on." : "");
    }

    private static List<Remedy> remedies(Promise.KeepsDays promise, HouseholdFacts facts, Kept least) {
        FootageKept.At at = least.at();
        Camera camera = least.camera();
        if (at.stops()) {
            return List.of(new Remedy("Let it go over the oldest", Numbers.fixed(Math.floor(at.days()), 0) + " days"));
        }
        double enoughDays = promise.days() * (1 + RETENTION_TOLERANCE_SHARE);
        if (at.place() == Survival.Place.CLOUD || at.reliedOnDays() >= enoughDays) {
            return List.of();
        }
        double neededGb = enoughDays * at.gbADay() / Retention.USABLE_SHARE;
        for (int size = LEAST_CARD_GB; at.place() == Survival.Place.CARD && size <= camera.model().recording().cardMaxGb(); size *= 2) {
            if (size >= neededGb) {
                return List.of(new Remedy("A " + size + " GB card", Numbers.fixed(at.days() * size / at.gb(), 0) + " days"));
            }
        }
        if (facts.footage().of(camera.id()).when() != Keeping.When.EVENT) {
            return List.of(new Remedy("Record when something counts", Numbers.fixed(Math.min(Retention.MOST_DAYS, Retention.USABLE_SHARE
                    * at.gb() / Math.max(1e-6, Retentions.clips(camera).gbPerDay())), 0) + " days for it alone"));
        }
        int seconds = Math.max(camera.model().recording().clipMinSeconds(), camera.settings().clipSeconds() / 2);
        return List.of(new Remedy("Clips of " + seconds + " s",
                "about " + Numbers.fixed(at.days() * camera.settings().clipSeconds() / seconds, 0) + " days"));
    }

    @Override
    public String wording(Promise.KeepsDays promise, Names names) {
        return "Keeps " + promise.days() + " days of footage";
    }
}
