package roofnest.core.judge;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import roofnest.core.access.Access;
import roofnest.core.alert.AlertPlan;
import roofnest.core.access.Kit;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Sharing;
import roofnest.core.footage.FootagePlan;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.SafeCredentials;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.Climate;
import roofnest.core.promise.Promise;
import roofnest.core.radio.Reading;

/**
 * All that the judgement rests on.
 *
 * @param written promises from the brief; those that every camera brings are added by {@link HouseholdJudge}
 * @param readings of the signal, made on site
 * @param practice of the firm that does the work
 * @param comings who comes by, as far as somebody said so
 * @param alerts when cameras watch and whom they ring, as somebody set it
 * @param footage where it is kept, as somebody said so
 * @param happened after which some tests do not count any more
 * @param otherThings on the Wi-Fi that would have to rejoin after a change; {@link SafeCredentials#NOT_COUNTED} before anybody counted
 */
public record HouseholdFacts(
        Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
        Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver, List<Reading> readings,
        Practice practice, ComingsAndGoings comings, AlertPlan alerts, FootagePlan footage, List<Happened> happened) {
    public HouseholdFacts {
        happened = List.copyOf(happened);
        cameras = List.copyOf(cameras);
        written = List.copyOf(written);
        proofs = List.copyOf(proofs);
        readings = List.copyOf(readings);
    }

    /** Facts of a house to which nothing has happened since it was tested. */
    public HouseholdFacts(
            Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
            Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver, List<Reading> readings,
            Practice practice, ComingsAndGoings comings, AlertPlan alerts, FootagePlan footage) {
        this(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, readings, practice, comings, alerts,
                footage, List.of());
    }

    /** Facts of a house where footage is kept as cameras come. */
    public HouseholdFacts(
            Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
            Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver, List<Reading> readings,
            Practice practice, ComingsAndGoings comings, AlertPlan alerts) {
        this(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, readings, practice, comings, alerts,
                FootagePlan.USUAL);
    }

    /** Facts of a house where cameras watch at all hours. */
    public HouseholdFacts(
            Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
            Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver, List<Reading> readings,
            Practice practice, ComingsAndGoings comings) {
        this(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, readings, practice, comings,
                AlertPlan.USUAL);
    }

    /** Facts of a house about which as much goes on as about any. */
    public HouseholdFacts(
            Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
            Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver, List<Reading> readings,
            Practice practice) {
        this(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, readings, practice,
                ComingsAndGoings.USUAL);
    }

    /** Facts judged by the ordinary ways of working. */
    public HouseholdFacts(
            Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
            Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver, List<Reading> readings) {
        this(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, readings, Practice.USUAL);
    }

    /** Facts of a house where no signal was read yet. */
    public HouseholdFacts(
            Optional<HousePlan> plan, List<Camera> cameras, List<Promise> written, Optional<HomeNetwork> network, int otherThings,
            Access access, List<Proof> proofs, Climate climate, LocalDate today, boolean handedOver) {
        this(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, List.of());
    }

    /** Its cameras as those who ask who can look want them. */
    public List<Kit> kit() {
        return cameras.stream().map(camera -> new Kit(camera.id(), camera.name(), camera.model().maker(),
                camera.model().sharing() == Sharing.TOLD_SECRET, camera.joined(), camera.ownPassword(),
                Optional.ofNullable(camera.model().hub()), camera.model().setUp().expectedMinutes())).toList();
    }

    /** Everyone who can look and should not. */
    public List<Access.Intruder> intruders() {
        return access.intruders(today, handedOver, kit());
    }

    public HouseholdFacts withCamera(Camera changed) {
        return withCameras(cameras.stream().map(camera -> camera.id() == changed.id() ? changed : camera).toList());
    }

    /** The same house with other cameras, or another house's cameras on it. */
    public HouseholdFacts withPlanAndCameras(HousePlan otherPlan, List<Camera> others) {
        return new HouseholdFacts(Optional.of(otherPlan), others, written, network, otherThings, access, proofs, climate, today, handedOver,
                readings, practice, comings, alerts, footage, happened);
    }

    /** The same household with another network, or none. */
    public HouseholdFacts withNetwork(Optional<HomeNetwork> other) {
        return new HouseholdFacts(plan, cameras, written, other, otherThings, access, proofs, climate, today, handedOver, readings,
                practice, comings, alerts, footage, happened);
    }

    public HouseholdFacts withCameras(List<Camera> others) {
        return new HouseholdFacts(plan, others, written, network, otherThings, access, proofs, climate, today, handedOver, readings,
                practice, comings, alerts, footage, happened);
    }

    /** The same household with cameras that watch and ring otherwise. */
    public HouseholdFacts withAlerts(AlertPlan other) {
        return new HouseholdFacts(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, readings,
                practice, comings, other, footage, happened);
    }

    /** The same household with its footage kept otherwise. */
    public HouseholdFacts withFootage(FootagePlan other) {
        return new HouseholdFacts(plan, cameras, written, network, otherThings, access, proofs, climate, today, handedOver, readings,
                practice, comings, alerts, other, happened);
    }
}
