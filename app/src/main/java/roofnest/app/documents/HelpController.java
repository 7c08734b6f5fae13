package roofnest.app.documents;

import java.io.IOException;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

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

import roofnest.app.prove.PackLinks;
import roofnest.app.firm.FirmRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Language;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Photograph;
import roofnest.app.web.ReaderLocale;
import roofnest.app.web.Words;

/** Something does not work: a household asks by the link of its pack, without a log-in. */
@Controller
class HelpController {
    private final PackLinks links;
    private final HelpDesk desk;
    private final HouseholdRepository households;
    private final JudgedHouseholds judged;
    private final FirmRepository firms;
    private final Words words;
    private final HelpLamps lamps;

    HelpController(PackLinks links, HelpDesk desk, HouseholdRepository households, JudgedHouseholds judged, FirmRepository firms,
            Words words, HelpLamps lamps) {
        this.lamps = lamps;
        this.links = links;
        this.desk = desk;
        this.households = households;
        this.judged = judged;
        this.firms = firms;
        this.words = words;
    }

    @GetMapping("/pack/{token}/help")
    String begin(@PathVariable String token, Model model, HttpServletRequest request, HttpServletResponse response) {
        PackLinks.Opened link = opened(token, model, request, response);
        model.addAttribute("cameras", desk.cameras(link));
        return "help";
    }

    @PostMapping("/pack/{token}/help")
    String open(@PathVariable String token, @RequestParam(defaultValue = "") String camera, @RequestParam(defaultValue = "") String said,
            RedirectAttributes flash) {
        PackLinks.Opened link = links.open(token).orElseThrow(NoSuchPage::new);
        try {
            return "redirect:/pack/" + token + "/help/" + desk.begin(link, camera, said);
        } catch (Conflict refused) {
            flash.addFlashAttribute("refused", words.say(language(link), "many".equals(refused.getMessage()) ? "help.many" : "help.changed",
                    firm(link)));
            return "redirect:/pack/" + token + "/help";
        }
    }

    @GetMapping("/pack/{token}/help/{case}")
    String show(@PathVariable String token, @PathVariable("case") long id, Model model, HttpServletRequest request,
            HttpServletResponse response) {
        PackLinks.Opened link = opened(token, model, request, response);
        HelpDesk.Standing standing = desk.standing(link, id);
        model.addAttribute("help",
                HelpView.of(standing, judged.of(link.householdId()).camera(standing.of().cameraId()), firm(link), language(link), words,
                        lamps));
        return "help";
    }

    @PostMapping("/pack/{token}/help/{case}/answer")
    String answer(@PathVariable String token, @PathVariable("case") long id, @RequestParam(defaultValue = "") String question,
            @RequestParam(defaultValue = "-2") int answer, @RequestParam(defaultValue = "0") int version, RedirectAttributes flash) {
        PackLinks.Opened link = links.open(token).orElseThrow(NoSuchPage::new);
        return after(token, link, id, flash, () -> desk.answer(link, id, question, answer, version));
    }

    @PostMapping("/pack/{token}/help/{case}/back")
    String back(@PathVariable String token, @PathVariable("case") long id, @RequestParam(defaultValue = "0") int version,
            RedirectAttributes flash) {
        PackLinks.Opened link = links.open(token).orElseThrow(NoSuchPage::new);
        return after(token, link, id, flash, () -> desk.back(link, id, version));
    }

    @PostMapping("/pack/{token}/help/{case}/tried")
    String tried(@PathVariable String token, @PathVariable("case") long id, @RequestParam(defaultValue = "") String cause,
            @RequestParam(defaultValue = "false") boolean works, @RequestParam(defaultValue = "0") int version, RedirectAttributes flash) {
        PackLinks.Opened link = links.open(token).orElseThrow(NoSuchPage::new);
        return after(token, link, id, flash, () -> desk.tried(link, id, cause, works, version));
    }

    @PostMapping("/pack/{token}/help/{case}/photos")
    String photo(@PathVariable String token, @PathVariable("case") long id, @RequestParam(required = false) MultipartFile picture,
            RedirectAttributes flash) throws IOException {
        PackLinks.Opened link = links.open(token).orElseThrow(NoSuchPage::new);
        byte[] sent = picture == null ? new byte[0] : picture.getBytes();
        try {
            byte[] drawn = Photograph.drawnAnew(sent);
            return after(token, link, id, flash, () -> desk.photo(link, id, drawn));
        } catch (BadInput unreadable) {
            flash.addFlashAttribute("refused", words.say(language(link), "help.photo-unread"));
            return "redirect:/pack/" + token + "/help/" + id;
        }
    }

    @GetMapping("/pack/{token}/help/{case}/photos/{photo}")
    ResponseEntity<byte[]> jpeg(@PathVariable String token, @PathVariable("case") long id, @PathVariable long photo) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).cacheControl(CacheControl.noStore()).header("Referrer-Policy",
                "no-referrer").body(desk.jpeg(links.open(token).orElseThrow(NoSuchPage::new), id, photo));
    }

    @PostMapping("/pack/{token}/help/{case}/photos/{photo}/remove")
    String removePhoto(@PathVariable String token, @PathVariable("case") long id, @PathVariable long photo, RedirectAttributes flash) {
        PackLinks.Opened link = links.open(token).orElseThrow(NoSuchPage::new);
        return after(token, link, id, flash, () -> desk.removePhoto(link, id, photo));
    }

    /** Does it, or shows how the case stands by now. */
    private String after(String token, PackLinks.Opened link, long id, RedirectAttributes flash, Runnable act) {
        try {
            act.run();
        } catch (Conflict meanwhile) {
            flash.addFlashAttribute("refused", words.say(language(link), "help.changed"));
        }
        return "redirect:/pack/" + token + "/help/" + id;
    }

    private PackLinks.Opened opened(String token, Model model, HttpServletRequest request, HttpServletResponse response) {
        // The address is the key: it is passed on to nobody and kept in no cache.
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cache-Control", "no-store");
        PackLinks.Opened link = links.open(token).orElseThrow(NoSuchPage::new);
        ReaderLocale.speak(request, language(link));
        model.addAttribute("token", token);
        model.addAttribute("firm", firm(link));
        return link;
    }

    private Language language(PackLinks.Opened link) {
        return households.language(link.householdId());
    }

    private String firm(PackLinks.Opened link) {
        return firms.name(link.firmId());
    }
}
