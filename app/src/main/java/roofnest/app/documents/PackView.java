package roofnest.app.documents;

import java.util.ArrayList;
import java.util.Base64;
import java.util.Set;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

import roofnest.app.web.PromiseLine;
import roofnest.core.trial.Protocol;
import roofnest.core.judge.TestsWanted;
import roofnest.app.care.NextCharges;
import roofnest.app.household.Frame;
import roofnest.app.prove.RemarkRepository;
import roofnest.app.records.StillRepository;
import roofnest.app.prove.TrialRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.drawing.PictureView;
import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.core.access.Access;
import roofnest.core.judge.Camera;
import roofnest.core.judge.FootageKept;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Judged;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.WallCrossings;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.view.Eye;
import roofnest.core.view.Footprint;
import roofnest.core.view.Vision;

/**
 * What the pack says of a household.
 *
 * @param counts of the promises, by how they stand
 */
record PackView(
        FridgePage fridge, String counts, Optional<PlanDrawing> plan, List<OnPlan> onPlan, List<Line> promises, List<CameraSheet> cameras,
        List<AccessLine> access, List<String> charges, Optional<TrialRepository.Signature> signature, String signedOn,
        List<RemarkLine> remarks) {
    /** @param footprint where someone can be told, as a path on the plan */
    record OnPlan(int number, String name, double x, double y, String footprint) {}

    /** @param reason in English only @param standing for the style */
    record Line(String wording, String reason, String standing, String stands, String measured, String limit, String known) {}

    record CameraSheet(int number, String name, String model, Optional<PictureView> picture, Optional<StillLine> still,
            List<String[]> settings, List<String[]> tests, String reset) {
        CameraSheet with(Optional<PictureView> drawn, Optional<StillLine> shown) {
            return new CameraSheet(number, name, model, drawn, shown, settings, tests, reset);
        }
    }

    /** @param data the picture itself, as an address @param words when it was taken and by whom */
    record StillLine(String data, String words) {
        static StillLine of(StillRepository.Still still, PackWords words) {
            return new StillLine("data:image/jpeg;base64," + Base64.getEncoder().encodeToString(still.jpeg()),
                    words.say("still", words.day(still.at().toLocalDate()), still.by()));
        }
    }

    /** @param about what is taken as it is */
    record RemarkLine(String about, String words, String agreedBy) {}

    record AccessLine(String person, String tie, String cameras) {}

    static PackView of(
            Frame frame, List<CameraRepository.Record> cameras, List<TrialRepository.Trial> trials,
            Optional<TrialRepository.Signature> signature, List<RemarkRepository.Remark> remarks,
            Map<Long, StillRepository.Still> stills, PackWords words) {
        Optional<HousePlan> plan = frame.facts().plan();
        List<OnPlan> onPlan = new ArrayList<>();
        List<CameraSheet> sheets = new ArrayList<>();
        for (CameraRepository.Record record : cameras) {
            int number = sheets.size() + 1;
            plan.ifPresent(p -> onPlan.add(onPlan(number, record.camera(), p)));
            sheets.add(sheet(number, record, trials, promises(frame), frame.facts(), words).with(
                    frame.judge().house().map(house -> PictureView.of(house, frame.facts(), record.camera(), false)),
                    Optional.ofNullable(stills.get(record.id())).map(still -> StillLine.of(still, words))));
        }
        return new PackView(FridgePage.of(frame, words), words.counts(frame.judgement().promises()),
                plan.map(p -> PlanDrawing.of(p, p.storeys().get(0))), onPlan,
                frame.judgement().promises().stream().map(judged -> line(judged, frame, words)).toList(), sheets, access(frame, words),
                NextCharges.of(frame).stream()
                        .map(due -> words.say("battery-line", due.camera(), words.day(due.on()), due.percent())).toList(),
                signature, signature.map(each -> words.day(each.at().toLocalDate())).orElse(""),
                remarks.stream().map(remark -> remark(frame, remark, words)).toList());
    }

    private static Line line(Judged judged, Frame frame, PackWords words) {
        PromiseLine line = PromiseLine.of(judged, frame.facts());
        return new Line(words.promise(judged, frame.facts()) + (line.camera().isEmpty() ? "" : " · " + line.camera()),
                words.english() ? line.reason() : "", line.standing(), words.standing(judged.finding()),
                words.measured(judged.finding(), line), words.limit(judged.finding()), words.evidence(judged));
    }

    private static RemarkLine remark(Frame frame, RemarkRepository.Remark remark, PackWords words) {
        String by = remark.agreedBy() + ", " + words.day(remark.at().toLocalDate());
        Optional<Judged> about = frame.judgement().promises().stream()
                .filter(judged -> judged.finding().promise().value().equals(remark.about())).findFirst();
        if (words.english()) {
            return new RemarkLine(about.map(judged -> line(judged, frame, words).wording() + ": " + remark.stands())
                    .orElse("Not passed: " + remark.stands()), remark.words(), by);
        }
        return new RemarkLine(about.map(judged -> line(judged, frame, words)).map(line -> line.wording() + ": " + line.stands())
                .orElseGet(() -> words.say("tests-missing")), remark.words(), by);
    }

    /** Settings and tests of a camera, each with what it is. */
    static List<String[]> rows(Frame frame, CameraRepository.Record record, List<TrialRepository.Trial> trials, PackWords words) {
        CameraSheet sheet = sheet(0, record, trials, promises(frame), frame.facts(), words);
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

    /** Where it is kept for longest, and for how long. */
    private static String footage(HouseholdFacts facts, Camera camera, PackWords words) {
        return FootageKept.of(facts, camera).longest().map(at -> {
            String days = words.number(Math.floor(at.days()), 0);
            return at.stops() ? words.say("footage-stops", days) : switch (at.place()) {
                case CARD -> words.say("footage-of", days);
                case HUB -> words.say("footage-hub", days);
                case RECORDER -> words.say("footage-recorder", days);
                case CLOUD -> words.say("footage-cloud", days, facts.footage().of(camera.id()).plan().orElseThrow().name());
            };
        }).orElseGet(() -> words.say("footage-none"));
    }

    private static CameraSheet sheet(int number, CameraRepository.Record record, List<TrialRepository.Trial> trials,
            List<Promise> promises, HouseholdFacts facts, PackWords words) {
        Climate climate = facts.climate();
        Camera camera = record.camera();
        Camera.Settings set = camera.settings();
        List<String[]> settings = List.of(
                row(words.say("hangs"), words.say("hangs-at", words.number(camera.pose().heightM(), 2),
                        words.number(camera.pose().headingDeg(), 0), words.number(camera.pose().tiltDeg(), 0))),
                row(words.say("clips"), words.say("clips-of", set.clipSeconds(), set.coolDownSeconds())),
                row(words.say("card"), set.cardGb() == 0 ? words.say("card-none") : words.say("card-of", set.cardGb())),
                row(words.say("footage"), footage(facts, camera, words)),
                row(words.say("masked"),
                        camera.masked().isEmpty() ? words.say("masked-none") : words.say("masked-of", camera.masked().size())),
                row(words.say("serial"), record.serial() == null ? words.say("serial-none") : record.serial()),
                row(words.say("sticker"), record.stickerKept() == null ? camera.model().setUp().stickerPlace() : record.stickerKept()));
        List<String[]> tests = new ArrayList<>();
        for (Protocol kind : TestsWanted.of(camera, promises, climate)) {
            if (kind == Protocol.WALK) {
                tests.add(test(words.say("test.WALK_DAY"), kind, trials,
                        of(camera, kind).and(trial -> trial.light().equals(Optional.of(Light.DAY))), words));
                tests.add(test(words.say("test.WALK_NIGHT"), kind, trials,
                        of(camera, kind).and(trial -> trial.light().equals(Optional.of(Light.NIGHT))), words));
            } else {
                tests.add(test(words.say("test." + kind.name()), kind, trials, of(camera, kind), words));
            }
        }
        return new CameraSheet(number, camera.name(), camera.model().fullName(), Optional.empty(), Optional.empty(), settings, tests,
                camera.model().setUp().reset());
    }

    private static String[] row(String what, String value) {
        return new String[] {what, value};
    }

    private static Predicate<TrialRepository.Trial> of(Camera camera, Protocol kind) {
        return trial -> trial.cameraId() == camera.id() && trial.kind() == kind && trial.decided() && !trial.onStandIns();
    }

    private static String[] test(String title, Protocol kind, List<TrialRepository.Trial> trials, Predicate<TrialRepository.Trial> which,
            PackWords words) {
        return row(title, trials.stream().filter(which).reduce((older, newer) -> newer).map(trial -> words.say(
                trial.passed() ? "passed" : "failed", words.day(trial.decidedAt().toLocalDate()), trial.decidedBy())
                + (words.english() ? ". " + trial.said() + (trial.timed() == null ? "" : " (" + trial.timed().words() + ")") : ""))
                .orElseGet(() -> words.say(
                        kind == Protocol.FROST ? "frost-later" : kind.later() ? "test-later" : "untried")));
    }

    /**
     * By name, by what they know and by which screens: what opens a camera stands here, however it was given. People of the firm do not:
     * the house is not handed over while any of them can look.
     */
    static List<AccessLine> access(Frame frame, PackWords words) {
        Access access = frame.facts().access();
        List<AccessLine> lines = new ArrayList<>();
        for (Access.Person person : access.people().stream().filter(each -> each.tie() != Access.Tie.FIRM).toList()) {
            List<String> ways = new ArrayList<>(access.waysOf(person.id(), frame.facts().kit()).stream()
                    .map(way -> words.english() ? way.how() : way(person, way, frame, words)).toList());
            access.grants().stream().filter(grant -> grant.personId() == person.id()).flatMap(grant -> grant.until().stream()).distinct()
                    .forEach(until -> ways.add(words.say("looks-until", words.day(until))));
            lines.add(new AccessLine(person.name(), words.english() ? person.tie().words() : words.say("tie." + person.tie().name()),
                    ways.isEmpty() ? words.say("looks-nothing") : String.join("; ", ways)));
        }
        access.screens().forEach(screen -> lines.add(new AccessLine(screen.name(), words.say("screen", screen.room()),
                names(screen.cameraIds(), frame))));
        return lines;
    }

    private static String way(Access.Person person, Access.Way way, Frame frame, PackWords words) {
        String cameras = names(way.cameraIds(), frame);
        if (way.secret().isPresent()) {
            return words.say("looks-knows", cameras);
        }
        return way.cameraIds().stream().findFirst().flatMap(camera -> frame.facts().access().grant(person.id(), camera))
                .map(grant -> words.say("looks-by", words.say("role." + grant.role().name()), cameras))
                .orElseGet(() -> words.say("looks-seen", cameras));
    }

    private static String names(Set<Long> ids, Frame frame) {
        return frame.facts().cameras().stream().filter(camera -> ids.contains(camera.id())).map(Camera::name)
                .collect(Collectors.joining(", "));
    }
}
