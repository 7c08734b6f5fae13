package roofnest.app.documents;

import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

import roofnest.core.trial.Protocol;
import roofnest.core.judge.TestsWanted;
import roofnest.app.care.NextCharges;
import roofnest.app.household.Frame;
import roofnest.app.prove.RemarkRepository;
import roofnest.app.prove.StillRepository;
import roofnest.app.prove.TrialRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.drawing.PictureView;
import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.core.access.Access;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Judged;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.view.Eye;
import roofnest.core.view.Footprint;
import roofnest.core.view.Vision;

/** What the pack says of a household. */
record PackView(
        FridgePage fridge, Optional<PlanDrawing> plan, List<OnPlan> onPlan, List<CameraSheet> cameras, List<AccessLine> access,
        List<NextCharges.Due> charges,
        Optional<TrialRepository.Signature> signature, List<RemarkLine> remarks, List<String> cautions) {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    /** @param footprint where someone can be told, as a path on the plan */
    record OnPlan(int number, String name, double x, double y, String footprint) {}

    record CameraSheet(int number, String name, String model, Optional<PictureView> picture, Optional<StillLine> still,
            List<String[]> settings,
            List<String[]> tests, String reset) {
        CameraSheet with(Optional<PictureView> drawn, Optional<StillLine> shown) {
            return new CameraSheet(number, name, model, drawn, shown, settings, tests, reset);
        }
    }

    /** @param data the picture itself, as an address @param words when it was taken and by whom */
    record StillLine(String data, String words) {
        static StillLine of(StillRepository.Still still) {
            return new StillLine("data:image/jpeg;base64," + Base64.getEncoder().encodeToString(still.jpeg()),
                    "What the camera shows: a still, " + still.at().format(DAY) + ", by " + still.by() + ".");
        }
    }

    /** @param about what is taken as it is */
    record RemarkLine(String about, String words, String agreedBy, OffsetDateTime at) {}

    record AccessLine(String person, String tie, String cameras) {}

    static PackView of(
            Frame frame, List<CameraRepository.Record> cameras, List<TrialRepository.Trial> trials,
            Optional<TrialRepository.Signature> signature, List<RemarkRepository.Remark> remarks,
            Map<Long, StillRepository.Still> stills) {
        Optional<HousePlan> plan = frame.facts().plan();
        List<OnPlan> onPlan = new ArrayList<>();
        List<CameraSheet> sheets = new ArrayList<>();
        for (CameraRepository.Record record : cameras) {
            int number = sheets.size() + 1;
            plan.ifPresent(p -> onPlan.add(onPlan(number, record.camera(), p)));
            sheets.add(sheet(number, record, trials, promises(frame)).with(
                    frame.judge().house().map(house -> PictureView.of(house, frame.facts(), record.camera(), false)),
                    Optional.ofNullable(stills.get(record.id())).map(StillLine::of)));
        }
        return new PackView(FridgePage.of(frame), plan.map(p -> PlanDrawing.of(p, p.storeys().get(0))), onPlan, sheets, access(frame),
                NextCharges.of(frame),
                signature, remarks.stream().map(remark -> remark(frame, remark)).toList(),
                List.of("Cameras are not life-safety alarms. Smoke and carbon-monoxide alarms stay where they are.",
                        "Recording sound, neighbours, tenants and staff is ruled differently from place to place. Ask locally, "
                                + "and put up signs where they are asked for.",
                        "Lithium packs: the maker's charger only, never below freezing, never one that is swollen.",
                        "Ladders: firm ground, three points of contact, never in lightning or high wind.",
                        "Mains work outdoors is for a licensed electrician and the local code."));
    }

    private static RemarkLine remark(Frame frame, RemarkRepository.Remark remark) {
        String about = frame.allPromises().stream().filter(line -> line.key().equals(remark.about()))
                .map(line -> line.wording() + (line.camera().isEmpty() ? "" : " · " + line.camera()) + ": " + remark.stands()).findFirst()
                .orElse("Not passed: " + remark.stands());
        return new RemarkLine(about, remark.words(), remark.agreedBy(), remark.at());
    }

    /** Settings and tests of a camera, each with what it is. */
    static List<String[]> rows(Frame frame, CameraRepository.Record record, List<TrialRepository.Trial> trials) {
        CameraSheet sheet = sheet(0, record, trials, promises(frame));
        List<String[]> rows = new ArrayList<>(sheet.settings());
        rows.addAll(sheet.tests());
        return rows;
    }

    private static OnPlan onPlan(int number, Camera camera, HousePlan plan) {
        Footprint footprint = new Footprint(new Vision(new Eye(new WallCrossings(plan), camera.model().lens(), camera.pose()),
                camera.model().mask(), camera.masked()));
        return new OnPlan(number, camera.name(), camera.pose().xM(), -camera.pose().yM(),
                Svg.area(footprint.seen(DetailLevel.DETECT, false)));
    }

    private static List<Promise> promises(Frame frame) {
        return frame.judgement().promises().stream().map(Judged::promise).toList();
    }

    private static CameraSheet sheet(int number, CameraRepository.Record record, List<TrialRepository.Trial> trials,
            List<Promise> promises) {
        Camera camera = record.camera();
        List<String[]> settings = new ArrayList<>();
        settings.add(new String[] {"Hangs at",
            Numbers.fixed(camera.pose().heightM(), 2) + " m, looks " + Numbers.fixed(camera.pose().headingDeg(), 0) + "°, tilt "
                    + Numbers.fixed(camera.pose().tiltDeg(), 0) + "°"});
        settings.add(
                new String[] {"Clips", camera.settings().clipSeconds() + " s, then " + camera.settings().coolDownSeconds() + " s of rest"});
        settings.add(new String[] {"Card", camera.settings().cardGb() == 0 ? "none" : camera.settings().cardGb() + " GB, in the camera"});
        settings.add(
                new String[] {"Blacked out", camera.masked().isEmpty() ? "nothing" : camera.masked().size() + " cells of the picture"});
        settings.add(new String[] {"Serial", record.serial() == null ? "not noted" : record.serial()});
        settings.add(new String[] {"Sticker", record.stickerKept() == null ? camera.model().setUp().stickerPlace() : record.stickerKept()});
        List<String[]> tests = new ArrayList<>();
        for (Protocol kind : TestsWanted.of(camera, promises)) {
            if (kind == Protocol.WALK) {
                tests.add(test(kind.title() + ", by day", false, trials,
                        of(camera, kind).and(trial -> trial.light().equals(Optional.of(Light.DAY)))));
                tests.add(test(kind.title() + ", in the dark", false, trials,
                        of(camera, kind).and(trial -> trial.light().equals(Optional.of(Light.NIGHT)))));
            } else {
                tests.add(test(kind.title(), kind.later(), trials, of(camera, kind)));
            }
        }
        return new CameraSheet(number, camera.name(), camera.model().fullName(), Optional.empty(), Optional.empty(), settings,
                tests,
                camera.model().setUp().reset());
    }

    private static Predicate<TrialRepository.Trial> of(Camera camera, Protocol kind) {
        return trial -> trial.cameraId() == camera.id() && trial.kind() == kind && trial.decided() && !trial.onStandIns();
    }

    private static String[] test(String title, boolean later, List<TrialRepository.Trial> trials, Predicate<TrialRepository.Trial> which) {
        return new String[] {title, trials.stream().filter(which).reduce((older, newer) -> newer)
                .map(trial -> (trial.passed() ? "passed. " : "failed. ") + trial.said()
                        + (trial.timed() == null ? "" : " (" + trial.timed().words() + ")"))
                .orElse(later ? "to be counted a week after the first clip" : "not tried")};
    }

    /**
     * By name, by what they know and by which screens: what opens a camera stands here, however it was given. People of the firm do not:
     * the house is not handed over while any of them can look.
     */
    static List<AccessLine> access(Frame frame) {
        Access access = frame.facts().access();
        List<AccessLine> lines = new ArrayList<>();
        for (Access.Person person : access.people().stream().filter(each -> each.tie() != Access.Tie.FIRM).toList()) {
            List<String> ways = new ArrayList<>(access.waysOf(person.id(), frame.facts().kit()).stream().map(Access.Way::how).toList());
            access.grants().stream().filter(grant -> grant.personId() == person.id()).flatMap(grant -> grant.until().stream()).distinct()
                    .forEach(until -> ways.add("as a guest until " + until.format(DAY)));
            lines.add(new AccessLine(person.name(), person.tie().words(), ways.isEmpty() ? "nothing" : String.join("; ", ways)));
        }
        access.screens()
                .forEach(screen -> lines.add(new AccessLine(screen.name(), "in the " + screen.room(), frame.facts().cameras().stream()
                        .filter(camera -> screen.cameraIds().contains(camera.id())).map(Camera::name).collect(Collectors.joining(", ")))));
        return lines;
    }
}
