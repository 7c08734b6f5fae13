package roofnest.app.carry;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.stereotype.Component;

import roofnest.app.records.ContractRepository;
import roofnest.app.records.DeviceBeforeRepository;
import roofnest.app.records.TheftRepository;
import roofnest.core.care.CareContract;

/** Contract, devices that hung there before, thefts, and what calls came to, on their way out of one firm and into another. */
@Component
class CarriedLife {
    private final ContractRepository contracts;
    private final DeviceBeforeRepository before;
    private final TheftRepository thefts;

    CarriedLife(ContractRepository contracts, DeviceBeforeRepository before, TheftRepository thefts) {
        this.contracts = contracts;
        this.before = before;
        this.thefts = thefts;
    }

    /** @param cameras that are carried along: what hung in the place of others is not. @return null where there is nothing of it */
    HouseholdFile.Life out(long household, Set<Long> cameras) {
        HouseholdFile.Contract contract = contracts.of(household).map(CarriedLife::contract).orElse(null);
        HouseholdFile.Life life = new HouseholdFile.Life(contract, before.of(household).stream().filter(row -> cameras.contains(row
                .cameraId())).map(row -> new HouseholdFile.DeviceBefore(row.cameraId(), row.modelKey(), row.model(), row.serial(), row
                        .joinedOn(), row.goneOn(), row.why().name(), row.by()))
                .toList(),
                thefts.of(household).stream().map(row -> new HouseholdFile.Stolen(row.on(), row.things(), row.footage(), row.changes(), row
                        .by(), row.at())).toList());
        return contract == null && life.before().isEmpty() && life.thefts().isEmpty() ? null : life;
    }

    private static HouseholdFile.Contract contract(ContractRepository.Row row) {
        CareContract contract = row.contract();
        return new HouseholdFile.Contract(contract.from(), contract.months(), contract.renews(), contract.centsATerm(), contract.covers()
                .stream().map(Enum::name).sorted().toList(), contract.visits(), row.by());
    }

    /** @param seen cameras by their number in the document */
    void in(long household, HouseholdFile.Life life, Map<Long, Long> seen) {
        if (life == null) {
            return;
        }
        Optional.ofNullable(life.contract()).ifPresent(c -> contracts.say(household, new ContractRepository.Row(new CareContract(c.from(), c
                .months(), c.renews(), c.cents(), c.covers().stream().map(CareContract.Covers::valueOf).collect(Collectors.toSet()),
                c
                        .visits()),
                c.by(), 0)));
        // The latest first in the document, so that they are written down in the order in which they went.
        for (int i = CarryIn.each(life.before()).size() - 1; i >= 0; i--) {
            HouseholdFile.DeviceBefore b = life.before().get(i);
            if (!seen.containsKey(b.camera())) {
                throw new IllegalArgumentException("a device hung in the place of a camera that is not there");
            }
            before.add(household,
                    new DeviceBeforeRepository.Row(seen.get(b.camera()), "", b.modelKey(), b.model(), b.serial(), b.joinedOn(),
                            b.goneOn(), DeviceBeforeRepository.Why.valueOf(b.why()), b.by()));
        }
        for (int i = CarryIn.each(life.thefts()).size() - 1; i >= 0; i--) {
            HouseholdFile.Stolen s = life.thefts().get(i);
            thefts.put(household, new TheftRepository.Row(0, s.on(), s.things(), s.footage(), s.changes(), s.by(), s.at()));
        }
    }

    /** What a call came to; null where nobody wrote it down. */
    HouseholdFile.CallWork workOut(long household, long call) {
        return contracts.work(household, call).map(w -> new HouseholdFile.CallWork(w.on(), w.phoneMinutes(), w.visits(), w.visitMinutes(),
                w.partsCents(), w.coveredVisits(), w.by())).orElse(null);
    }

    void workIn(long household, long call, HouseholdFile.CallWork w) {
        if (w != null) {
            contracts.sayWork(household, call, new ContractRepository.Work(w.on(), w.phoneMinutes(), w.visits(), w.visitMinutes(), w
                    .partsCents(), w.coveredVisits(), w.by(), 0));
        }
    }
}
