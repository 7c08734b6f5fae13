package roofnest.core.spots;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.cover.SetCover;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.lang.Require;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/**
 * How few cameras, of one model or of several with their prices, keep everything that a household was promised to have seen.
 * Each candidate pose is judged
 * alone: the promises it keeps are what it covers, and a pose that breaks a promise of its own (shows what must not be
 * shown, even when all that shows it is masked; has no link; blinds itself; hangs in reach) is left out. The fewest that
 * cover every promise is a set cover, solved exactly by {@link SetCover}; of as few the cheapest are taken, where the hub that
 * a maker's cameras need is paid once.
 */
public final class FewestCameras {
    /** Poses judged in full, of all models together. */
    public static final int JUDGED = 400;
    /** However many models there are, so many poses of each are judged. */
    private static final int JUDGED_EACH = 40;
    /** What a metre of cable, and what weighs as much, counts beside prices: one unit of the firm's money. */
    private static final double PRICE_A_METRE = 1;

    private FewestCameras() {}

    /**
     * A model to choose from.
     *
     * @param price of one, in the firm's money, 0 or more
     * @param hubPrice of the hub that it joins through, paid once for all of its maker; 0 without one
     */
    public record Offer(DeviceModel model, double price, double hubPrice) {
        public Offer {
            Objects.requireNonNull(model, "model");
            Require.inRange("price", price, 0, 1e7);
            Require.inRange("price of the hub", hubPrice, 0, 1e7);
        }
    }

    /** One camera of the answer, with what it keeps. */
    public record Hung(DeviceModel model, CameraPose pose, String on, List<String> keeps) {}

    /**
     * @param cameras the fewest, empty when nothing can be kept by any
     * @param proved whether the solver proved that fewer cannot
     * @param hopeless promises that no candidate keeps
     * @param candidates how many poses were judged
     * @param price of the cameras and their hubs, in the firm's money; cable and work are not in it
     */
    public record Outcome(List<Hung> cameras, boolean proved, List<String> hopeless, int candidates, int asked, double price) {}

    private record Option(Offer offer, Candidates.Posed posed, Set<Integer> covers, double cost) {
        /** The hub that is needed, by its maker; empty without one. */
        private String hub() {
            return offer.hubPrice() > 0 ? offer.model().maker() : "";
        }
    }

    /** What a pose covers and needs: of two that do the same the cheaper is enough. */
    private record Same(Set<Integer> covers, String hub) {}

    /** Of one model, whatever it costs. */
    public static Outcome of(HouseholdJudge judge, HouseholdFacts facts, DeviceModel model) {
        return of(judge, facts, List.of(new Offer(model, 0, 0)));
    }

    /** @param offers at least one; in the answer each may stand more than once or not at all */
    public static Outcome of(HouseholdJudge judge, HouseholdFacts facts, List<Offer> offers) {
        var house = judge.house().orElseThrow(() -> new IllegalArgumentException("fewest cameras need a plan"));
        if (offers.isEmpty()) {
            throw new IllegalArgumentException("fewest cameras need a model");
        }
        List<Promise> seen
                = facts.written().stream().filter(p -> p instanceof Promise.MakeOut || p instanceof Promise.RecordedBefore).toList();
        Map<PromiseKey, String> wording = new LinkedHashMap<>();
        judge.again(facts.withCameras(List.of())).promises().forEach(judged -> wording.put(judged.promise().key(), judged.wording()));
        Map<Same, Option> options = new LinkedHashMap<>();
        int candidates = 0;
        for (Offer offer : offers) {
            List<Candidates.Posed> poses = new Candidates(house, offer.model(), seen).best(Math.max(JUDGED_EACH, JUDGED / offers.size()));
            candidates += poses.size();
            for (Candidates.Posed pose : poses) {
                option(judge, facts, offer, seen, pose).ifPresent(
                        option -> options.merge(new Same(option.covers(), option.hub()), option, (a, b) -> a.cost() <= b.cost() ? a : b));
            }
        }
        List<Option> kept = new ArrayList<>(options.values());
        kept.sort(Comparator.comparing(option -> option.posed().pose() + option.offer().model().key()));
        Set<Integer> coverable = new TreeSet<>();
        kept.forEach(option -> coverable.addAll(option.covers()));
        List<String> hopeless = new ArrayList<>();
        for (int i = 0; i < seen.size(); i++) {
            if (!coverable.contains(i)) {
                hopeless.add(wording.get(seen.get(i).key()));
            }
        }
        Map<String, Double> hubs = new TreeMap<>();
        offers.stream().filter(offer -> offer.hubPrice() > 0).forEach(offer -> hubs.put(offer.model().maker(), offer.hubPrice()));
        SetCover.Answer answer = SetCover.solve(coverable,
                kept.stream().map(option -> new SetCover.Choice(option.covers(), option.cost(), option.hub())).toList(), hubs);
        List<Option> chosen = answer.chosen().stream().map(kept::get).toList();
        List<Hung> hung = chosen.stream().map(option -> new Hung(option.offer().model(), option.posed().pose(), option.posed().mount().on(),
                option.covers().stream().map(i -> wording.get(seen.get(i).key())).toList())).toList();
        double price = chosen.stream().mapToDouble(option -> option.offer().price()).sum()
                + chosen.stream().map(Option::hub).distinct().mapToDouble(hub -> hubs.getOrDefault(hub, 0.0)).sum();
        return new Outcome(hung, answer.proved(), hopeless, candidates, seen.size(), price);
    }

    private static Optional<Option> option(
            HouseholdJudge judge, HouseholdFacts facts, Offer offer, List<Promise> seen, Candidates.Posed candidate) {
        DeviceModel model = offer.model();
        Camera camera = new Camera(1, "candidate", model, candidate.pose(), Set.of(), Camera.Settings.DEFAULT, false, false, false,
                Optional.empty());
        Camera masked = camera.withMasked(judge.cellsShowing(facts, camera));
        Judgement alone = judge.again(facts.withCameras(List.of(masked)));
        Set<Integer> covers = new TreeSet<>();
        int thin = 0;
        for (Judged judged : alone.promises()) {
            Standing standing = judged.finding().standing();
            Promise promise = judged.promise();
            boolean own
                    = promise instanceof Promise.NeverShows || promise instanceof Promise.HoldsLink || promise instanceof Promise.ClearLens
                            || promise instanceof Promise.OutOfReach || promise instanceof Promise.ReachedSafely;
            if (own && standing == Standing.BROKEN) {
                return Optional.empty();
            }
            int index = seen.indexOf(promise);
            if (index >= 0 && (standing == Standing.KEPT || standing == Standing.THIN)) {
                covers.add(index);
                thin += standing == Standing.THIN ? 1 : 0;
            }
        }
        double metres = facts.practice().of(Figure.A_THIN_PROMISE) * thin
                + Costs.of(judge.house().orElseThrow(), model, candidate.pose(), alone, facts).asMetres(facts.practice());
        return covers.isEmpty() ? Optional.empty()
                : Optional.of(new Option(offer, candidate, covers, offer.price() + PRICE_A_METRE * metres));
    }
}
