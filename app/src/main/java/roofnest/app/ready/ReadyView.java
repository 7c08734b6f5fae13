package roofnest.app.ready;

import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.app.household.Frame;
import roofnest.app.web.Form;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.FitIssue;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.SafeCredentials;

/**
 * The network sheet.
 *
 * @param suggestion a safe name and a word on the password, when the present ones do not suit every camera
 */
record ReadyView(
        Optional<NetworkRepository.NetworkRow> network, boolean passwordSealed, List<Fit> fits, Optional<Suggestion> suggestion,
        List<NetworkRepository.OtherThing> things, String rejoinCost, List<Band> bands, List<WifiSecurity> securities) {

    /** One camera against the network. */
    record Fit(String camera, String model, String verdict, String standing, List<FitIssue> issues) {}

    record Suggestion(String name, boolean nameChanges, boolean passwordChanges, int passwordLength) {}

    static ReadyView of(Frame frame, Optional<NetworkRepository.NetworkRow> row, List<NetworkRepository.OtherThing> things) {
        Optional<HomeNetwork> network = frame.facts().network();
        List<Fit> fits = network.map(n -> frame.facts().cameras().stream().map(camera -> fit(camera, n)).toList()).orElse(List.of());
        boolean credentialsAtFault = network.isPresent() && frame.facts().cameras().stream()
                .flatMap(camera -> CredentialFit.judge(network.get(), camera.model()).stream())
                .anyMatch(issue -> issue.field() == FitIssue.Field.NAME || issue.field() == FitIssue.Field.PASSWORD);
        Optional<Suggestion> suggestion = credentialsAtFault
                ? network.map(now -> suggestion(now, suggestion(frame, now))) : Optional.empty();
        return new ReadyView(row, network.filter(n -> !n.password().isEmpty()).isPresent(), fits, suggestion, things,
                SafeCredentials.rejoinCost(things.stream().mapToInt(NetworkRepository.OtherThing::howMany).sum()),
                List.of(Band.values()), List.of(WifiSecurity.values()));
    }

    static SafeCredentials suggestion(Frame frame, HomeNetwork now) {
        List<DeviceModel> models = frame.facts().cameras().stream().map(Camera::model).toList();
        return SafeCredentials.nearest(now, models);
    }

    private static Suggestion suggestion(HomeNetwork now, SafeCredentials safe) {
        return new Suggestion(safe.name(), !safe.name().equals(now.name()), !safe.password().equals(now.password()), safe.password().length());
    }

    private static Fit fit(Camera camera, HomeNetwork network) {
        List<FitIssue> issues = CredentialFit.judge(network, camera.model());
        boolean blocked = issues.stream().anyMatch(FitIssue::blocks);
        String verdict = blocked ? "cannot join" : issues.isEmpty() ? "joins" : "joins if…";
        return new Fit(camera.name(), camera.model().fullName(), verdict, blocked ? "broken" : issues.isEmpty() ? "kept" : "thin", issues);
    }

    /** As typed if the form was sent, else as stored. */
    public boolean bandTicked(Band band, Form form) {
        Set<Band> stored = network.map(NetworkRepository.NetworkRow::bands).orElse(Set.of(Band.GHZ_2_4));
        return form.has("ssid") ? form.has("band-" + band.name()) : stored.contains(band);
    }

    public boolean hiddenTicked(Form form) {
        return form.has("ssid") ? form.has("hidden") : network.map(NetworkRepository.NetworkRow::hidden).orElse(false);
    }
}
