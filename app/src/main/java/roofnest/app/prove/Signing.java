package roofnest.app.prove;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.web.Form;
import roofnest.core.promise.Stage;
import roofnest.core.plan.HousePlan;
import roofnest.core.trial.FootageKept;
import roofnest.core.trial.Protocol;

/** The householder's word: for what is not kept, and under the whole, which is frozen by it. */
@Service
public class Signing {
    private static final String FOOTAGE_DUE = "The footage of a week is to be counted: ";
    private static final String FROST_DUE = "After the first frost these are to be looked at: ";

    private final Frames frames;
    private final TrialRepository trials;
    private final RemarkRepository remarks;
    private final IssueRepository issues;
    private final PackDrawer drawer;
    private final Changes changes;
    private final LogRepository log;
    private final Clock clock;

    Signing(Frames frames, TrialRepository trials, RemarkRepository remarks, IssueRepository issues, PackDrawer drawer, Changes changes,
            LogRepository log, Clock clock) {
        this.frames = frames;
        this.trials = trials;
        this.remarks = remarks;
        this.issues = issues;
        this.drawer = drawer;
        this.changes = changes;
        this.log = log;
        this.clock = clock;
    }

    /**
     * Where the signature stands.
     *
     * @param issues newest first
     * @param differs what the newest issue says and is so no longer, or the other way round; empty when it still is so
     * @param shown names what the pack says now: a signature is given under what was shown, and under nothing else
     */
    public record State(Gate gate, List<IssueRepository.Issue> issues, List<String> differs, String shown) {
        Optional<IssueRepository.Issue> newest() {
            return issues.stream().findFirst();
        }
    }

    public State state(Frame frame) {
        long household = frame.ref().id();
        List<RemarkRepository.Remark> said = remarks.of(household);
        List<IssueRepository.Issue> signed = issues.of(household);
        List<String> says = drawer.says(frame, holding(frame, said));
        return new State(gate(frame, said), signed, signed.isEmpty() ? List.of() : differs(signed.get(0).says(), says), shown(says));
    }

    private static String shown(List<String> says) {
        return sha256(String.join("\n", says));
    }

    private Gate gate(Frame frame, List<RemarkRepository.Remark> said) {
        return Gate.of(frame, ProveView.of(frame, frame.cameras(), trials.of(frame.ref().id()), Optional.empty()), said);
    }

    /** Remarks that hold: what they were about still stands as it did. */
    private List<RemarkRepository.Remark> holding(Frame frame, List<RemarkRepository.Remark> said) {
        return gate(frame, said).agreed().stream().map(Gate.Agreed::remark).toList();
    }

    /** The pack as it would be signed now. */
    public String draft(Frame frame) {
        return drawer.draw(frame, holding(frame, remarks.of(frame.ref().id())), 0).replace(PackDrawer.HASH_HERE, "");
    }

    /** Keeps what was agreed of each open thing that both fields are filled of. @return how many */
    public int remark(HouseholdRef ref, Form form) {
        return changes.make(ref, Stage.PROVE, () -> {
            int kept = 0;
            for (Gate.Open open : gate(frames.frame(ref, Stage.PROVE), remarks.of(ref.id())).open()) {
                if (form.raw(open.remark()).isBlank() && form.raw(open.agreed()).isBlank()) {
                    continue;
                }
                String words = form.text(open.remark(), "what was agreed", 300);
                String agreedBy = form.text(open.agreed(), "who of the household takes it so", 80);
                if (form.faultAt(open.remark()) == null && form.faultAt(open.agreed()) == null) {
                    remarks.keep(ref.id(), open.about(), open.stands(), words, agreedBy, ref.by());
                    kept++;
                }
            }
            if (kept == 0 && form.ok()) {
                form.fault("remarks", "Write what was agreed, and who agreed to it.");
            }
            return kept;
        });
    }

    /** Freezes the pack as it stands, under the household's lock; refused at the form while something is open. */
    public void sign(HouseholdRef ref, String signer, String strokes, Form form) {
        changes.run(ref, Stage.PROVE, () -> {
            Frame frame = frames.frame(ref, Stage.PROVE);
            List<RemarkRepository.Remark> said = remarks.of(ref.id());
            List<String> open = new ArrayList<>(gate(frame, said).open().stream().map(each -> each.wording() + ": " + each.stands()
                    + ". Prove it, or write what the householder says of it.").toList());
            if (frame.cameras().isEmpty()) {
                open.add("There is no camera yet.");
            }
            if (!form.raw("shown").equals(shown(drawer.says(frame, holding(frame, said))))) {
                open.add("What the pack says has changed since this page was shown. Read it as it stands now, and sign that.");
            }
            if (!open.isEmpty()) {
                form.refuse("gate", open);
            }
            if (!form.ok()) {
                return;
            }
            trials.sign(ref.id(), signer, strokes);
            int number = issues.of(ref.id()).stream().findFirst().map(IssueRepository.Issue::number).orElse(0) + 1;
            List<RemarkRepository.Remark> holding = holding(frame, said);
            String document = drawer.draw(frame, holding, number);
            String hash = sha256(document);
            later(ref, frame);
            issues.add(ref.id(), number, signer, ref.by(), document.replace(PackDrawer.HASH_HERE, hash), drawer.says(frame, holding), hash);
        });
    }

    /** What can only be seen later stays open in the log, with its day: a week's footage, the first frost. */
    private void later(HouseholdRef ref, Frame frame) {
        LocalDate today = LocalDate.now(clock);
        later(ref, frame, Protocol.FOOTAGE, FOOTAGE_DUE, today.plusDays(FootageKept.LEAST_DAYS));
        frame.facts().climate().firstFrost(today, frame.facts().plan().map(HousePlan::latitudeDeg).orElse(0.0))
                .ifPresent(day -> later(ref, frame, Protocol.FROST, FROST_DUE, day));
    }

    private void later(HouseholdRef ref, Frame frame, Protocol kind, String words, LocalDate day) {
        List<String> due = ProveView.of(frame, frame.cameras(), trials.of(ref.id()), Optional.empty()).cameras().stream()
                .filter(camera -> camera.joined() && camera.tests().stream()
                        .anyMatch(test -> test.kind() == kind && test.standing().equals("untried")))
                .map(ProveView.CameraTests::name).toList();
        boolean noted = log.of(ref.id()).stream().anyMatch(entry -> entry.words().startsWith(words));
        if (!due.isEmpty() && !noted) {
            log.add(ref.id(), new LogRepository.Said(null, LogRepository.Kind.NOTE, words + String.join(", ", due) + ".",
                    LocalDate.now(clock), day), ref.by());
        }
    }

    static String sha256(String document) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(document.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<String> differs(List<String> then, List<String> now) {
        List<String> gone = new ArrayList<>(then);
        now.forEach(gone::remove);
        List<String> come = new ArrayList<>(now);
        then.forEach(come::remove);
        List<String> differs = new ArrayList<>();
        gone.forEach(line -> differs.add("no longer: " + line));
        come.forEach(line -> differs.add("now: " + line));
        return differs;
    }
}
