package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import org.springframework.stereotype.Component;

import roofnest.app.household.Frame;
import roofnest.app.prove.PackDrawer;
import roofnest.app.prove.RemarkRepository;
import roofnest.app.records.StillRepository;
import roofnest.app.prove.TrialRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Language;
import roofnest.app.web.PromiseLine;
import roofnest.app.web.Words;

/** The hand-over pack on paper. */
@Component
class PackPaper implements PackDrawer {
    /** Two pictures of one minute are told apart by a figure of their own. */
    private static final DateTimeFormatter MINUTE = DateTimeFormatter.ofPattern("d MMMM yyyy HH:mm", Locale.ENGLISH);

    private final TrialRepository trials;
    private final StillRepository stills;
    private final HouseholdRepository households;
    private final Words words;
    private final Pdf pdf;
    private final Clock clock;

    PackPaper(TrialRepository trials, StillRepository stills, HouseholdRepository households, Words words,
            Pdf pdf, Clock clock) {
        this.trials = trials;
        this.stills = stills;
        this.households = households;
        this.words = words;
        this.pdf = pdf;
        this.clock = clock;
    }

    @Override
    public List<String> says(Frame frame, List<RemarkRepository.Remark> remarks) {
        List<String> says = new ArrayList<>();
        says.add(frame.household().title());
        for (PromiseLine line : frame.allPromises()) {
            says.add(line.wording() + (line.camera().isEmpty() ? "" : " · " + line.camera()) + ": " + line.word()
                    + (line.standing().equals("untried") ? "" : ", " + line.measured()));
        }
        List<TrialRepository.Trial> tests = trials.of(frame.ref().id());
        frame.cameras().forEach(record -> PackView.rows(frame, record, tests, english())
                .forEach(row -> says.add(record.camera().name() + ", " + row[0] + ": " + row[1])));
        stills.of(frame.ref().id()).forEach((camera, still) -> frame.cameras().stream().filter(record -> record.id() == camera)
                .forEach(record -> says.add(record.camera().name() + ", still of " + still.at().format(MINUTE) + " ("
                        + Integer.toHexString(Arrays.hashCode(still.jpeg())) + ")")));
        PackView.access(frame, english()).forEach(line -> says.add(line.person() + ", " + line.tie() + ", can look by: " + line.cameras()));
        remarks.forEach(remark -> says.add("Remark: " + remark.words() + ", agreed by " + remark.agreedBy()));
        return says.stream().map(line -> line.replaceAll("\\R", " ")).toList();
    }

    @Override
    public String draw(Frame frame, List<RemarkRepository.Remark> remarks, int number) {
        Language language = households.language(frame.ref().id());
        PackView view = PackView.of(frame, frame.cameras(), trials.of(frame.ref().id()), trials.signature(frame.ref().id()), remarks,
                stills.of(frame.ref().id()), new PackWords(words, language));
        return pdf.drawn("documents/pack", frame.ref().staff().firmId(), language,
                Map.of("pack", view, "frame", frame, "date", language.day(LocalDate.now(clock)), "number", number, "hash", HASH_HERE));
    }

    /** What differs is told in the language of the work, whatever the household reads. */
    private PackWords english() {
        return new PackWords(words, Language.ENGLISH);
    }
}
