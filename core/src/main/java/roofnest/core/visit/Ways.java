package roofnest.core.visit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * Minutes on the road between any two of some places. A way that was told counts as told; another one as the middle of those that were told
 * between the same two areas; where there is none, as an ordinary way within an area or between two.
 *
 * @param minutes in the order of the places, the same both ways
 * @param told of all ways, and {@code byArea} of the others
 */
public record Ways(int[][] minutes, int told, int byArea, int ordinary) {
    /** Within one area, minutes. */
    public static final int SAME_AREA_MINUTES = 6;
    /** Between two, or where no area is known, minutes. */
    public static final int ORDINARY_MINUTES = 15;

    /** @param area as the address says it; empty where it says none */
    public record Place(long id, String area) {}

    /** A way of which somebody told the minutes. */
    public record Told(long fromId, long toId, int minutes) {
        public Told {
            Require.inRange("minutes on the road", minutes, 0, 600);
        }
    }

    private record Pair(String one, String other) {
        private static Pair of(Object a, Object b) {
            String one = String.valueOf(a);
            String other = String.valueOf(b);
            return one.compareTo(other) <= 0 ? new Pair(one, other) : new Pair(other, one);
        }
    }

    public static Ways between(List<Place> places, List<Told> told, Map<Long, String> areas) {
        Map<Pair, Integer> exact = new HashMap<>();
        Map<Pair, List<Integer>> ofAreas = new HashMap<>();
        for (Told way : told) {
            exact.put(Pair.of(way.fromId(), way.toId()), way.minutes());
            String from = areas.getOrDefault(way.fromId(), "");
            String to = areas.getOrDefault(way.toId(), "");
            if (!from.isEmpty() && !to.isEmpty()) {
                ofAreas.computeIfAbsent(Pair.of(from, to), any -> new ArrayList<>()).add(way.minutes());
            }
        }
        Map<Pair, Integer> middles = new HashMap<>();
        ofAreas.forEach((pair, all) -> middles.put(pair, middle(all)));
        int n = places.size();
        int[][] minutes = new int[n][n];
        int[] counts = new int[3];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < i; j++) {
                Place one = places.get(i);
                Place other = places.get(j);
                Integer known = exact.get(Pair.of(one.id(), other.id()));
                Integer usual = one.area().isEmpty() || other.area().isEmpty() ? null : middles.get(Pair.of(one.area(), other.area()));
                counts[known != null ? 0 : usual != null ? 1 : 2]++;
                minutes[i][j] = known != null ? known
                        : usual != null ? usual
                                : !one.area().isEmpty() && one.area().equals(other.area()) ? SAME_AREA_MINUTES : ORDINARY_MINUTES;
                minutes[j][i] = minutes[i][j];
            }
        }
        return new Ways(minutes, counts[0], counts[1], counts[2]);
    }

    /** The middle one, the longer of two. */
    private static int middle(List<Integer> all) {
        List<Integer> sorted = all.stream().sorted().toList();
        return sorted.get(sorted.size() / 2);
    }
}
