package roofnest.app.care;

import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.firm.Staff;
import roofnest.app.web.BadInput;
import roofnest.app.web.Says;
import roofnest.core.fault.PractisedCall;

/** Exercises of calls: a drawn house, a drawn caller, and no camera anywhere. */
@Controller
class PractisedCallController {
    private final PractisedCalls calls;

    PractisedCallController(PractisedCalls calls) {
        this.calls = calls;
    }

    @GetMapping("/rehearsals/calls")
    String room(@AuthenticationPrincipal Staff staff, Model model) {
        model.addAttribute("calls", calls.of(staff));
        return "practised-calls";
    }

    @PostMapping("/rehearsals/calls")
    @Says("Somebody calls.")
    String begin(@AuthenticationPrincipal Staff staff) {
        return "redirect:/rehearsals/calls/" + calls.begin(staff);
    }

    @GetMapping("/rehearsals/calls/{given}")
    String call(@AuthenticationPrincipal Staff staff, @PathVariable("given") long id, Model model) {
        PractisedCalls.Row row = calls.get(staff, id);
        model.addAttribute("call", PractisedCallView.of(row, calls.state(row)));
        return "practised-call";
    }

    @PostMapping("/rehearsals/calls/{given}/move")
    @Says("Done.")
    String move(@AuthenticationPrincipal Staff staff, @PathVariable("given") long id, @RequestParam(defaultValue = "") String move,
            @RequestParam(defaultValue = "-1") int done) {
        PractisedCall.Move made;
        try {
            made = PractisedCall.Move.read(move);
        } catch (IllegalArgumentException e) {
            throw new BadInput("Choose what to ask or to try.");
        }
        calls.move(staff, id, made, done);
        return "redirect:/rehearsals/calls/" + id;
    }
}
