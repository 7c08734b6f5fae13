package roofnest.core.judge;

import java.util.List;
import java.util.Optional;

import roofnest.core.cable.CableNet;
import roofnest.core.cable.CableWay;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.CableRun;
import roofnest.core.mount.SaidLead;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;

/** What is left of the adapter's volts at the end of the lead while the camera records with its light on. */
final class LeadCarriesRule implements PromiseRule<Promise.LeadCarries> {
    /** Of the adapter's volts; joints, warmth and a tired adapter take as much. */
    static final double TOLERANCE_SHARE = 0.02;
    /** Wires that are sold as leads, square millimetres. */
    private static final double[] WIRES_MM2 = {0.5, 0.75, 1.0, 1.5, 2.5};

    @Override
    public Class<Promise.LeadCarries> type() {
        return Promise.LeadCarries.class;
    }

    @Override
    public Sighted judge(Promise.LeadCarries promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        PowerSpec power = camera.model().power();
        Limit limit = Limit.atLeast(power.leastVolts(), TOLERANCE_SHARE * power.packVolts(), Unit.VOLTS);
        Optional<CableNet> cables = hearing.house().map(house -> house.cables(hearing.facts().practice()));
        Optional<SaidLead> said = camera.measuredLead();
        Optional<CableWay> way = hearing.house().flatMap(house -> house.drawnSound(camera, hearing.facts().practice()))
                .or(() -> cables.flatMap(net -> hearing.eye(camera).lead(net)));
        Optional<CableRun> run = said.map(lead -> lead.run(power.leadM())).or(() -> way.map(on -> on.run(power.leadM())));
        if (run.isEmpty()) {
            return Sighted.of(Finding.untried(promise.key(), limit, "How long its lead is is not known. "
                    + cables.flatMap(net -> net.why(camera.pose())).map(CableNet.None::words).orElse("The house has no plan yet.")),
                    camera);
        }
        double lengthM = Math.max(power.leadM(), run.get().lengthM());
        double volts = volts(power, lengthM, power.leadMm2());
        String reason = Numbers.fixed(lengthM, 1) + " m of " + Numbers.plain(power.leadMm2()) + " mm² from the " + run.get().socket()
                + ", " + Numbers.plain(power.packVolts()) + " V at the plug, " + Numbers.fixed(power.mostMa() / 1000, 2)
                + " A with its light on" + said.map(lead -> ", as " + lead.by() + " measured.")
                        .orElse(way.filter(CableWay::drawn).isPresent() ? ", as " + camera.lead().orElseThrow().by() + " drew it." : ".");
        return Sighted.of(
                Finding.of(promise.key(), volts, limit, said.isPresent() ? Evidence.READ : Evidence.PREDICTED, reason,
                        remedies(power, limit, lengthM, volts)),
                camera);
    }

    private static double volts(PowerSpec power, double lengthM, double mm2) {
        return Math.max(0, power.packVolts() - PowerSpec.dropV(lengthM, mm2, power.mostMa() / 1000));
    }

    private static List<Remedy> remedies(PowerSpec power, Limit limit, double lengthM, double volts) {
        if (limit.standing(volts) == Standing.KEPT) {
            return List.of();
        }
        for (double mm2 : WIRES_MM2) {
            double thicker = volts(power, lengthM, mm2);
            if (mm2 > power.leadMm2() && limit.standing(thicker) == Standing.KEPT) {
                return List.of(new Remedy("An extension of " + Numbers.plain(mm2) + " mm²", Unit.VOLTS.format(thicker) + " at the camera"));
            }
        }
        return List.of(new Remedy("A socket nearer to it, put in by a licensed electrician", "a shorter lead"));
    }

    @Override
    public String wording(Promise.LeadCarries promise, Names names) {
        return "Its lead carries enough";
    }
}
