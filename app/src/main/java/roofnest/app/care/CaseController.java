package roofnest.app.care;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CasePhotoRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.FaultCaseRepository.Season;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Says;
import roofnest.core.fault.CaseCounts;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.Question;
import roofnest.core.fault.Situation;
import roofnest.core.promise.Stage;

/** A call about a camera that no longer does what it did: what to ask next, what to try, and what it was. */
@Controller
class CaseController {
    private static final int LONGEST_SAID = 400;

    private final Frames frames;
    private final Changes changes;
    private final FaultCaseRepository cases;
    private final CameraRepository cameras;
    private final CasePhotoRepository photos;
    private final CaseMoneys moneys;
    private final LogRepository log;
    private final FaultFinder finder;
    private final Clock clock;

    CaseController(Frames frames, Changes changes, FaultCaseRepository cases, CameraRepository cameras,
            CasePhotoRepository photos, CaseMoneys moneys, LogRepository log, FaultFinder finder, Clock clock) {
        this.moneys = moneys;
        this.photos = photos;
        this.frames = frames;
        this.changes = changes;
        this.cases = cases;
        this.cameras = cameras;
        this.log = log;
        this.finder = finder;
        this.clock = clock;
    }

    @PostMapping("/households/{household}/care/cases")
    @Says("The case is open.")
    String open(HouseholdRef ref, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.CARE);
        Optional<CameraRepository.Record> about = frame.cameras().stream().filter(each -> String.valueOf(each.id()).equals(form.raw(
                "about"))).findFirst();
        if (about.isEmpty()) {
            throw new Conflict("That camera is not in the house any more. Choose another one.");
        }
        String said = form.optionalText("said", LONGEST_SAID);
        if (!form.ok()) {
            throw new BadInput(form.faultAt("said"));
        }
        long id = changes.<Long>aside(ref.id(),
                () -> cases.open(ref.id(), about.get().id(), said, about.get().camera().model().key(), Season
                        .of(frame.facts().today(), Situations.latitude(frame.facts())), ref.by()));
        return back(ref, id);
    }

    @GetMapping("/households/{household}/care/cases/{case}")
    String call(HouseholdRef ref, @PathVariable("case") long id, Form form, Model model) {
        return page(ref, id, form, model);
    }

    @PostMapping("/households/{household}/care/cases/{case}/answer")
    @Says("The answer is written down.")
    String answer(HouseholdRef ref, @PathVariable("case") long id, Form form, Model model) {
        Question question = form.choice("question", "a question", Question.class);
        int answer = question == null ? 0 : form.whole("answer", "one of the answers", Question.UNKNOWN, question.answers().size() - 1, "");
        int version = form.version();
        return form.save(() -> changes.aside(ref.id(), () -> {
            FaultCaseRepository.Case now = cases.get(ref.id(), id);
            if (now.answers().stream().anyMatch(each -> each.question() == question)) {
                throw new Conflict("That was answered already. Take the answer back first.");
            }
            cases.add(ref.id(), now, new FaultCaseRepository.Step(question.name(), answer, null, ref.by(), OffsetDateTime.now(clock)),
                    version);
            return null;
        })) ? back(ref, id) : page(ref, id, form, model);
    }

    @PostMapping("/households/{household}/care/cases/{case}/undo")
    @Says("The last step is taken back.")
    String undo(HouseholdRef ref, @PathVariable("case") long id, Form form, Model model) {
        int version = form.version();
        return form.save(() -> changes.aside(ref.id(), () -> {
            cases.undo(ref.id(), cases.get(ref.id(), id), version);
            return null;
        })) ? back(ref, id) : page(ref, id, form, model);
    }

    /** A cure was tried: it works again, and the case is closed with its cause, or it did not help. */
    @PostMapping("/households/{household}/care/cases/{case}/tried")
    @Says("What was tried is written down.")
    String tried(HouseholdRef ref, @PathVariable("case") long id, Form form, Model model) {
        Cause cause = form.choice("cause", "what was tried", Cause.class);
        boolean works = "yes".equals(form.raw("works"));
        int version = form.version();
        return form.save(() -> {
            if (works) {
                close(ref, id, Optional.of(cause), version);
            } else {
                changes.aside(ref.id(), () -> {
                    cases.add(ref.id(), cases.get(ref.id(), id),
                            new FaultCaseRepository.Step(null, 0, cause.name(), ref.by(), OffsetDateTime
                                    .now(clock)),
                            version);
                    return null;
                });
            }
        }) ? back(ref, id) : page(ref, id, form, model);
    }

    /** It is closed with the cause that was found in the end, or with none. */
    @PostMapping("/households/{household}/care/cases/{case}/close")
    @Says("The case is closed; the next ones are asked by it too.")
    String close(HouseholdRef ref, @PathVariable("case") long id, Form form, Model model) {
        Optional<Cause> cause = form.raw("was").isEmpty() ? Optional.empty() : Optional.ofNullable(form.choice("was", "what it was",
                Cause.class));
        int version = form.version();
        return form.save(() -> close(ref, id, cause, version)) ? back(ref, id) : page(ref, id, form, model);
    }

    private void close(HouseholdRef ref, long id, Optional<Cause> cause, int version) {
        changes.ahead(ref, () -> {
            FaultCaseRepository.Case now = cases.get(ref.id(), id);
            cases.close(ref.id(), id, cause, ref.by(), version);
            log.closeOfCase(ref.id(), id);
            log.add(ref.id(), camera(ref, now), LogRepository.Kind.CALL,
                    cause.map(each -> "It works again: " + each.words() + ". " + each.cure()
                            .words() + ".").orElse("There was nothing the matter."),
                    LocalDate.now(clock), ref.by());
            return null;
        });
    }

    /** Notes a repair with what to bring; the case stays until somebody says what it was. */
    @PostMapping("/households/{household}/care/cases/{case}/visit")
    @Says("A repair is noted in the log, with its minutes and what to bring. Nobody is booked.")
    String visit(HouseholdRef ref, @PathVariable("case") long id, Form form, Model model) {
        CaseView view = view(frames.frame(ref, Stage.CARE), ref, id, "");
        int version = form.version();
        return form.save(() -> changes.ahead(ref, () -> {
            FaultCaseRepository.Case now = cases.get(ref.id(), id);
            cases.toVisit(ref.id(), id, view.visitMinutes(), view.parts(), version);
            String likely = view.suspects().stream().limit(3).map(each -> each.words() + " " + each.percent()).collect(Collectors.joining(
                    ", "));
            log.addRepair(ref.id(),
                    new LogRepository.Said(camera(ref, now), LogRepository.Kind.REPAIR,
                            "Likely: " + likely + "." + (view.parts().isEmpty() ? ""
                                    : " Bring: " + String.join(", ", view.parts()) + "."),
                            LocalDate.now(clock), null),
                    id, ref.by());
            return null;
        })) ? back(ref, id) : page(ref, id, form, model);
    }

    /** Its camera, where that is still in the house. */
    private Long camera(HouseholdRef ref, FaultCaseRepository.Case of) {
        return cameras.find(ref.id(), of.cameraId()).map(CameraRepository.Record::id).orElse(null);
    }

    private static String back(HouseholdRef ref, long id) {
        return "redirect:" + ref.path() + "/care/cases/" + id;
    }

    private CaseView view(Frame frame, HouseholdRef ref, long id, String wished) {
        FaultCaseRepository.Case of = cases.get(ref.id(), id);
        CaseCounts counts = cases.counts(ref.staff().firmId(), of.modelKey(), of.season());
        Situation situation
                = frame.cameras().stream().filter(each -> each.id() == of.cameraId()).findFirst().map(record -> Situations.of(frame,
                        record.camera(), log.of(ref.id()))).orElseThrow(() -> new NoSuchPage());
        return CaseView.of(of, finder, situation, counts.chances(), wished,
                CaseView.known(situation, counts.firm().values().stream().mapToInt(
                        Integer::intValue).sum()));
    }

    private String page(HouseholdRef ref, long id, Form form, Model model) {
        Frame frame = frames.frame(ref, Stage.CARE, model);
        model.addAttribute("form", form);
        model.addAttribute("view", view(frame, ref, id, form.raw("ask")));
        model.addAttribute("camera", frame.judged().camera(cases.get(ref.id(), id).cameraId()).camera().name());
        model.addAttribute("blank", Form.empty());
        model.addAttribute("today", LocalDate.now(clock));
        model.addAttribute("money", moneys.of(ref, cases.get(ref.id(), id)));
        model.addAttribute("photos", photos.of(ref.id(), id));
        model.addAttribute("causes", Arrays.asList(Cause.values()));
        return "case";
    }
}
