package roofnest.app.ready;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.app.household.Frame;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.OtherThingRepository;
import roofnest.app.web.Form;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.network.FitIssue;
import roofnest.core.network.FitMatrix;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.NetworkChange;
import roofnest.core.network.SafeCredentials;

/**
 * The network sheet.
 *
 * @param networks of the house, the cameras' first
 * @param edited the one in the form; empty for a new one
 * @param suggestion a safe name and a word on the password, when the present ones do not suit every camera
 * @param changes that could be made at the router, each with what it costs
 * @param chosen what comes of the ticked ones; empty when none is ticked
 * @param cheapest that lets every camera simply join; empty when nothing does or nothing needs to
 */
record ReadyView(
        List<NetworkRepository.NetworkRow> networks, Optional<NetworkRepository.NetworkRow> edited, boolean passwordSealed,
        List<Line> lines,
        Optional<Suggestion> suggestion, List<Change> changes, Optional<Outcome> chosen, Optional<Outcome> cheapest, boolean allJoin,
        List<OtherThingRepository.OtherThing> things, String rejoinCost, List<Band> bands, List<WifiSecurity> securities) {

    /** One camera against every network. @param issues with the network that cameras join */
    record Line(String camera, String model, List<Mark> marks, List<FitIssue> issues) {}

    /** @param standing for its egg */
    record Mark(String verdict, String standing, String why) {}

    record Suggestion(String name, boolean nameChanges, boolean passwordChanges, int passwordLength) {}

    record Change(String key, String words, String detail, String minutes, boolean ticked) {}

    /** @param keys of the changes, for a form to send @param joined how many simply join, in words */
    record Outcome(List<String> keys, List<String> changes, String cost, String joined, String left, boolean all, boolean needsPassword) {}

    /** What the page was asked to show. @param network being edited: an id, {@code new}, or empty for the cameras' */
    record Asked(String network, Set<NetworkChange> ticked) {
        static Asked of(String network, List<String> with) {
            return new Asked(network == null ? "" : network, changes(with));
        }
    }

    /** The changes of these names; what is no change is left out. */
    static Set<NetworkChange> changes(List<String> with) {
        return Arrays.stream(NetworkChange.values()).filter(change -> with != null && with.contains(change.name()))
                .collect(Collectors.toSet());
    }

    static ReadyView of(Frame frame, Stored stored, Asked asked) {
        List<FitMatrix.Device> devices = devices(frame);
        Optional<HomeNetwork> network = frame.facts().network();
        FitMatrix matrix = FitMatrix.of(stored.networks(), devices);
        boolean credentialsAtFault = network.isPresent() && matrix.rows().stream().flatMap(row -> row.cells().get(0).issues().stream())
                .anyMatch(issue -> issue.field() == FitIssue.Field.NAME || issue.field() == FitIssue.Field.PASSWORD);
        int others = frame.facts().otherThings();
        Optional<Outcome> cheapest = network.flatMap(now -> FitMatrix.cheapest(now, stored.makesNames(), devices, others))
                .filter(plan -> !plan.changes().isEmpty()).map(plan -> outcome(plan, devices));
        Optional<Outcome> chosen = network.filter(now -> !asked.ticked().isEmpty())
                .map(now -> outcome(FitMatrix.with(List.copyOf(asked.ticked()), now, stored.makesNames(), devices, others), devices));
        boolean allJoin = !devices.isEmpty() && matrix.rows().stream()
                .allMatch(row -> !row.cells().isEmpty() && row.cells().get(0).verdict() == FitMatrix.Verdict.JOINS);
        return new ReadyView(stored.rows(), edited(stored.rows(), asked.network()),
                network.filter(n -> !n.password().isEmpty()).isPresent(),
                matrix.rows().stream().map(ReadyView::line).toList(),
                credentialsAtFault ? network.map(now -> suggestion(now, suggestion(frame, now))) : Optional.empty(),
                network.map(now -> Arrays.stream(NetworkChange.values())
                        .filter(change -> change.applies(now, stored.makesNames(), models(devices)))
                        .map(change -> change(change, others, asked.ticked().contains(change))).toList()).orElse(List.of()),
                chosen, cheapest, allJoin, stored.things(), SafeCredentials.rejoinCost(others), List.of(Band.values()),
                List.of(WifiSecurity.values()));
    }

    /** @param networks with their passwords, in the order of the rows */
    record Stored(List<NetworkRepository.NetworkRow> rows, List<HomeNetwork> networks, boolean makesNames,
            List<OtherThingRepository.OtherThing> things) {}

    static List<FitMatrix.Device> devices(Frame frame) {
        return frame.facts().cameras().stream().map((Camera camera) -> new FitMatrix.Device(camera.name(), camera.model())).toList();
    }

    static SafeCredentials suggestion(Frame frame, HomeNetwork now) {
        return SafeCredentials.nearest(now, models(devices(frame)));
    }

    private static List<DeviceModel> models(List<FitMatrix.Device> devices) {
        return devices.stream().map(FitMatrix.Device::model).toList();
    }

    private static Optional<NetworkRepository.NetworkRow> edited(List<NetworkRepository.NetworkRow> rows, String asked) {
        return asked.isEmpty() ? rows.stream().findFirst()
                : rows.stream().filter(row -> asked.equals(String.valueOf(row.id()))).findFirst();
    }

    private static Suggestion suggestion(HomeNetwork now, SafeCredentials safe) {
        return new Suggestion(safe.name(), !safe.name().equals(now.name()), !safe.password().equals(now.password()),
                safe.password().length());
    }

    private static Line line(FitMatrix.Row row) {
        return new Line(row.device().name(), row.device().model().fullName(), row.cells().stream().map(ReadyView::mark).toList(),
                row.cells().isEmpty() ? List.of() : row.cells().get(0).issues());
    }

    private static Mark mark(FitMatrix.Cell cell) {
        String standing = switch (cell.verdict()) {
            case JOINS -> "kept";
            case JOINS_IF -> "thin";
            case CANNOT -> "broken";
        };
        return new Mark(cell.verdict().words(), standing, cell.issues().stream().map(FitIssue::sentence).collect(Collectors.joining(" ")));
    }

    private static Change change(NetworkChange change, int others, boolean ticked) {
        String minutes = Numbers.fixed(change.minutes(others), 0) + " min"
                + (change.othersRejoin() && others != 0 ? ", " + (others > 0 ? others + " rejoin" : "and what was not counted rejoins")
                        : "");
        return new Change(change.name(), change.words(), change.detail(), minutes, ticked);
    }

    private static Outcome outcome(FitMatrix.Plan plan, List<FitMatrix.Device> devices) {
        int joined = devices.size() - plan.left().size();
        return new Outcome(plan.changes().stream().map(Enum::name).toList(), plan.changes().stream().map(NetworkChange::words).toList(),
                plan.cost(),
                joined + " of " + devices.size() + (devices.size() == 1 ? " camera" : " cameras")
                        + (joined == 1 ? " simply joins" : " simply join"),
                plan.left().stream().map(FitMatrix.Device::name).collect(Collectors.joining(", ")), plan.left().isEmpty(),
                plan.needsPassword());
    }

    /** As typed if the form was sent, else as stored. */
    public boolean bandTicked(Band band, Form form) {
        Set<Band> stored = edited.map(NetworkRepository.NetworkRow::bands).orElse(Set.of(Band.GHZ_2_4));
        return form.has("ssid") ? form.has("band-" + band.name()) : stored.contains(band);
    }

    public boolean hiddenTicked(Form form) {
        return form.has("ssid") ? form.has("hidden") : edited.map(NetworkRepository.NetworkRow::hidden).orElse(false);
    }

    public boolean isolatedTicked(Form form) {
        return form.has("ssid") ? form.has("isolated") : edited.map(NetworkRepository.NetworkRow::isolated).orElse(false);
    }
}
