package roofnest.core.power;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

import roofnest.core.lang.Require;

/**
 * The fewest visits that let no pack of a house fall under its warning. Somebody goes on the last day that the first pack allows, and so
 * on: each such pack has to be charged between the visit before and that day, these stretches share no day, and so no plan has fewer. Of
 * the packs, each is charged on the last visit before it needs it, which takes the fewest charges on those days.
 *
 * <p>Packs have to be monotone: charged later, they last until later.
 *
 * @param overdue whether some pack should have been charged before the first day
 */
public record ChargeVisits(List<Visit> visits, boolean overdue) {
    /** More than one a day is no plan. */
    private static final int MOST_VISITS = 366;

    /**
     * One pack.
     *
     * @param charged when it was full last
     * @param lastsUntil the last day on which it may be charged again, by the day on which it was full
     */
    public record Pack(long id, LocalDate charged, Function<LocalDate, LocalDate> lastsUntil) {}

    /**
     * One visit.
     *
     * @param packs that are charged then
     * @param forcedBy the pack whose last day it is. @param forcedSince when that was full last
     */
    public record Visit(LocalDate on, List<Long> packs, long forcedBy, LocalDate forcedSince) {
        public Visit {
            packs = List.copyOf(packs);
        }
    }

    public ChargeVisits {
        visits = List.copyOf(visits);
    }

    /**
     * @param from the first day on which anybody can go. @param to the last day that is looked at
     * @throws IllegalArgumentException where a pack does not last a day
     */
    public static ChargeVisits fewest(List<Pack> packs, LocalDate from, LocalDate to) {
        Map<Long, LocalDate> charged = new HashMap<>();
        packs.forEach(pack -> charged.put(pack.id(), pack.charged()));
        List<Visit> days = new ArrayList<>();
        boolean overdue = false;
        while (!packs.isEmpty()) {
            Pack first = packs.get(0);
            LocalDate soonest = first.lastsUntil().apply(charged.get(first.id()));
            for (Pack pack : packs) {
                LocalDate until = pack.lastsUntil().apply(charged.get(pack.id()));
                if (until.isBefore(soonest)) {
                    first = pack;
                    soonest = until;
                }
            }
            if (soonest.isAfter(to)) {
                break;
            }
            LocalDate on = soonest.isBefore(from) ? from : soonest;
            overdue |= soonest.isBefore(from);
            if (!on.isAfter(charged.get(first.id()))) {
                throw new IllegalArgumentException("a pack has to last a day at least");
            }
            days.add(new Visit(on, List.of(), first.id(), charged.get(first.id())));
            packs.forEach(pack -> charged.put(pack.id(), on));
            Require.inRange("visits", days.size(), 0, MOST_VISITS);
        }
        return new ChargeVisits(withPacks(days, packs, to), overdue);
    }

    /** A pack is charged on a visit if it does not last until the next one, or to the end. */
    private static List<Visit> withPacks(List<Visit> days, List<Pack> packs, LocalDate to) {
        Map<Long, LocalDate> charged = new HashMap<>();
        packs.forEach(pack -> charged.put(pack.id(), pack.charged()));
        List<Visit> visits = new ArrayList<>();
        for (int i = 0; i < days.size(); i++) {
            LocalDate on = days.get(i).on();
            LocalDate next = i + 1 < days.size() ? days.get(i + 1).on() : to.plusDays(1);
            List<Long> now = packs.stream().filter(pack -> {
                LocalDate until = pack.lastsUntil().apply(charged.get(pack.id()));
                return !until.isAfter(on) || until.isBefore(next);
            }).map(Pack::id).toList();
            now.forEach(id -> charged.put(id, on));
            visits.add(new Visit(on, now, days.get(i).forcedBy(), days.get(i).forcedSince()));
        }
        return visits;
    }

    /** The most packs on one visit: so many spare ones, charged beforehand, are changed rather than waited for. */
    public int spares() {
        return visits.stream().mapToInt(visit -> visit.packs().size()).max().orElse(0);
    }
}
