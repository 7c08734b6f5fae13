package roofnest.core.judge;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.core.promise.DetailLevel;
import roofnest.core.power.Climate;
import roofnest.core.week.Ringing;
import roofnest.core.week.WeekOutcome;

/** Ordinary weeks that promises are judged by, each drawn once and kept. */
final class WeekOutcomes {
    /** Fewer than a page shows: enough for a mean that a promise rests on. */
    static final int WEEKS = 200;
    private static final int KEPT = 64;

    private final Optional<House> house;
    private final Function<Camera, CameraEye> eyes;
    private final Cache<Key, WeekOutcome> kept = Caffeine.newBuilder().executor(Runnable::run).maximumSize(KEPT).build();

    /** All that a household's weeks depend on besides its plan. */
    private record Key(List<Watched> cameras, ComingsAndGoings comings, Climate climate, int month, DetailLevel level,
            Ringing ringing) {}

    private record Watched(long id, String name, CameraEye.Key eye, Optional<Camera.Watching> watching, int coolDownSeconds) {}

    WeekOutcomes(Optional<House> house, Function<Camera, CameraEye> eyes) {
        this.house = house;
        this.eyes = eyes;
    }

    /** Of the month of the facts; empty without a plan. */
    Optional<WeekOutcome> of(HouseholdFacts facts) {
        int month = facts.today().getMonthValue();
        Key key = new Key(
                facts.cameras().stream().map(camera -> new Watched(camera.id(), camera.name(), CameraEye.Key.of(camera), camera.watching(),
                        camera.settings().coolDownSeconds())).toList(),
                facts.comings(), facts.climate(), month, OrdinaryWeek.level(facts), Ears.of(facts));
        return house.map(h -> kept.get(key, any -> OrdinaryWeek.of(h, facts, eyes, month).run(WEEKS)));
    }
}
