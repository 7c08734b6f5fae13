package roofnest.core.alert;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;

import org.jgrapht.Graph;
import org.jgrapht.GraphPath;
import org.jgrapht.alg.connectivity.KosarajuStrongConnectivityInspector;
import org.jgrapht.alg.shortestpath.BFSShortestPath;
import org.jgrapht.graph.DefaultDirectedGraph;
import org.jgrapht.graph.DefaultEdge;

import roofnest.core.catalogue.AlertSpec;

/**
 * Rules that set one another off without end: a light that a camera takes for movement, a siren that another hears. Of rules that
 * hang together so, the shortest circle is told; broken there, they are looked at anew.
 */
public final class RuleCircles {
    private RuleCircles() {}

    /** What passes from one device to another besides what people do. */
    public interface Notices {
        /** Whether a camera takes the other's light, switched on or off, for movement. */
        boolean light(long camera, long ofCamera);

        /** Whether a camera that listens hears the other's siren. */
        boolean siren(long camera, long ofCamera);
    }

    /** @return circles, each as indexes of rules in the order in which they set one another off, from the first written */
    public static List<List<Integer>> of(List<DeviceRule> rules, Notices notices) {
        Graph<Integer, DefaultEdge> graph = new DefaultDirectedGraph<>(DefaultEdge.class);
        IntStream.range(0, rules.size()).forEach(graph::addVertex);
        for (int from = 0; from < rules.size(); from++) {
            for (int to = 0; to < rules.size(); to++) {
                if (setsOff(rules.get(from), rules.get(to), notices)) {
                    graph.addEdge(from, to);
                }
            }
        }
        return new KosarajuStrongConnectivityInspector<>(graph).stronglyConnectedSets().stream().map(set -> shortest(graph, set))
                .filter(circle -> !circle.isEmpty()).sorted(Comparator.comparing((List<Integer> circle) -> circle.get(0))).toList();
    }

    /** The shortest circle of rules of which each leads to each, from its first rule on; empty for one that does not set itself off. */
    private static List<Integer> shortest(Graph<Integer, DefaultEdge> graph, Set<Integer> component) {
        return component.stream().sorted().flatMap(rule -> graph.outgoingEdgesOf(rule).stream().map(graph::getEdgeTarget)
                .filter(component::contains).map(next -> new BFSShortestPath<>(graph).getPath(next, rule)).filter(Objects::nonNull)
                .map(GraphPath::getVertexList).map(path -> fromFirst(rule, path))).min(Comparator.comparingInt(List::size))
                .orElse(List.of());
    }

    private static List<Integer> fromFirst(int rule, List<Integer> back) {
        List<Integer> circle = new ArrayList<>(List.of(rule));
        circle.addAll(back.subList(0, back.size() - 1));
        return circle;
    }

    private static boolean setsOff(DeviceRule first, DeviceRule next, Notices notices) {
        if (!first.at().meets(next.at())) {
            return false;
        }
        return switch (first.act()) {
            case RECORD -> false;
            case LIGHT -> next.kind() == AlertSpec.Kind.ANY && notices.light(next.whenCamera(), first.thenCamera());
            case SIREN -> next.kind() == AlertSpec.Kind.SOUND && notices.siren(next.whenCamera(), first.thenCamera());
        };
    }
}
