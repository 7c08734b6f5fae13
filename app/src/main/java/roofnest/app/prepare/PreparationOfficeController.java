package roofnest.app.prepare;

import java.util.Optional;

import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.web.Site;
import roofnest.app.web.Says;
import roofnest.app.records.ResidentRepository;
import roofnest.app.household.Frames;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.promise.Stage;

/** What the office sees of a household's preparation. */
@Controller
class PreparationOfficeController {
    private final Site site;
    private final Frames frames;
    private final Preparations preparations;
    private final PreparationRepository repository;
    private final ResidentRepository residents;

    PreparationOfficeController(Frames frames, Preparations preparations, PreparationRepository repository, ResidentRepository residents,
            Site site) {
        this.site = site;
        this.frames = frames;
        this.preparations = preparations;
        this.repository = repository;
        this.residents = residents;
    }

    @GetMapping("/households/{household}/ready/preparation")
    String preparation(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/ready/preparation")
    String send(HouseholdRef ref, Form form, Model model, RedirectAttributes flash) {
        String to = form.email("to", "the household's e-mail address");
        if (!form.save(() -> preparations.send(ref, to, site.address()))) {
            return page(ref, model, form);
        }
        flash.addFlashAttribute("notice", "The link is in the mailbox. One sent before opens nothing any more.");
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/preparation/revoke")
    @Says("The link opens nothing any more.")
    String revoke(HouseholdRef ref) {
        repository.revoke(ref.id());
        return toSheet(ref);
    }

    @PostMapping("/households/{household}/ready/preparation/people")
    @Says("Taken over into the people of the house.")
    String takePeopleOver(HouseholdRef ref) {
        preparations.takePeopleOver(ref);
        return toSheet(ref);
    }

    @GetMapping("/households/{household}/ready/preparation/photos/{photo}")
    ResponseEntity<byte[]> photo(HouseholdRef ref, @PathVariable long photo) {
        return PreparationController.jpeg(repository.jpeg(ref.id(), photo).orElseThrow(NoSuchPage::new));
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("sheet", "preparation");
        model.addAttribute("state", preparations.state(ref.id()));
        Optional<PreparationRepository.Link> link = repository.newest(ref.id());
        model.addAttribute("link", link.orElse(null));
        model.addAttribute("to", link.map(PreparationRepository.Link::to).orElseGet(() -> residents.of(ref.id()).stream()
                .filter(resident -> resident.tie() == Access.Tie.LIVES_HERE && !resident.email().isBlank())
                .map(ResidentRepository.Resident::email).findFirst().orElse("")));
        return "ready-preparation";
    }

    private static String toSheet(HouseholdRef ref) {
        return "redirect:" + ref.path() + "/ready/preparation";
    }
}
