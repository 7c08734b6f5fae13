package roofnest.core.judge;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.Footing;
import roofnest.core.mount.SpotLook;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;

/**
 * Steps or a ladder stand somewhere before the wall with nothing against it. What the plan shows is predicted; overhead lines and
 * soft ground are on no plan and count once somebody looked; until then its reason says that nobody did.
 */
final class ReachedSafelyRule implements PromiseRule<Promise.ReachedSafely> {
    private static final Limit NOTHING = Limit.atMost(0, 0, Unit.IN_THE_WAY);
    private static final String ASK = "Overhead lines and firm ground are on no plan: look before anybody climbs.";

    @Override
    public Class<Promise.ReachedSafely> type() {
        return Promise.ReachedSafely.class;
    }

    @Override
    public Sighted judge(Promise.ReachedSafely promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        if (hearing.house().isEmpty()) {
            return Sighted.of(Finding.untried(promise.key(), NOTHING, "The house has no plan yet."), camera);
        }
        House house = hearing.house().get();
        Climb climb = hearing.facts().practice().climb(house.overFootM(camera.pose()));
        if (climb == Climb.NOTHING) {
            return Sighted.of(Finding.of(promise.key(), 0, NOTHING, camera.sightEvidence(), "It is worked on from the ground.",
                    List.of()), camera);
        }
        Optional<Footing> foot = hearing.eye(camera).footing(climb);
        if (foot.isEmpty()) {
            return Sighted.of(Finding.untried(promise.key(), NOTHING,
                    "It hangs on no wall of the plan: look on site where something to climb would lean."), camera);
        }
        Optional<SpotLook> look = camera.look().filter(seen -> seen.isOf(camera.pose()));
        Footing footing = look.map(foot.get()::seen).orElse(foot.get());
        long grave = footing.against().stream().filter(Footing.Against::grave).count();
        boolean more = !footing.against().isEmpty() || footing.two();
        Standing standing = grave > 0 ? Standing.BROKEN : more ? Standing.THIN : Standing.KEPT;
        return Sighted.of(new Finding(promise.key(), OptionalDouble.of(grave), NOTHING, look.isPresent() ? Evidence.READ
                : Evidence.PREDICTED, standing, reason(footing, look), remedies(footing, standing, look, hearing)), camera);
    }

    private static String reason(Footing footing, Optional<SpotLook> look) {
        String stands = footing.climb() == Climb.LADDER
                ? "A ladder of " + Numbers.fixed(Math.ceil(footing.ladderM() * 10) / 10, 1) + " m, " + Numbers.fixed(footing.outM(), 2)
                        + " m out" + (footing.two() ? ", two people" : "")
                : "Steps before the wall";
        String against = footing.against().stream().map(Footing.Against::words).collect(Collectors.joining("; "));
        String seen = look.map(l -> l.by() + " looked" + (l.linesNear() || !l.firm() ? "." : ": no lines near, firm ground."))
                .orElse(ASK);
        return stands + (against.isEmpty() ? "; the plan shows nothing against it. " : ": " + against + ". ") + seen;
    }

    private static List<Remedy> remedies(Footing footing, Standing standing, Optional<SpotLook> look, Hearing hearing) {
        List<Remedy> remedies = new ArrayList<>();
        if (standing == Standing.KEPT) {
            return remedies;
        }
        if (look.isEmpty()) {
            remedies.add(new Remedy("Look where its foot would stand, and say at Mount what is there", "2 min"));
        }
        if (!footing.safe()) {
            remedies.add(new Remedy("Hang it " + Numbers.fixed(hearing.facts().practice().of(Figure.FROM_THE_GROUND), 1)
                    + " m over the ground or lower", "it is worked on from the ground"));
            remedies.add(new Remedy("Another spot, at Survey", "the search counts room to stand"));
        }
        return remedies;
    }

    @Override
    public String wording(Promise.ReachedSafely promise, Names names) {
        return "Can be reached safely";
    }
}
