package roofnest.app.documents;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

import roofnest.app.prove.IssueRepository;
import roofnest.app.prove.PackLinks;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.ReaderLocale;
import roofnest.app.workshop.Workshop;

/** What the household reads by its link: the newest issue that was signed, as a page and as paper. */
@Controller
class PackLinkController {
    private final PackLinks links;
    private final IssueRepository issues;
    private final HouseholdRepository households;
    private final Pdf pdf;
    private final Workshop workshop;

    PackLinkController(PackLinks links, IssueRepository issues, HouseholdRepository households, Pdf pdf, Workshop workshop) {
        this.links = links;
        this.issues = issues;
        this.households = households;
        this.pdf = pdf;
        this.workshop = workshop;
    }

    @GetMapping("/pack/{token}")
    String page(@PathVariable String token, Model model, HttpServletRequest request, HttpServletResponse response) {
        closed(response);
        ReaderLocale.speak(request, households.language(links.open(token).orElseThrow(NoSuchPage::new).householdId()));
        model.addAttribute("pack", PackPage.of(newest(token)));
        model.addAttribute("token", token);
        return "pack-page";
    }

    @GetMapping("/pack/{token}/pack.pdf")
    Object paper(@PathVariable String token, HttpServletResponse response) {
        closed(response);
        return workshop.answer("The hand-over pack", "pdf", newest(token), pdf::of, made -> ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF).header("Cache-Control", "no-store")
                .header("Content-Disposition", "inline; filename=\"hand-over-pack.pdf\"").body(made));
    }

    private String newest(String token) {
        PackLinks.Opened opened = links.open(token).orElseThrow(NoSuchPage::new);
        int number = issues.of(opened.householdId()).stream().findFirst().orElseThrow(NoSuchPage::new).number();
        return issues.document(opened.householdId(), number).orElseThrow(NoSuchPage::new);
    }

    /** The address is the key: it is passed on to nobody and kept in no cache. */
    private static void closed(HttpServletResponse response) {
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cache-Control", "no-store");
    }
}
