package roofnest.core.visit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * One way to a household for all that is to be done there between two days.
 *
 * @param reasons that each may be done on any day from {@code from} to {@code until}; at least one
 */
public record Errand(long household, List<Reason> reasons, LocalDate from, LocalDate until) {
    /** At the door, shoes off and on again, however little there is to do, minutes. */
    public static final int AT_THE_DOOR_MINUTES = 10;
    private static final int MOST_MINUTES = 600;

    /**
     * Something that somebody of the firm has to be there for.
     *
     * @param from the first day on which it may be done
     * @param until the last
     * @param bring what has to be in the van for it
     */
    public record Reason(long household, LocalDate from, LocalDate until, int minutes, boolean ladder, String what, List<String> bring) {
        public Reason {
            Require.inRange("minutes there", minutes, 1, MOST_MINUTES);
            what = Require.text("what is done there", what, 200);
            bring = List.copyOf(bring);
            if (until.isBefore(from)) {
                throw new IllegalArgumentException("what may be done from " + from + " cannot be done until " + until);
            }
        }
    }

    public Errand {
        reasons = List.copyOf(reasons);
        if (reasons.isEmpty() || reasons.stream().anyMatch(each -> each.household() != household || each.from().isAfter(from) || each
                .until().isBefore(until))) {
            throw new IllegalArgumentException("an errand has reasons of its own household, each of which may be done on all its days");
        }
    }

    public int minutes() {
        return Math.min(MOST_MINUTES, AT_THE_DOOR_MINUTES + reasons.stream().mapToInt(Reason::minutes).sum());
    }

    public boolean ladder() {
        return reasons.stream().anyMatch(Reason::ladder);
    }

    public List<String> bring() {
        return reasons.stream().flatMap(each -> each.bring().stream()).distinct().toList();
    }

    /**
     * The fewest errands for all reasons, those of each household by themselves: what is due first is done on its last day at the latest,
     * and whatever may be done on that day goes along (fewest points that stab all intervals, which this order finds).
     *
     * @return by household, the earliest first
     */
    public static List<Errand> fewest(List<Reason> reasons) {
        Map<Long, List<Reason>> byHousehold = new LinkedHashMap<>();
        reasons.stream().sorted(Comparator.comparing(Reason::until).thenComparing(Reason::from).thenComparing(Reason::what))
                .forEach(each -> byHousehold.computeIfAbsent(each.household(), any -> new ArrayList<>()).add(each));
        List<Errand> errands = new ArrayList<>();
        byHousehold.forEach((household, its) -> {
            List<Reason> open = new ArrayList<>(its);
            while (!open.isEmpty()) {
                LocalDate last = open.get(0).until();
                List<Reason> together = open.stream().filter(each -> !each.from().isAfter(last)).toList();
                open.removeAll(together);
                errands.add(new Errand(household, together, together.stream().map(Reason::from).max(LocalDate::compareTo).orElseThrow(),
                        last));
            }
        });
        return errands;
    }
}
