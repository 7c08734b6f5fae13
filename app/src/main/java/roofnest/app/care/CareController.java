package roofnest.app.care;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.TermRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ContractRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogEffects;
import roofnest.app.records.LogPhotoRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.core.care.CareContract;
import roofnest.core.promise.Stage;

@Controller
class CareController {
    private final Frames frames;
    private final Changes changes;
    private final LogRepository log;
    private final CameraRepository cameras;
    private final BatteryCalendar calendar;
    private final FaultCaseRepository cases;
    private final ResidentRepository residents;
    private final LogEffects effects;
    private final ContractRepository contracts;
    private final LogPhotoRepository photos;
    private final TermRepository terms;
    private final Clock clock;

    CareController(
            Frames frames, Changes changes, LogRepository log, CameraRepository cameras, BatteryCalendar calendar,
            FaultCaseRepository cases, ResidentRepository residents, LogEffects effects, ContractRepository contracts,
            LogPhotoRepository photos, TermRepository terms,
            Clock clock) {
        this.residents = residents;
        this.effects = effects;
        this.contracts = contracts;
        this.photos = photos;
        this.terms = terms;
        this.cases = cases;
        this.frames = frames;
        this.changes = changes;
        this.log = log;
        this.cameras = cameras;
        this.calendar = calendar;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/care")
    String care(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/care/log")
    @Says("Entered.")
    String write(HouseholdRef ref, Form form, Model model) {
        LogRepository.Said said = read(ref, form);
        return form.save(() -> changes.run(ref, Stage.CARE, () -> effects.write(ref, said))) ? toCare(ref) : page(ref, model, form);
    }

    @PostMapping("/households/{household}/care/log/{entry}")
    @Says("The entry is changed. Who changed it stands beside it.")
    String change(HouseholdRef ref, @PathVariable("entry") long entry, Form form, Model model) {
        LogRepository.Said said = read(ref, form);
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.CARE, () -> effects.change(ref, entry, said, version))) ? toCare(ref)
                : page(ref, model, form);
    }

    @PostMapping("/households/{household}/care/log/{entry}/remove")
    @Says("The entry is taken out. It can be brought back from the household’s own sheet.")
    String remove(HouseholdRef ref, @PathVariable("entry") long entry) {
        changes.run(ref, Stage.CARE, () -> {
            if (!effects.remove(ref, entry)) {
                throw new Conflict("Somebody else took this entry out meanwhile.");
            }
        });
        return toCare(ref);
    }

    @PostMapping("/households/{household}/care/log/{entry}/close")
    @Says("The repair is done.")
    String close(HouseholdRef ref, @PathVariable("entry") long entry) {
        changes.run(ref, Stage.CARE, () -> {
            if (!log.close(ref.id(), entry)) {
                throw new Conflict("Somebody else closed this repair or took it out meanwhile.");
            }
        });
        return toCare(ref);
    }

    private LogRepository.Said read(HouseholdRef ref, Form form) {
        LogRepository.Kind kind = form.choice("kind", "what kind of entry", LogRepository.Kind.class);
        String words = form.text("words", "what happened", 1000);
        LocalDate on = form.date("on", "the day");
        if (form.faultAt("on") == null && on.isAfter(LocalDate.now(clock))) {
            form.fault("on", "The log holds what has happened; this day is still to come.");
        }
        LocalDate next = form.raw("nextOn").isBlank() ? null : form.date("nextOn", "the day it comes up again");
        if (next != null && form.faultAt("nextOn") == null && next.isBefore(on)) {
            form.fault("nextOn", "This is before the day it happened.");
        }
        return new LogRepository.Said(camera(form, ref, kind), somebody(form, ref, kind), kind, words, on, next);
    }

    private static String toCare(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/care";
    }

    @GetMapping("/households/{household}/care/battery.ics")
    ResponseEntity<String> battery(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.CARE);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"battery-" + ref.id() + ".ics\"")
                .body(calendar.write(frame.household().title(), NextCharges.of(frame)));
    }

    private Long camera(Form form, HouseholdRef ref, LogRepository.Kind kind) {
        String typed = form.raw("camera");
        if (typed.isEmpty()) {
            if (kind != null && kind.ofCamera()) {
                form.fault("camera", "Say which camera it is about.");
            }
            return null;
        }
        boolean known = typed.matches("[0-9]{1,18}") && cameras.find(ref.id(), Long.parseLong(typed)).isPresent();
        if (!known) {
            form.fault("camera", "Choose a camera of this house.");
            return null;
        }
        return Long.valueOf(typed);
    }

    private Long somebody(Form form, HouseholdRef ref, LogRepository.Kind kind) {
        if (kind == null || !kind.ofSomebody()) {
            return null;
        }
        String typed = form.raw("who");
        if (!typed.matches("[0-9]{1,18}") || residents.find(ref.id(), Long.parseLong(typed)).isEmpty()) {
            form.fault("who", "Say who of the household it is.");
            return null;
        }
        return Long.valueOf(typed);
    }

    String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.CARE, model);
        model.addAttribute("form", form);
        model.addAttribute("blank", Form.empty());
        List<LogRepository.Entry> entries = log.of(ref.id());
        model.addAttribute("entries", entries);
        model.addAttribute("kinds", List.of(LogRepository.Kind.values()));
        model.addAttribute("cameras", frame.cameras());
        model.addAttribute("residents", residents.of(ref.id()));
        model.addAttribute("terms", terms.of(ref.id()));
        Optional<CareContract> contract = contracts.of(ref.id()).map(ContractRepository.Row::contract);
        model.addAttribute("contract", contract.map(each -> ContractWords.of(each, LocalDate.now(clock))).orElse("None is written down."));
        model.addAttribute("used", contract.map(each -> used(ref, each, entries)).orElse(List.of()));
        model.addAttribute("was", log.before(ref.id()));
        model.addAttribute("photos", photos.of(ref.id()));
        model.addAttribute("charges", NextCharges.of(frame));
        model.addAttribute("calls", cases.of(ref.id()).stream().map(each -> CallLine.of(each, frame)).toList());
        model.addAttribute("today", LocalDate.now(clock));
        return "care";
    }

    private List<String> used(HouseholdRef ref, CareContract contract, List<LogRepository.Entry> entries) {
        LocalDate today = LocalDate.now(clock);
        int visits = contract.on(today).map(term -> contracts.coveredVisits(ref.id(), term)).orElse(0);
        return contract.used(today, visits, days(entries, LogRepository.Kind.LOOK), days(entries, LogRepository.Kind.CHARGE));
    }

    private static List<LocalDate> days(List<LogRepository.Entry> entries, LogRepository.Kind kind) {
        return entries.stream().filter(entry -> entry.kind() == kind).map(LogRepository.Entry::on).toList();
    }
}
