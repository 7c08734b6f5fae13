package roofnest.app.pair;

import java.util.List;
import java.util.Optional;

import org.springframework.ui.Model;

import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.Step;

/** One run, wherever it takes place: at a household, or in the rehearsal room. The desk knows no other difference. */
interface RunPort {
    /** Where its page is. */
    String path();

    /** Who is at it. */
    String by();

    /** As it stands. */
    Open open();

    /** What is taken at a step: the events that it stores. */
    interface Taking {
        List<RunEvent> from(Open open);
    }

    /** Takes one step alone, on the run as it then stands, and does what follows from it. */
    void alone(Taking taking);

    /** Virtual milliseconds that hands, or typing, take at least at a step. */
    long takesMs(Step step);

    /** What is learned of the device. */
    Subject subject(Open open);

    /** Goes on by another way. @return the run that goes on */
    RunPort goOnBy(PairingMethod.Way way);

    /** What else can be tried here. */
    List<MethodOrder.Ranked> otherWays(Open open);

    /** Devices beside it whose lights are easily taken for its own. */
    List<Joinable> beside(Open open);

    String suggestedName(Open open);

    /**
     * The Wi-Fi password that a step wants, shown by a logged act.
     *
     * @throws Conflict when the step does not want it, or the run is over
     */
    String reveal(Open open);

    /** Puts into the page what only this kind of run shows. @return the page; empty for the run's own */
    Optional<String> addTo(Model model, Open open, Form form);

    /** Template of the run's page. */
    String view();
}
