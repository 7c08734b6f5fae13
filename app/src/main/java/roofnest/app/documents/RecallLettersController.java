package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

import roofnest.app.care.RecallRepository;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Language;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Words;
import roofnest.app.workshop.Workshop;

/** Letters of a recall, one for each household that was not told yet, in its own language as far as it is not what the firm typed. */
@Controller
class RecallLettersController {
    private final RecallRepository recalls;
    private final HouseholdRepository households;
    private final Words words;
    private final Pdf pdf;
    private final Workshop workshop;
    private final Clock clock;

    RecallLettersController(RecallRepository recalls, HouseholdRepository households, Words words, Pdf pdf, Workshop workshop,
            Clock clock) {
        this.recalls = recalls;
        this.households = households;
        this.words = words;
        this.pdf = pdf;
        this.workshop = workshop;
        this.clock = clock;
    }

    record Letter(String lang, String name, String address, String day, String title, String hello, String have, String found, String todo,
            String call) {}

    @GetMapping("/recalls/{recall}/letters.pdf")
    Object letters(@AuthenticationPrincipal Staff staff, @PathVariable("recall") long id) {
        RecallRepository.Recall recall = recalls.get(staff.firmId(), id);
        Map<Long, List<RecallRepository.Affected>> untold
                = recalls.affected(staff.firmId(), recall).stream().filter(each -> each.toldAt() == null && each.doneAt() == null)
                        .collect(Collectors.groupingBy(RecallRepository.Affected::householdId, LinkedHashMap::new,
                                Collectors.toList()));
        if (untold.isEmpty()) {
            throw new NoSuchPage();
        }
        List<Letter> letters = untold.entrySet().stream().map(each -> letter(households.language(each.getKey()), each.getValue())).toList();
        String drawn = pdf.drawn("documents/recall", staff.firmId(), Map.of("letters", letters, "recall", recall, "by", staff.name()));
        return workshop.answer("The letters", "pdf", drawn, pdf::of,
                made -> ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header(
                        "Cache-Control", "no-store").header("Content-Disposition", "inline; filename=\"recall-" + id + ".pdf\"")
                        .body(made));
    }

    private Letter letter(Language language, List<RecallRepository.Affected> has) {
        String devices
                = has.stream().map(RecallRepository.Affected::camera).filter(name -> !name.isEmpty()).collect(Collectors.joining(", "));
        return new Letter(language.code(), has.get(0).household(), has.get(0).address(), language.day(LocalDate.now(clock)),
                words.say(language,
                        "recall.title"),
                words.say(language, "recall.hello"), devices.isEmpty() ? "" : words.say(language, "recall.have", devices),
                words.say(language, "recall.found"), words.say(language, "recall.do"), words.say(language, "recall.call"));
    }
}
