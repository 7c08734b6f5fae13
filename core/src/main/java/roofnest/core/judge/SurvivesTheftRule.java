package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.core.footage.Survival;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;

/** The camera of whose footage most is gone with it decides; one of which nothing is left breaks it by itself. */
final class SurvivesTheftRule implements PromiseRule<Promise.SurvivesTheft> {
    /** Sending is an estimate. */
    static final double TOLERANCE_SHARE = 0.1;

    private record Lost(Camera camera, Survival left) {}

    @Override
    public Class<Promise.SurvivesTheft> type() {
        return Promise.SurvivesTheft.class;
    }

    @Override
    public Sighted judge(Promise.SurvivesTheft promise, Hearing hearing) {
        Limit limit = Limit.atMost(promise.seconds(), promise.seconds() * TOLERANCE_SHARE, Unit.SECONDS);
        if (hearing.cameras().isEmpty()) {
            return Hearing.noCamera(promise.key(), limit);
        }
        HouseholdFacts facts = hearing.facts();
        List<Lost> all = hearing.cameras().stream().map(camera -> new Lost(camera, FootageKept.of(facts, camera).left(facts, camera,
                Set.of(Survival.Loss.CAMERA)))).toList();
        List<Lost> gone = all.stream().filter(lost -> lost.left().place().isEmpty()).toList();
        if (!gone.isEmpty()) {
            return new Sighted(Finding.of(promise.key(), gone.size(), Limit.atMost(0, 0, Unit.FAULTS), Evidence.PREDICTED,
                    gone.stream().limit(5).map(lost -> lost.camera().name()).collect(Collectors.joining(", ")) + (gone.size() > 5
                            ? " and " + (gone.size() - 5) + " others" : "")
                            + (gone.size() == 1 ? ": nothing that it recorded is left when it is taken."
                                    : ": nothing that they recorded is left when they are taken."),
                    remedies(facts, gone.get(0).camera())), Optional.of(gone.get(0).camera().id()));
        }
        Lost most = all.stream().max(Comparator.comparingDouble(lost -> lost.left().lastLostS())).orElseThrow();
        String reason = most.camera().name() + ": " + most.left().place().orElseThrow().words() + " still has all but the last "
                + Numbers.fixed(Math.ceil(most.left().lastLostS()), 0) + " s" + (most.left().place().equals(Optional.of(
                        Survival.Place.CLOUD)) ? ", a clip and the time to send it"
                                + (facts.footage().upMbps().isEmpty()
                                        ? " on an ordinary line; nobody measured this one." : ".")
                                : ".");
        return new Sighted(Finding.of(promise.key(), most.left().lastLostS(), limit, Evidence.PREDICTED, reason,
                limit.standing(most.left().lastLostS()) == Standing.KEPT ? List.of() : shorter(facts, most, limit)),
                Optional.of(most.camera().id()));
    }

    /** What can be done where nothing is left, by what the model and the house can. */
    private static List<Remedy> remedies(HouseholdFacts facts, Camera camera) {
        List<Remedy> remedies = new ArrayList<>();
        String left = "all but the last " + Numbers.fixed(Survival.HUB_LAG_S, 0) + " s are left";
        if (camera.model().hub() != null) {
            remedies.add(new Remedy("A card in its hub, out of sight", left));
        }
        if (camera.model().recording().streams()) {
            remedies.add(new Remedy("A recorder in the house, out of sight", left));
        }
        Survival.Sends sends = FootageKept.sends(facts, camera);
        remedies.add(new Remedy("A paid plan of " + camera.model().maker(),
                "all but the last " + Numbers.fixed(Math.ceil(sends.clipS() + sends.sendS()), 0) + " s are left"));
        return remedies;
    }

    /** The longest clip that is sent in time, where it is the clip that takes too long. */
    private static List<Remedy> shorter(HouseholdFacts facts, Lost most, Limit limit) {
        Camera camera = most.camera();
        for (int seconds = camera.settings().clipSeconds() - 1; seconds >= camera.model().recording().clipMinSeconds(); seconds--) {
            Camera tried = camera.withSettings(camera.settings().withClipSeconds(seconds));
            double lost = FootageKept.of(facts, tried).left(facts, tried, Set.of(Survival.Loss.CAMERA)).lastLostS();
            if (limit.standing(lost) == Standing.KEPT) {
                return List.of(new Remedy("Clips of " + seconds + " s for " + camera.name(), "all but the last " + Numbers.fixed(Math.ceil(
                        lost), 0) + " s are left"));
            }
        }
        return List.of(new Remedy("A recorder or a hub with a card, in the house", "what it records is there at once"));
    }

    @Override
    public String wording(Promise.SurvivesTheft promise, Names names) {
        return "All but the last " + Numbers.plain(promise.seconds()) + " s survive the theft of a camera";
    }
}
