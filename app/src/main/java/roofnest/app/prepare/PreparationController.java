package roofnest.app.prepare;

import java.io.IOException;
import java.util.Map;

import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.ReaderLocale;

/** What the household opens by its link, without a log-in. A refused entry comes back with its reason and what was typed. */
@Controller
class PreparationController {
    private final Preparations preparations;
    private final PreparationRepository repository;

    PreparationController(Preparations preparations, PreparationRepository repository) {
        this.preparations = preparations;
        this.repository = repository;
    }

    @GetMapping("/prepare/{token}")
    String show(@PathVariable String token, Model model, HttpServletRequest request, HttpServletResponse response) {
        // The address is the key: it must not travel on.
        response.setHeader("Referrer-Policy", "no-referrer");
        long household = preparations.open(token);
        ReaderLocale.speak(request, preparations.language(household));
        model.addAttribute("state", preparations.told(household));
        model.addAttribute("calledOff", preparations.calledOff(household));
        model.addAttribute("token", token);
        return "prepare";
    }

    @GetMapping("/prepare/{token}/photos/{photo}")
    ResponseEntity<byte[]> photo(@PathVariable String token, @PathVariable long photo) {
        return jpeg(repository.jpeg(preparations.open(token), photo).orElseThrow(NoSuchPage::new));
    }

    @PostMapping("/prepare/{token}/tick")
    String tick(@PathVariable String token, @RequestParam(defaultValue = "") String item,
            @RequestParam(defaultValue = "true") boolean ready, RedirectAttributes flash) {
        long household = preparations.open(token);
        // Back to the thing that was ticked, not to the top of the page.
        return said(token, flash, "", Map.of(), () -> preparations.tick(household, item, ready))
                + (item.matches("[a-z0-9-]{1,40}") ? "#have-" + item : "");
    }

    @PostMapping("/prepare/{token}/wifi")
    String wifi(@PathVariable String token, @RequestParam(defaultValue = "") String name, @RequestParam(defaultValue = "") String password,
            RedirectAttributes flash) {
        long household = preparations.open(token);
        return said(token, flash, preparations.say(household, "thanks-wifi"),
                Map.of("typedName", name), () -> preparations.wifi(household, name, password));
    }

    @PostMapping("/prepare/{token}/photos")
    String addPhoto(@PathVariable String token, @RequestParam(defaultValue = "label") String what,
            @RequestParam(required = false) MultipartFile picture, RedirectAttributes flash) throws IOException {
        long household = preparations.open(token);
        byte[] bytes = picture == null ? new byte[0] : picture.getBytes();
        return said(token, flash, "", Map.of(), () -> {
            boolean read = preparations.photo(household, what.equals("place") ? "a place for a camera" : "the router's label", bytes);
            flash.addFlashAttribute("notice", preparations.say(household, read ? "thanks-read" : "thanks-picture"));
        });
    }

    @PostMapping("/prepare/{token}/photos/{photo}/remove")
    String removePhoto(@PathVariable String token, @PathVariable long photo, RedirectAttributes flash) {
        long household = preparations.open(token);
        return said(token, flash, preparations.say(household, "picture-gone"), Map.of(), () -> preparations.removePhoto(household, photo));
    }

    @PostMapping("/prepare/{token}/people")
    String person(@PathVariable String token, @RequestParam(defaultValue = "") String person,
            @RequestParam(defaultValue = "true") boolean livesHere, RedirectAttributes flash) {
        long household = preparations.open(token);
        return said(token, flash, "", Map.of("typedPerson", person), () -> preparations.person(household, person, livesHere));
    }

    @PostMapping("/prepare/{token}/visit")
    String confirm(@PathVariable String token, @RequestParam(defaultValue = "0") int sequence, RedirectAttributes flash) {
        long household = preparations.open(token);
        return said(token, flash, preparations.say(household, "thanks-confirmed"), Map.of(),
                () -> preparations.confirm(household, sequence));
    }

    @PostMapping("/prepare/{token}/visit/other")
    String propose(@PathVariable String token, @RequestParam(defaultValue = "") String other, RedirectAttributes flash) {
        long household = preparations.open(token);
        return said(token, flash, preparations.say(household, "thanks-proposed"),
                Map.of("typedOther", other), () -> preparations.propose(household, other));
    }

    @GetMapping("/prepare/{token}/visit.ics")
    ResponseEntity<String> calendar(@PathVariable String token) {
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8")).cacheControl(CacheControl.noStore())
                .header("Content-Disposition", "attachment; filename=\"visit.ics\"")
                .body(preparations.calendar(preparations.open(token)).orElseThrow(NoSuchPage::new));
    }

    /** Does it, or says why not; either way back to the list. */
    private static String said(String token, RedirectAttributes flash, String thanks, Map<String, String> typed, Runnable act) {
        try {
            act.run();
            if (!thanks.isEmpty()) {
                flash.addFlashAttribute("notice", thanks);
            }
        } catch (BadInput | Conflict refused) {
            typed.forEach(flash::addFlashAttribute);
            flash.addFlashAttribute("refused", refused.getMessage());
        }
        return "redirect:/prepare/" + token;
    }

    static ResponseEntity<byte[]> jpeg(byte[] picture) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).cacheControl(CacheControl.noStore()).body(picture);
    }
}
