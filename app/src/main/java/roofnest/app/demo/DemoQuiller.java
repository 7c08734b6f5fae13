package roofnest.app.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.app.firm.Staff;
import roofnest.app.records.RouterRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.access.Access;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The main household: a stone house beside a mill race, briefed and sketched, its camera not quite in the right spot. */
@Component
class DemoQuiller {
    private final DemoTools tools;

    DemoQuiller(DemoTools tools) {
        this.tools = tools;
    }

    void make(Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Quiller", "9 Weir Steps", today.plusDays(2), "survey and install, 2 h 10 min");
        tools.plan(ref, "weir-steps");
        tools.changes.run(ref, Stage.BRIEF, () -> {
            tools.promises.makeOut(ref.id(), DetailLevel.RECOGNISE, "river-stairs", Light.BOTH);
            tools.promises.neverShows(ref.id(), "landing");
            tools.promises.keepsDays(ref.id(), 14);
            tools.promises.alertWithin(ref.id(), 6);
            tools.notes(ref, """
                Stone house, two storeys, walls half a metre. Router in the kitchen, one name for both bands.
                Two phones: Ida's joins a camera's network by one tap, Bram's only through its settings.
                A Post hung by the lane door until spring; it is to watch the river stairs now.
                Bram's mother Hesper wants to look in on her tablet, nothing more. The lodger left in April.""");
        });
        long camera = tools.camera(ref, Stage.SURVEY, "Camera 1", "dunmark-post", new CameraPose(11.4, 2.0, 2.4, 121, 12),
                new Camera.Settings(15, 20, 64, 46, 5, 0.55, 90));
        tools.network(ref, Stage.SURVEY, "Mühle & Wehr", "Flußlauf 9 Stufen", Set.of(Band.GHZ_2_4, Band.GHZ_5), WifiSecurity.WPA2_WPA3);
        tools.router(ref, new RouterRepository.Router("Brill R2", true, true,
                Optional.of(new RouterRepository.Addresses("192.168.178.1/24", "192.168.178.20", "192.168.178.60", 14)), Optional.of(9.5),
                Optional.empty(), 0));
        tools.scan(ref, "weir-steps");
        tools.changes.run(ref, Stage.SURVEY, () -> {
            tools.otherThings.add(ref.id(), "phones and tablets", 4);
            tools.otherThings.add(ref.id(), "television and loudspeakers", 3);
            tools.otherThings.add(ref.id(), "hive scales", 1);
            tools.otherThings.add(ref.id(), "printer", 1);
            long ida = tools.person(ref, "Ida Quiller", "ida@quiller.example", Access.Tie.LIVES_HERE, null);
            long bram = tools.person(ref, "Bram Quiller", "bram@quiller.example", Access.Tie.LIVES_HERE, null);
            tools.person(ref, "Hesper Quiller", "hesper@quiller.example", Access.Tie.LIVES_HERE, null);
            long lodger = tools.person(ref, "Corin Ashdown", "corin@ashdown.example", Access.Tie.LEFT,
                    LocalDate.of(today.getYear(), 4, 12));
            long jory = tools.person(ref, staff.name(), staff.email(), Access.Tie.FIRM, null);
            tools.access.grant(ref.id(), ida, camera, Access.Role.OWNER, null);
            tools.access.grant(ref.id(), lodger, camera, Access.Role.VIEWER, null);
            tools.access.grant(ref.id(), jory, camera, Access.Role.MANAGER, null);
            long wifi = tools.networks.find(ref.id()).orElseThrow().id();
            tools.ledger.note(ref.id(), ida, Secret.Kind.WIFI, wifi, "it is hers", staff.name());
            tools.ledger.note(ref.id(), lodger, Secret.Kind.WIFI, wifi, LocalDate.of(today.getYear() - 1, 9, 1),
                    "Ida typed it into his phone when he moved in", staff.name());
            tools.ledger.note(ref.id(), bram, Secret.Kind.ACCOUNT, ida, "signed in with it on his own phone", staff.name());
            tools.ledger.link(ref.id(), "Display beside the stove", "kitchen", ida, List.of(camera), staff.name());
        });
    }
}
