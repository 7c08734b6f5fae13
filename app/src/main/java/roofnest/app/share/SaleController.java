package roofnest.app.share;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.core.promise.Stage;

/** The house changes hands. */
@Controller
class SaleController {
    private final Frames frames;
    private final Sales sales;

    SaleController(Frames frames, Sales sales) {
        this.frames = frames;
        this.sales = sales;
    }

    @GetMapping("/households/{household}/share/sale")
    String sale(HouseholdRef ref, Model model) {
        Frame frame = frames.frame(ref, Stage.SHARE, model);
        model.addAttribute("sale", sales.of(frame));
        return "sale";
    }
}
