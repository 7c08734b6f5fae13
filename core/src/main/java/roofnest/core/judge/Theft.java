package roofnest.core.judge;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.Sharing;
import roofnest.core.footage.Survival;
import roofnest.core.lang.Require;

/**
 * What a theft leaves: whose last clips are still to be had, where and for how long, and who has to change what because of what was in
 * the things that are gone. Hours count for the first, so it is reckoned from how the house was set, before anything is taken out.
 */
public record Theft(List<Theft.Left> left, List<Theft.Change> changes) {
    /**
     * What was taken.
     *
     * @param cameras by number
     * @param hubModels models of hubs, which stand in a house once each
     */
    public record Taken(Set<Long> cameras, Set<String> hubModels, boolean router, boolean recorder, LocalDate on) {
        public Taken {
            cameras = Set.copyOf(cameras);
            hubModels = Set.copyOf(hubModels);
        }

        public boolean nothing() {
            return cameras.isEmpty() && hubModels.isEmpty() && !router && !recorder;
        }
    }

    /**
     * Footage of one camera.
     *
     * @param place that still has it; empty where none has
     * @param lostS of the last seconds before, so many at most are gone; of no account where none is left
     * @param until the day on which what it holds of the theft has been written over, if it goes on as before; empty where it stops, or
     *     where nothing writes to it any more
     */
    public record Left(long camera, String name, boolean taken, Optional<Survival.Place> place, double lostS, Optional<LocalDate> until) {}

    /** Who has to change what. @param who in words */
    public record Change(String who, String what, String why) {}

    public Theft {
        left = List.copyOf(left);
        changes = List.copyOf(changes);
    }

    /** @throws IllegalArgumentException when something was taken that is not in the house */
    public static Theft of(HouseholdFacts facts, Taken taken) {
        taken.cameras().forEach(id -> Require.inRange("camera of the house", facts.cameras().stream().filter(each -> each.id() == id)
                .count(), 1, 1));
        List<Left> left = facts.cameras().stream().filter(Camera::joined).map(camera -> left(facts, camera, taken)).toList();
        return new Theft(left, changes(facts, taken));
    }

    private static Left left(HouseholdFacts facts, Camera camera, Taken taken) {
        boolean gone = taken.cameras().contains(camera.id());
        boolean hubGone = camera.model().hub() != null && taken.hubModels().contains(camera.model().hub());
        Set<Survival.Loss> losses = EnumSet.noneOf(Survival.Loss.class);
        if (gone) {
            losses.add(Survival.Loss.CAMERA);
        }
        if (hubGone) {
            losses.add(Survival.Loss.HUB);
        }
        if (taken.router()) {
            losses.add(Survival.Loss.ROUTER);
        }
        if (taken.recorder()) {
            losses.add(Survival.Loss.RECORDER);
        }
        FootageKept kept = FootageKept.of(facts, camera);
        Survival survival = kept.left(facts, camera, losses);
        Optional<LocalDate> until = survival.place().flatMap(place -> kept.places().stream().filter(at -> at.place() == place).findFirst())
                .filter(at -> !at.stops() && (at.place() == Survival.Place.CLOUD || !alone(facts, camera, at.place(), taken)))
                .map(at -> taken.on().plusDays((long) Math.floor(at.days())));
        return new Left(camera.id(), camera.name(), gone, survival.place(), survival.lastLostS(), until);
    }

    /** Whether everything that writes to a store is gone, so that nothing goes over what is on it. */
    private static boolean alone(HouseholdFacts facts, Camera camera, Survival.Place place, Taken taken) {
        return switch (place) {
            case CARD -> taken.cameras().contains(camera.id());
            case HUB -> facts.cameras().stream().filter(other -> camera.model().hub().equals(other.model().hub()))
                    .allMatch(other -> taken.cameras().contains(other.id()));
            case RECORDER -> facts.cameras().stream().filter(other -> facts.footage().of(other.id()).toRecorder())
                    .allMatch(other -> taken.cameras().contains(other.id()));
            case CLOUD -> false;
        };
    }

    private static List<Change> changes(HouseholdFacts facts, Taken taken) {
        List<Change> changes = new ArrayList<>();
        if (taken.nothing()) {
            return changes;
        }
        List<Camera> gone = facts.cameras().stream().filter(each -> taken.cameras().contains(each.id())).toList();
        List<Camera> inAccounts = gone.stream().filter(Camera::joined).toList();
        if (!inAccounts.isEmpty() || !taken.hubModels().isEmpty()) {
            changes.add(new Change("Whoever owns the account", "Leave what is gone in the account; copy its last clips out of it first.",
                    "As long as it is in there nobody else can add it, and clips may go with it when it is taken out."));
        }
        List<String> knowTheWifi = new ArrayList<>(inAccounts.stream().filter(each -> !each.model().radio().viaHub()).map(Camera::name)
                .toList());
        if (!taken.hubModels().isEmpty()) {
            knowTheWifi.add(taken.hubModels().size() == 1 ? "the hub" : "the hubs");
        }
        if (taken.router()) {
            knowTheWifi.add("the router");
        }
        if (!knowTheWifi.isEmpty()) {
            changes.add(new Change("Whoever looks after the Wi-Fi",
                    taken.router() ? "Give the new router a new Wi-Fi password, not the old."
                            : "Change the Wi-Fi password, then join again what uses it.",
                    "It can be read out of " + String.join(", ", knowTheWifi)
                            + "."));
        }
        gone.stream().filter(each -> each.settings().cardGb() > 0 && each.model().recording().cardMaxGb() > 0).forEach(each -> changes.add(
                new Change("The household", "Tell whoever may be seen on the card of " + each.name() + " that it is gone.",
                        "Its clips are on it and can be read by whoever has it. Whether an authority has to be told as well is for local"
                                + " law: ask.")));
        if (taken.recorder()) {
            changes.add(new Change("The household", "Tell whoever may be seen on the recorder’s disk that it is gone.",
                    "Footage of every camera that streamed to it is on it. Whether an authority has to be told as well is for local"
                            + " law: ask."));
        }
        List<Camera> ownPassword = gone.stream().filter(Camera::ownPassword).toList();
        if (!ownPassword.isEmpty()) {
            changes.add(new Change("Whoever owns the account", "Change the password of "
                    + String.join(", ", ownPassword.stream().map(Camera::name).toList()) + " wherever else it was used.",
                    "It may be read out of a device that somebody has in their hands."));
        }
        gone.stream().filter(each -> each.model().sharing() == Sharing.TOLD_SECRET).forEach(each -> changes.add(new Change(
                "Everyone who was told the ID of " + each.name(), "Take it off their phones.",
                "Whoever has the device can show them what they like by it.")));
        return changes;
    }
}
