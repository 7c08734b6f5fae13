package roofnest.app.care;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.records.MountPhotoRepository;
import roofnest.app.records.StillRepository;
import roofnest.app.records.TermRepository;
import roofnest.core.care.Coming;
import roofnest.core.care.WarrantyClaim;

/** What is at hand of a device that broke: serial, days, what was tried, pictures. */
@Service
public class Warranties {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final TermRepository terms;
    private final FaultCaseRepository cases;
    private final LogRepository log;
    private final StillRepository stills;
    private final MountPhotoRepository photos;

    Warranties(TermRepository terms, FaultCaseRepository cases, LogRepository log, StillRepository stills, MountPhotoRepository photos) {
        this.terms = terms;
        this.cases = cases;
        this.log = log;
        this.stills = stills;
        this.photos = photos;
    }

    /**
     * @param covered whether a warranty holds, in a sentence
     * @param lines what is known of the device, a name and a value each
     * @param tried what was asked and tried about it in calls, the latest call first
     * @param history entries of the log about it, the latest first
     * @param photo of the finished mount; empty where none is kept. @param still what it showed; empty where none is kept
     */
    public record Claim(String covered, List<String> missing, List<Line> lines, List<String> tried, List<String> history,
            Optional<byte[]> photo, Optional<byte[]> still) {}

    public record Line(String name, String value) {}

    public Claim of(Frame frame, CameraRepository.Record record) {
        HouseholdRef ref = frame.ref();
        LocalDate today = frame.facts().today();
        Optional<LocalDate> until = terms.of(ref.id()).stream().filter(row -> row.kind() == Coming.Kind.WARRANTY && (row.cameraId() == null
                || row.cameraId() == record.id())).map(TermRepository.Row::on).max(LocalDate::compareTo);
        List<String> tried = new ArrayList<>();
        cases.of(ref.id()).stream().filter(each -> each.cameraId() == record.id()).forEach(each -> tried.addAll(tried(each)));
        Optional<byte[]> photo = photos.find(ref.id(), record.id()).map(MountPhotoRepository.Photo::jpeg);
        Optional<byte[]> still = stills.jpeg(ref.id(), record.id());
        String serial = record.serial() == null ? "" : record.serial();
        WarrantyClaim claim = WarrantyClaim.of(new WarrantyClaim.Known(serial, Optional.ofNullable(record.joinedAt()).map(
                OffsetDateTime::toLocalDate), until, !tried.isEmpty(), photo.isPresent() || still.isPresent()), today);
        List<Line> lines = new ArrayList<>(List.of(new Line("Device", record.camera().model().fullName()), new Line("Serial", serial
                .isEmpty() ? "not noted" : serial), new Line("In use since", record.joinedAt() == null ? "never joined"
                        : DAY.format(record.joinedAt())),
                new Line("Hung", record.mountedAt() == null ? "not said" : DAY.format(record
                        .mountedAt()))));
        until.ifPresent(day -> lines.add(new Line("Warranty until", DAY.format(day))));
        return new Claim(claim.covered().words(until.map(DAY::format).orElse("")), claim.missing(), lines, tried, log.of(ref.id()).stream()
                .filter(entry -> entry.cameraId() != null && entry.cameraId() == record.id()).map(entry -> DAY.format(entry.on()) + ": "
                        + entry.kind().words() + ". " + entry.words())
                .toList(), photo, still);
    }

    private static List<String> tried(FaultCaseRepository.Case of) {
        List<String> lines = new ArrayList<>();
        lines.add(DAY.format(of.openedAt()) + (of.said().isEmpty() ? "" : ": “" + of.said() + "”"));
        of.steps().stream().map(CaseView::done).forEach(done -> lines.add(done.what() + ": " + done.answer()));
        if (of.cause() != null) {
            lines.add("It was: " + of.cause().words() + ".");
        }
        return lines;
    }

    /** What somebody found it to be, as the claim's entry names it. */
    static String entry(CameraRepository.Record record, String fault) {
        return "Warranty: " + record.camera().model().fullName() + (record.serial() == null ? "" : ", serial " + record.serial()) + ". "
                + fault;
    }
}
