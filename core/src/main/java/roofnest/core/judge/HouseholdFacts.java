package roofnest.core.judge;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import roofnest.core.access.Access;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.Climate;
import roofnest.core.promise.Promise;

/**
 * All that the judgement rests on.
 *
 * @param written promises from the brief; those that every camera brings are added by {@link HouseholdJudge}
 * @param otherThings on the Wi-Fi that would have to rejoin after a change
 */
public record HouseholdFacts(
        Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
        Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver) {
    public HouseholdFacts {
        cameras = List.copyOf(cameras);
        written = List.copyOf(written);
        proofs = List.copyOf(proofs);
    }

    public HouseholdFacts withCamera(Camera changed) {
        List<Camera> others = cameras.stream().map(camera -> camera.id() == changed.id() ? changed : camera).toList();
        return new HouseholdFacts(plan, others, written, network, otherThings, access, proofs, climate, today, handedOver);
    }
}
