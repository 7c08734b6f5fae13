package roofnest.app.acts;

import java.util.Map;

import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

import roofnest.app.firm.Staff;

/** What a phone needs to send what it kept, and its page of what is kept. */
@Controller
class OutboxController {
    /** Whose session this is, and the token that its requests carry; whoever is signed out is told so with 401 before it comes here. */
    @GetMapping("/alive")
    ResponseEntity<Map<String, Object>> alive(@AuthenticationPrincipal Staff staff, CsrfToken token) {
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).contentType(MediaType.APPLICATION_JSON)
                .body(Map.of("person", staff.id(), "csrf", token.getToken()));
    }

    @GetMapping("/outbox")
    String outbox() {
        return "outbox";
    }

    /** Shown by the phone itself when there is neither a line nor a page that was taken along. */
    @GetMapping("/no-line")
    String noLine() {
        return "no-line";
    }
}
