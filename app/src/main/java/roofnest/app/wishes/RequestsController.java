package roofnest.app.wishes;

import java.util.List;
import java.util.stream.Collectors;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.firm.Staff;
import roofnest.app.web.Says;

/** What the firm's people asked of one another. */
@Controller
class RequestsController {
    private final Wishes wishes;

    RequestsController(Wishes wishes) {
        this.wishes = wishes;
    }

    @GetMapping("/requests")
    String requests(@AuthenticationPrincipal Staff staff, @RequestParam(required = false) String gone, Model model) {
        List<Wishes.Wish> waiting = wishes.waitingFor(staff);
        model.addAttribute("waiting", waiting);
        model.addAttribute("filledIn", waiting.stream().collect(Collectors.toMap(Wishes.Wish::id, wish -> wishes.filledIn(staff, wish))));
        model.addAttribute("own", wishes.askedBy(staff));
        model.addAttribute("gone", gone != null);
        return "requests";
    }

    @PostMapping("/requests/{wish}/decline")
    @Says("It will not be done. Whoever asked sees that.")
    String decline(@AuthenticationPrincipal Staff staff, @PathVariable("wish") long id) {
        wishes.decline(staff, id);
        return "redirect:/requests";
    }
}
