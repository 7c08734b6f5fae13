package roofnest.app.prove;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

import roofnest.app.records.StillRepository;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.ResidentRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Form;
import roofnest.core.access.Access;
import roofnest.core.promise.Stage;

/** Fills the page of Prove, for whoever answers with it. */
@Component
class ProvePages {
    private final Frames frames;
    private final TrialRepository trials;
    private final StillRepository stills;
    private final Signing signing;
    private final HandOver handOver;
    private final PackLinks links;
    private final ResidentRepository residents;
    private final SecretStore secrets;

    ProvePages(Frames frames, TrialRepository trials, StillRepository stills, Signing signing, HandOver handOver, PackLinks links,
            ResidentRepository residents, SecretStore secrets) {
        this.frames = frames;
        this.trials = trials;
        this.stills = stills;
        this.signing = signing;
        this.handOver = handOver;
        this.links = links;
        this.residents = residents;
        this.secrets = secrets;
    }

    String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.PROVE, model);
        model.addAttribute("form", form);
        model.addAttribute("prove", ProveView.of(frame, frame.cameras(), trials.of(ref.id()), trials.signature(ref.id())));
        Signing.State state = signing.state(frame);
        model.addAttribute("signing", state);
        model.addAttribute("missing", handOver.missing(frame.facts().cameras(), state));
        model.addAttribute("ends", handOver.ends(frame));
        model.addAttribute("stills", stills.taken(ref.id()));
        model.addAttribute("packLink", links.of(ref.id()).orElse(null));
        model.addAttribute("linkTo", residents.of(ref.id()).stream()
                .filter(resident -> resident.tie() == Access.Tie.LIVES_HERE && !resident.email().isBlank())
                .map(ResidentRepository.Resident::email).findFirst().orElse(""));
        model.addAttribute("reveals", secrets.reveals(ref.id()));
        return "prove";
    }
}
