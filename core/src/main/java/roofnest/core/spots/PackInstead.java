package roofnest.core.spots;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;

/**
 * What it would be to hang a model with a pack, and its panel if it has one, in the place of one that needs a lead.
 *
 * @param newlyBroken promises of the household that are broken then and are not as it stands, and {@code mended} the other way round;
 *     what belongs to joining or to the lead is not counted
 * @param battery how its pack lasts there
 */
public record PackInstead(DeviceModel model, long newlyBroken, long mended, Finding battery) {
    /** So many models are tried at most. */
    static final int TRIED = 24;

    /** The one that breaks least, of those the one whose pack has most left; empty where none may hang there. */
    public static Optional<PackInstead> of(HouseholdJudge judge, HouseholdFacts facts, Camera camera, List<DeviceModel> models) {
        Set<PromiseKey> now = broken(judge.again(facts));
        return models.stream()
                .filter(model -> model.power().onBattery() && (model.mount().outdoors() || !camera.model().mount().outdoors()))
                .limit(TRIED).map(model -> with(model, judge, facts, camera, now))
                .min(Comparator.comparingLong((PackInstead instead) -> instead.newlyBroken() - instead.mended())
                        .thenComparingLong(PackInstead::newlyBroken)
                        .thenComparing(instead -> -instead.battery().measured().orElse(0))
                        .thenComparing(instead -> instead.model().key()));
    }

    private static PackInstead with(DeviceModel model, HouseholdJudge judge, HouseholdFacts facts, Camera camera, Set<PromiseKey> now) {
        Camera there = new Camera(camera.id(), camera.name(), model, camera.pose(), camera.masked(), camera.settings(), false, false, false,
                Optional.empty());
        Judgement judged = judge.again(facts.withCamera(there));
        Finding battery = judged.promises().stream()
                .filter(each -> each.promise() instanceof Promise.BatteryLasts lasts && lasts.cameraId() == camera.id()).findFirst()
                .orElseThrow().finding();
        Set<PromiseKey> then = broken(judged);
        return new PackInstead(model, then.stream().filter(key -> !now.contains(key)).count(),
                now.stream().filter(key -> !then.contains(key)).count(), battery);
    }

    private static Set<PromiseKey> broken(Judgement judgement) {
        return judgement.promises().stream().filter(judged -> judged.finding().standing() == Standing.BROKEN)
                .map(Judged::promise).filter(promise -> !(promise instanceof Promise.Joins || promise instanceof Promise.OwnPassword
                        || promise instanceof Promise.LeadCarries))
                .map(Promise::key).collect(Collectors.toSet());
    }
}
