package roofnest.core.visit;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

import roofnest.core.lang.Require;

/**
 * One thing to do on a visit.
 *
 * @param id unique within the visit
 * @param about what kind of work it is, and on which camera
 * @param row whose row it is drawn in: a camera, or the house
 * @param handsOnMinutes during which one installer does it
 * @param handsFreeMinutes afterwards, during which it goes on by itself
 * @param after ids of tasks that must be over, what runs by itself included
 * @param needs things of which there is one, held while hands are on it
 */
public record Task(String id, About about, String row, String what, int handsOnMinutes, int handsFreeMinutes, Set<String> after,
        Set<Need> needs) {
    public enum Need { PHONE, LADDER }

    /** Kinds of work; a firm's pace is learned for each. */
    public enum Kind {
        ROUTER, REJOIN, UNPACK, PAIR, SECURE, TRY, MOUNT, AIM, PROVE, SHARE, HAND_OVER, CHARGE, OTHER
    }

    /** @param camera number of the camera that is worked on; empty for the house's own tasks */
    public record About(Kind kind, Optional<Long> camera) {
        static About house(Kind kind) {
            return new About(kind, Optional.empty());
        }

        static About camera(Kind kind, long camera) {
            return new About(kind, Optional.of(camera));
        }
    }

    /** Work that belongs to no kind of its own. */
    public Task(String id, String row, String what, int handsOnMinutes, int handsFreeMinutes, Set<String> after, Set<Need> needs) {
        this(id, About.house(Kind.OTHER), row, what, handsOnMinutes, handsFreeMinutes, after, needs);
    }

    public Task {
        id = Require.text("task", id, 80);
        what = Require.text("what to do", what, 120);
        Require.inRange("minutes with hands on", handsOnMinutes, 0, 60_000);
        Require.inRange("minutes by itself", handsFreeMinutes, 0, 600);
        after = Set.copyOf(after);
        needs = needs.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(needs));
    }

    public int minutes() {
        return handsOnMinutes + handsFreeMinutes;
    }
}
