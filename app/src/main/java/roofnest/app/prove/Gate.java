package roofnest.app.prove;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.web.PromiseLine;

/**
 * What stands before the signature: every promise is kept, or the householder has said, of each on its own, that they take it as it is;
 * tests that were not made are named, and taken or made as well.
 *
 * @param open what nobody has said anything of yet
 * @param agreed what is taken as it is, and still stands so
 */
public record Gate(List<Open> open, List<Agreed> agreed) {
    /** What a remark on tests that were not made is about. */
    public static final String TESTS = "tests";

    /** @param about key of the promise, or {@link #TESTS} @param stands in words */
    public record Open(String about, String wording, String stands, String why) {
        /** Field of what was agreed. */
        public String remark() {
            return "remark-" + about;
        }

        /** Field of who agreed. */
        public String agreed() {
            return "agreed-" + about;
        }
    }

    public record Agreed(Open what, RemarkRepository.Remark remark) {}

    static Gate of(Frame frame, ProveView prove, List<RemarkRepository.Remark> remarks) {
        List<Open> all = new ArrayList<>();
        for (PromiseLine line : frame.allPromises()) {
            if (!line.standing().equals("kept") && !line.standing().equals("thin")) {
                all.add(new Open(line.key(), line.wording() + (line.camera().isEmpty() ? "" : " · " + line.camera()),
                        line.word() + (line.standing().equals("untried") ? "" : ", " + line.measured()), line.reason()));
            }
        }
        missingTests(prove).ifPresent(all::add);
        Map<String, RemarkRepository.Remark> byAbout = new HashMap<>();
        remarks.forEach(remark -> byAbout.put(remark.about(), remark));
        List<Open> open = new ArrayList<>();
        List<Agreed> agreed = new ArrayList<>();
        for (Open each : all) {
            RemarkRepository.Remark remark = byAbout.get(each.about());
            if (remark != null && remark.stands().equals(each.stands())) {
                agreed.add(new Agreed(each, remark));
            } else {
                open.add(each);
            }
        }
        return new Gate(List.copyOf(open), List.copyOf(agreed));
    }

    /** By name, so that a test not made later on is not taken for one that was spoken of. */
    private static Optional<Open> missingTests(ProveView prove) {
        List<String> missing = prove.cameras().stream().flatMap(camera -> camera.tests().stream()
                .filter(test -> !test.standing().equals("kept") && !(test.kind().later() && test.standing().equals("untried")))
                .map(test -> test.kind().title() + " of " + camera.name()
                        + (test.standing().equals("broken") ? " (failed)" : "")))
                .toList();
        return missing.isEmpty() ? Optional.empty()
                : Optional.of(new Open(TESTS, missing.size() == 1 ? "One test was not passed" : missing.size() + " tests were not passed",
                        String.join("; ", missing), String.join("; ", missing) + "."));
    }
}
