package roofnest.core.spots;

import java.util.Arrays;

import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Judgement;
import roofnest.core.mount.Footing;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.plan.Thing;
import roofnest.core.promise.Promise;
import roofnest.core.view.CameraPose;

/**
 * What a spot asks for besides its promises.
 *
 * @param cableM from a socket along its way, metres; 0 for a pack, and while the plan shows no socket
 * @param climb what one has to stand on to reach it
 * @param sunMinutes in a year in which the sun dazzles it when no cloud hides it
 * @param privatePercent of its picture that is ground promised never to be shown, before any mask
 * @param standing whether steps or a ladder find a place before it that the plan shows nothing grave against
 */
public record Costs(double cableM, Climb climb, int sunMinutes, double privatePercent, boolean standing) {
    /** Where no lead comes from any socket of the plan, it is as bad as so much of it, metres. */
    static final double NO_WAY_M = 60;

    static Costs of(House house, DeviceModel model, CameraPose pose, Judgement judged, HouseholdFacts facts) {
        double cable = model.power().onBattery() || house.plan().ofKind(Thing.Kind.SOCKET).findAny().isEmpty() ? 0
                : house.cables(facts.practice()).toGo(pose, model.power()).map(way -> way.run(model.power().leadM()).lengthM())
                        .orElse(NO_WAY_M);
        int sun = Arrays.stream(house.sun().glareMinutesByMonth(house.eye(model.lens(), pose))).sum();
        double shown = judged.promises().stream().filter(j -> j.promise() instanceof Promise.NeverShows)
                .mapToDouble(j -> j.finding().measured().orElse(0)).sum();
        Climb climb = facts.practice().climb(house.overFootM(pose));
        return new Costs(cable, climb, sun, shown, house.footing(pose, climb).map(Footing::safe).orElse(true));
    }

    public boolean ladder() {
        return climb == Climb.LADDER;
    }

    /** Everything in one figure, as metres of cable, for breaking ties. */
    double asMetres(Practice practice) {
        return cableM + (ladder() ? practice.of(Figure.A_LADDER) : 0) + sunMinutes / practice.of(Figure.A_METRE_OF_SUN)
                + privatePercent / practice.of(Figure.A_METRE_OF_PRIVATE) + (standing ? 0 : practice.of(Figure.NO_ROOM_TO_STAND));
    }
}
