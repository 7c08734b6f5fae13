package roofnest.app.demo;

import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.app.firm.Staff;
import roofnest.app.records.AppointmentRepository;
import roofnest.app.records.RouterRepository;
import roofnest.app.visit.RoundRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/**
 * A household whose network and kit fail at the door unless they are made ready: an accented name, forty characters of
 * password, a fixed factory address, packs that cannot be full by morning; and the round of that morning.
 */
@Component
class DemoKilnLane {
    private final DemoTools tools;
    private final RoundRepository rounds;

    DemoKilnLane(DemoTools tools, RoundRepository rounds) {
        this.tools = tools;
        this.rounds = rounds;
    }

    void make(Staff staff, LocalDate today) {
        LocalDate tomorrow = today.plusDays(1);
        HouseholdRef ref = tools.household(staff, "Treloar", "8 Kiln Lane", tomorrow, "hub kit and the old dome");
        tools.plan(ref, "terrace");
        tools.changes.run(ref, Stage.BRIEF, () -> {
            tools.promises.makeOut(ref.id(), DetailLevel.RECOGNISE, "front-door", Light.BOTH);
            tools.promises.neverShows(ref.id(), "next-door");
            tools.promises.keepsDays(ref.id(), 7);
        });
        tools.notes(ref,
                "Bought the hub kit themselves. A Dome from the last owner hangs over the yard, its password forgotten. Packs "
                        + "still in their boxes.");
        tools.network(ref, Stage.READY, "Café Kiln Lane", "Kiln Lane 8 fires its bricks on Sundays!", Set.of(Band.GHZ_2_4, Band.GHZ_5),
                WifiSecurity.WPA2_WPA3);
        tools.router(ref,
                new RouterRepository.Router("Brill R2", true, true,
                        Optional.of(new RouterRepository.Addresses("192.168.40.1/24", "192.168.40.50", "192.168.40.90", 19)),
                        Optional.of(12.0), Optional.empty(), 0));
        tools.camera(ref, Stage.READY, "Door eye", "pellan-drift", new CameraPose(2.4, -0.35, 2.4, 226, 16), Camera.Settings.DEFAULT);
        tools.camera(ref, Stage.READY, "Bell", "pellan-knock", new CameraPose(1.95, -0.2, 1.2, 200, 5), Camera.Settings.DEFAULT);
        tools.camera(ref, Stage.READY, "Garden eye", "pellan-swift", new CameraPose(2.8, 9.35, 2.5, 20, 14), Camera.Settings.DEFAULT);
        tools.camera(ref, Stage.READY, "Yard dome", "vellin-dome", new CameraPose(5.2, 9.35, 2.8, 330, 25),
                new Camera.Settings(12, 30, 128, 30, 4, 0, 0));
        tools.person(ref, "Kerra Treloar", "kerra@treloar.example", Access.Tie.LIVES_HERE, null);
        tools.changes.run(ref, Stage.READY, () -> {
            tools.otherThings.add(ref.id(), "phones and tablets", 5);
            tools.otherThings.add(ref.id(), "kiln controller", 1);
        });
        round(staff.firmId(), ref.id(), tomorrow);
    }

    private void round(long firm, long treloar, LocalDate day) {
        long tansley = tools.idOf(firm, "Tansley");
        long verrall = tools.idOf(firm, "Verrall");
        tools.appointments.appoint(tansley, day, new AppointmentRepository.Window(12 * 60 + 30, 14 * 60, 40), true);
        tools.appointments.appoint(verrall, day, new AppointmentRepository.Window(8 * 60, 11 * 60, 115), true);
        tools.appointments.appoint(treloar, day, new AppointmentRepository.Window(8 * 60, 15 * 60, 195), true);
        rounds.setTravel(firm, RoundRepository.Way.between(RoundRepository.YARD, tansley), 12);
        rounds.setTravel(firm, RoundRepository.Way.between(RoundRepository.YARD, verrall), 25);
        rounds.setTravel(firm, RoundRepository.Way.between(RoundRepository.YARD, treloar), 9);
        rounds.setTravel(firm, RoundRepository.Way.between(tansley, verrall), 22);
        rounds.setTravel(firm, RoundRepository.Way.between(tansley, treloar), 6);
        rounds.setTravel(firm, RoundRepository.Way.between(verrall, treloar), 18);
    }
}
