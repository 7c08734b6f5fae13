package roofnest.core.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.lang.Numbers;

/**
 * Every device of a job against every network of the house, and the least that has to be done at the router so that all
 * of them get in. There are few changes, so all sets of them are tried, so the answer is exact.
 */
public record FitMatrix(List<HomeNetwork> networks, List<Row> rows) {
    public FitMatrix {
        networks = List.copyOf(networks);
        rows = List.copyOf(rows);
    }

    /** @param name of the camera in the house */
    public record Device(String name, DeviceModel model) {}

    public enum Verdict {
        JOINS("joins"), JOINS_IF("joins if…"), CANNOT("cannot join");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        private static Verdict of(List<FitIssue> issues) {
            return issues.isEmpty() ? JOINS : issues.get(0).blocks() ? CANNOT : JOINS_IF;
        }
    }

    public record Cell(Verdict verdict, List<FitIssue> issues) {
        static Cell of(HomeNetwork network, DeviceModel model) {
            List<FitIssue> issues = CredentialFit.judge(network, model);
            return new Cell(Verdict.of(issues), issues);
        }
    }

    /** @param cells in the order of the networks */
    public record Row(Device device, List<Cell> cells) {}

    public static FitMatrix of(List<HomeNetwork> networks, List<Device> devices) {
        return new FitMatrix(networks, devices.stream()
                .map(device -> new Row(device, networks.stream().map(network -> Cell.of(network, device.model())).toList())).toList());
    }

    /**
     * A set of changes, in the order in which they are made.
     *
     * @param after the network that the cameras then join
     * @param minutes at the router and at what has to rejoin
     * @param rejoining other things that have to rejoin; {@link SafeCredentials#NOT_COUNTED} when they do and nobody counted them
     * @param left devices that still do not simply join
     * @param needsPassword whether somebody has to think of a password first, because there was none to start from
     */
    public record Plan(List<NetworkChange> changes, HomeNetwork after, double minutes, int rejoining, List<Device> left,
            boolean needsPassword) {
        /** "8 min, nothing else has to rejoin". */
        public String cost() {
            return Numbers.fixed(minutes, 0) + " min, " + (rejoining == SafeCredentials.NOT_COUNTED
                    ? "and everything else on the Wi-Fi has to rejoin, which nobody has counted yet"
                    : rejoining == 0 ? "nothing else has to rejoin"
                            : rejoining == 1 ? "1 other thing has to rejoin" : rejoining + " other things have to rejoin");
        }
    }

    /** What comes of a chosen set of changes; those that would change nothing are left out. */
    public static Plan with(List<NetworkChange> chosen, HomeNetwork network, boolean routerMakesNames, List<Device> devices,
            int otherThings) {
        List<DeviceModel> models = models(devices);
        HomeNetwork after = network;
        List<NetworkChange> made = new ArrayList<>();
        for (NetworkChange change : NetworkChange.values()) {
            if (chosen.contains(change) && change.applies(after, routerMakesNames, models)) {
                after = change.apply(after, models);
                made.add(change);
            }
        }
        HomeNetwork result = after;
        boolean rejoin = made.stream().anyMatch(NetworkChange::othersRejoin);
        double minutes = made.stream().mapToDouble(change -> change.minutes(0)).sum()
                + (rejoin ? SafeCredentials.minutesAt(otherThings) : 0);
        return new Plan(made, result, minutes, rejoin ? otherThings : 0,
                devices.stream().filter(device -> Cell.of(result, device.model()).verdict() != Verdict.JOINS).toList(),
                network.password().isEmpty() && result.security().asksPassword());
    }

    /** The cheapest set that lets every device simply join; empty when none does. An empty set when nothing needs doing. */
    public static Optional<Plan> cheapest(HomeNetwork network, boolean routerMakesNames, List<Device> devices, int otherThings) {
        List<NetworkChange> possible = IntStream.range(0, NetworkChange.values().length).mapToObj(i -> NetworkChange.values()[i])
                .filter(change -> change.applies(network, routerMakesNames, models(devices)) || change == NetworkChange.SPLIT_BANDS)
                .toList();
        return IntStream.range(0, 1 << possible.size())
                .mapToObj(set -> IntStream.range(0, possible.size()).filter(i -> (set & 1 << i) != 0).mapToObj(possible::get).toList())
                .map(set -> with(set, network, routerMakesNames, devices, otherThings))
                .filter(plan -> plan.left().isEmpty())
                .min(Comparator.comparingDouble(Plan::minutes).thenComparingInt(Plan::rejoining)
                        .thenComparingInt(plan -> plan.changes().size()));
    }

    private static List<DeviceModel> models(List<Device> devices) {
        return devices.stream().map(Device::model).toList();
    }
}
