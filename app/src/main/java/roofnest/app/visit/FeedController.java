package roofnest.app.visit;

import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import jakarta.servlet.http.HttpServletResponse;
import roofnest.app.firm.Staff;
import roofnest.app.web.Conflict;
import roofnest.app.web.Says;
import roofnest.app.web.Site;

/** The firm's visits as a calendar that is read by a secret link, and that link. */
@Controller
class FeedController {
    private final CalendarFeeds feeds;
    private final Site site;

    FeedController(CalendarFeeds feeds, Site site) {
        this.feeds = feeds;
        this.site = site;
    }

    /** The address is the key: without a log-in, and kept in no cache. */
    @GetMapping("/feed/{token}")
    ResponseEntity<String> read(@PathVariable String token) {
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8")).cacheControl(CacheControl.noStore())
                .header("Referrer-Policy", "no-referrer").body(feeds.read(token));
    }

    /** Shown once, on the page that answers; the database keeps its hash alone. */
    @PostMapping("/coming/feed")
    String fresh(@AuthenticationPrincipal Staff staff, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("address", site.address() + "/feed/" + feeds.fresh(staff));
        return "feed";
    }

    @PostMapping("/coming/feed/end")
    @Says("The calendar’s link is ended.")
    String end(@AuthenticationPrincipal Staff staff) {
        if (!feeds.end(staff)) {
            throw new Conflict("There is no link to end.");
        }
        return "redirect:/coming/weeks";
    }
}
