package roofnest.app.prove;

import java.util.Arrays;
import roofnest.app.web.NoSuchPage;
import org.springframework.web.bind.annotation.ResponseBody;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import com.google.re2j.Pattern;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.core.trial.Protocol;
import roofnest.app.web.Says;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.core.promise.Stage;

@Controller
class ProveController {
    private static final Pattern STROKES = Pattern.compile("(M-?[0-9]{1,4} -?[0-9]{1,4}(L-?[0-9]{1,4} -?[0-9]{1,4})*)+");
    private static final int LEAST_STROKES = 30;
    private static final int MOST_STROKES = 40_000;

    private final ProvePages pages;
    private final Frames frames;
    private final Trials trials;
    private final Signing signing;
    private final HandOver handOver;

    ProveController(ProvePages pages, Frames frames, Trials trials, Signing signing, HandOver handOver) {
        this.pages = pages;
        this.frames = frames;
        this.trials = trials;
        this.signing = signing;
        this.handOver = handOver;
    }

    @GetMapping("/households/{household}/prove")
    String prove(HouseholdRef ref, Model model) {
        return pages.page(ref, model, Form.empty());
    }

    @PostMapping("/households/{household}/prove/{camera}/trials")
    @Says("The test has begun. Nothing of it counts until you say what was seen.")
    String begin(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam String kind,
            @RequestParam(defaultValue = "false") boolean standIns) {
        Protocol named = protocol(kind).orElseThrow(() -> new BadInput("There is no such test."));
        long trial = standIns ? trials.rehearse(ref, cameraId, named) : trials.begin(ref, cameraId, named);
        return "redirect:" + ref.path() + "/prove/trials/" + trial;
    }

    private static Optional<Protocol> protocol(String kind) {
        return Arrays.stream(Protocol.values()).filter(each -> each.name().equals(kind)).findFirst();
    }

    /** Addresses of the pages of all tests, for a phone that takes them along. */
    @GetMapping("/households/{household}/prove/along")
    @ResponseBody
    List<String> along(HouseholdRef ref) {
        return trials.wanted(ref).stream().map(wanted -> testPath(ref, wanted.cameraId(), wanted.kind())).toList();
    }

    private static String testPath(HouseholdRef ref, long cameraId, Protocol kind) {
        return ref.path() + "/prove/" + cameraId + "/tests/" + kind;
    }

    /** A test's page without the test: a phone shows it when it is to begin without a line. */
    @GetMapping("/households/{household}/prove/{camera}/tests/{kind}")
    String ahead(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable String kind, Model model) {
        return aheadPage(ref, cameraId, protocol(kind).orElseThrow(NoSuchPage::new), model, Form.empty());
    }

    private String aheadPage(HouseholdRef ref, long cameraId, Protocol kind, Model model, Form form) {
        frames.frame(ref, Stage.PROVE, model);
        model.addAttribute("form", form);
        model.addAttribute("trial", TrialView.of(trials.ahead(ref, cameraId, kind)));
        model.addAttribute("trialPath", testPath(ref, cameraId, kind));
        return "trial";
    }

    /** Begun and seen through in one. */
    @PostMapping("/households/{household}/prove/{camera}/tests/{kind}/seen")
    @Says("The result is noted.")
    String made(HouseholdRef ref, @PathVariable("camera") long cameraId, @PathVariable String kind, Form form, Model model) {
        Protocol named = protocol(kind).orElseThrow(NoSuchPage::new);
        return form.save(() -> trials.made(ref, cameraId, named, form)) ? "redirect:" + ref.path() + "/prove"
                : aheadPage(ref, cameraId, named, model, form);
    }

    @GetMapping("/households/{household}/prove/trials/{trial}")
    String trial(HouseholdRef ref, @PathVariable("trial") long trialId, Model model) {
        return trialPage(ref, trialId, model, Form.empty());
    }

    /** What was seen of a real camera. */
    @PostMapping("/households/{household}/prove/trials/{trial}/seen")
    @Says("The result is noted.")
    String seen(HouseholdRef ref, @PathVariable("trial") long trialId, Form form, Model model) {
        return form.save(() -> trials.decide(ref, trialId, form)) ? "redirect:" + ref.path() + "/prove"
                : trialPage(ref, trialId, model, form);
    }

    /** How a rehearsal went. */
    @PostMapping("/households/{household}/prove/trials/{trial}/rehearsed")
    @Says("The rehearsal is noted. It proves nothing of the real camera.")
    String rehearsed(HouseholdRef ref, @PathVariable("trial") long trialId, Form form, Model model) {
        return form.save(() -> trials.rehearsed(ref, trialId, form.raw("passed").equals("true"))) ? "redirect:" + ref.path() + "/prove"
                : trialPage(ref, trialId, model, form);
    }

    @PostMapping("/households/{household}/prove/signature")
    @Needs(Role.Permission.HAND_OVER)
    @Says("Signed. The pack is frozen as it stands; it can be read below.")
    String sign(HouseholdRef ref, Form form, Model model) {
        String name = form.text("signer", "the name of whoever signs", 80);
        boolean typed = form.raw("typed").equals("true");
        String strokes = typed ? "" : form.raw("strokes");
        if (!typed && (strokes.length() < LEAST_STROKES || strokes.length() > MOST_STROKES || !STROKES.matcher(strokes).matches())) {
            form.fault("strokes", "Sign in the box with a finger, a pen or the mouse, or tick that the typed name is the signature.");
        }
        return form.save(() -> signing.sign(ref, name, strokes, form)) ? "redirect:" + ref.path() + "/prove" : pages.page(ref, model, form);
    }

    /** What the householder says of what is not kept, of each on its own. */
    @PostMapping("/households/{household}/prove/remarks")
    String remark(HouseholdRef ref, Form form, Model model, RedirectAttributes flash) {
        AtomicInteger kept = new AtomicInteger();
        if (!form.save(() -> kept.set(signing.remark(ref, form)))) {
            return pages.page(ref, model, form);
        }
        flash.addFlashAttribute("notice", kept.get() == 1 ? "One remark is kept." : kept.get() + " remarks are kept.");
        return "redirect:" + ref.path() + "/prove";
    }

    @PostMapping("/households/{household}/prove/hand-over")
    @Needs(value = Role.Permission.HAND_OVER, act = "hand the house over")
    String handOver(HouseholdRef ref, Form form, Model model, RedirectAttributes flash) {
        if (!form.save(() -> handOver.handOver(ref, form))) {
            return pages.page(ref, model, form);
        }
        flash.addFlashAttribute("notice",
                "Handed over. Nobody of the firm can look by anything that is noted, and the firm shows no secret of this house.");
        return "redirect:" + ref.path() + "/care";
    }

    @PostMapping("/households/{household}/prove/reopen")
    @Needs(value = Role.Permission.HAND_OVER, act = "open the case again")
    @Says("The case is open again. Why stands in the log.")
    String reopen(HouseholdRef ref, Form form, Model model) {
        String reason = form.text("reason", "why the case is opened again", 200);
        return form.save(() -> handOver.reopen(ref, reason)) ? "redirect:" + ref.path() + "/prove" : pages.page(ref, model, form);
    }

    private String trialPage(HouseholdRef ref, long trialId, Model model, Form form) {
        frames.frame(ref, Stage.PROVE, model);
        model.addAttribute("form", form);
        model.addAttribute("trial", TrialView.of(trials.running(ref, trialId)));
        model.addAttribute("trialPath", ref.path() + "/prove/trials/" + trialId);
        return "trial";
    }
}
