package roofnest.core.view;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;

import roofnest.core.plan.PlanPoint;

/** Facets on one line put together: those on one another to columns, and columns beside one another to walls. */
final class Wholes {
    /** Ends this near to one another meet, metres: a tenth of a millimetre. */
    private static final double MEET_M = 1e-4;

    private Wholes() {}

    /** From one place along the line to another; foot and top may slope. */
    private record Column(double from, double to, double footFromM, double footToM, double topFromM, double topToM) {
        Column between(double a, double b) {
            return new Column(a, b, at(footFromM, footToM, a), at(footFromM, footToM, b), at(topFromM, topToM, a), at(topFromM, topToM, b));
        }

        private double at(double first, double last, double place) {
            return first + (last - first) * (place - from) / (to - from);
        }

        /** Both as one, where the other stands on this one or in it; null where there is a gap, or their tops cross. */
        Column with(Column upper) {
            if (upper.footFromM > topFromM + MEET_M || upper.footToM > topToM + MEET_M) {
                return null;
            }
            if (upper.topFromM >= topFromM && upper.topToM >= topToM) {
                return new Column(from, to, footFromM, footToM, upper.topFromM, upper.topToM);
            }
            return upper.topFromM <= topFromM && upper.topToM <= topToM ? this : null;
        }

        /** Both as one, where this one goes on straight into the other; else null. */
        Column and(Column next) {
            Column on = new Column(from, next.to, footFromM, next.footToM, topFromM, next.topToM);
            boolean straight = Math.abs(to - next.from) < MEET_M
                    && DoubleStream.of(footToM - next.footFromM, topToM - next.topFromM, on.at(on.footFromM, on.footToM, to) - footToM,
                            on.at(on.topFromM, on.topToM, to) - topToM).allMatch(off -> Math.abs(off) < MEET_M);
            return straight ? on : null;
        }
    }

    /** @param facets all on one line */
    static List<Scene.Facet> of(List<Scene.Facet> facets) {
        if (facets.size() < 2) {
            return facets;
        }
        PlanPoint from = facets.get(0).a();
        PlanPoint to = facets.get(0).b();
        double lengthM = from.distanceM(to);
        double eastward = (to.xM() - from.xM()) / lengthM;
        double northward = (to.yM() - from.yM()) / lengthM;
        List<Column> columns = facets.stream().map(facet -> {
            double a = (facet.a().xM() - from.xM()) * eastward + (facet.a().yM() - from.yM()) * northward;
            double b = (facet.b().xM() - from.xM()) * eastward + (facet.b().yM() - from.yM()) * northward;
            return a < b ? new Column(a, b, facet.footAM(), facet.footBM(), facet.topAM(), facet.topBM())
                    : new Column(b, a, facet.footBM(), facet.footAM(), facet.topBM(), facet.topAM());
        }).filter(column -> column.to - column.from > MEET_M).toList();
        return beside(columns).stream()
                .map(column -> new Scene.Facet(new PlanPoint(from.xM() + column.from * eastward, from.yM() + column.from * northward),
                        new PlanPoint(from.xM() + column.to * eastward, from.yM() + column.to * northward), column.footFromM,
                        column.footToM, column.topFromM, column.topToM, facets.get(0).kind(), 0))
                .toList();
    }

    private static List<Column> beside(List<Column> columns) {
        double[] cuts = columns.stream().flatMapToDouble(column -> DoubleStream.of(column.from, column.to)).sorted().toArray();
        List<Column> closed = new ArrayList<>();
        List<Column> open = new ArrayList<>();
        for (int i = 1; i < cuts.length; i++) {
            double from = cuts[i - 1];
            double to = cuts[i];
            if (to - from < MEET_M) {
                continue;
            }
            List<Column> here = stacked(columns.stream().filter(column -> column.from <= from + MEET_M && column.to >= to - MEET_M)
                    .map(column -> column.between(from, to)));
            List<Column> going = new ArrayList<>();
            for (Column column : here) {
                Column before = open.stream().filter(each -> each.and(column) != null).findFirst().orElse(null);
                open.remove(before);
                going.add(before == null ? column : before.and(column));
            }
            closed.addAll(open);
            open = going;
        }
        closed.addAll(open);
        return closed;
    }

    private static List<Column> stacked(Stream<Column> columns) {
        List<Column> stacked = new ArrayList<>();
        columns.sorted(Comparator.comparingDouble(column -> column.footFromM + column.footToM)).forEach(column -> {
            Column both = stacked.isEmpty() ? null : stacked.get(stacked.size() - 1).with(column);
            if (both == null) {
                stacked.add(column);
            } else {
                stacked.set(stacked.size() - 1, both);
            }
        });
        return stacked;
    }
}
