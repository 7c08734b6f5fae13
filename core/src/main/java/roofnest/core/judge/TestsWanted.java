package roofnest.core.judge;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

import roofnest.core.access.Access;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.power.Climate;
import roofnest.core.promise.Promise;
import roofnest.core.trial.Protocol;

/** Which tests a camera wants, by what is promised of it and what it can do, and on whose phones. */
public final class TestsWanted {
    /** Whether it ever freezes is the same on any day. */
    private static final LocalDate SOME_DAY = LocalDate.of(2026, 1, 1);

    private TestsWanted() {}

    public static List<Protocol> of(Camera camera, List<Promise> promises, Climate climate) {
        List<Protocol> wanted = new ArrayList<>(List.of(Protocol.LIVE_HOME, Protocol.LIVE_AWAY, Protocol.WALK, Protocol.ALERT,
                Protocol.CLOCK, Protocol.SOUND, Protocol.POWER_CUT));
        if (camera.model().can().contains(DeviceModel.Ability.SIREN)) {
            wanted.add(Protocol.SIREN);
        }
        if (promises.stream().anyMatch(Promise.NeverShows.class::isInstance)) {
            wanted.add(Protocol.PRIVATE);
        }
        if (camera.settings().cardGb() > 0 && promises.stream().anyMatch(Promise.KeepsDays.class::isInstance)) {
            wanted.add(Protocol.FOOTAGE);
        }
        if (camera.model().power().onBattery() && climate.firstFrost(SOME_DAY, 0).isPresent()) {
            wanted.add(Protocol.FROST);
        }
        return wanted;
    }

    /** Whose phones a test has to be made on; none where one phone stands for all, or where nobody was let in yet. */
    public static List<Access.Person> phones(Protocol protocol, long cameraId, HouseholdFacts facts) {
        return switch (protocol) {
            case LIVE_AWAY -> facts.access().membersAt(cameraId, facts.today(), facts.kit());
            case ALERT -> facts.access().rungBy(cameraId, facts.today());
            default -> List.of();
        };
    }

    /** Whose phones a promise is of, at one camera. */
    static List<Access.Person> phones(Promise promise, long cameraId, HouseholdFacts facts) {
        return promise instanceof Promise.AlertWithin ? phones(Protocol.ALERT, cameraId, facts)
                : promise instanceof Promise.LiveAway ? phones(Protocol.LIVE_AWAY, cameraId, facts) : List.of();
    }
}
