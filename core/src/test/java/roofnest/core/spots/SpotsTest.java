package roofnest.core.spots;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.cover.SetCover;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.spots.FewestCameras.Offer;
import roofnest.core.view.CameraPose;

/** Better spots are better by the judge's own word, and fewest is fewest. */
class SpotsTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final List<Promise> WISHES = List.of(
            new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.BOTH),
            new Promise.MakeOut(PromiseKey.written(2), DetailLevel.OBSERVE, "lane-door", Light.BOTH),
            new Promise.NeverShows(PromiseKey.written(3), "landing"));
    private static final Camera BADLY_HUNG
            = new Camera(7, "Eye", Catalogue.shipped().get("dunmark-post"), new CameraPose(11.4, 2.0, 2.4, 300, 12), Set.of(),
                    Camera.Settings.DEFAULT, false, false, false, Optional.of(LocalDate.of(2026, 11, 1)));

    @Test
    void what_is_suggested_is_better_and_says_what_changes() {
        HouseholdFacts facts = facts(WISHES);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        Judgement now = judge.again(facts);
        BetterSpot.Outcome outcome = BetterSpot.forCamera(judge, facts, BADLY_HUNG);
        assertThat(outcome.suggestions()).isNotEmpty().hasSizeLessThanOrEqualTo(3);
        long fewest = Long.MAX_VALUE;
        for (BetterSpot.Suggestion suggestion : outcome.suggestions()) {
            Judgement there = judge.again(facts.withCamera(BADLY_HUNG.withPose(suggestion.pose())));
            assertThat(there.count(Standing.BROKEN)).isLessThanOrEqualTo(now.count(Standing.BROKEN));
            fewest = Math.min(fewest, there.count(Standing.BROKEN));
            assertThat(suggestion.changes()).isEqualTo(BetterSpot.changes(now, there));
        }
        assertThat(judge.again(facts.withCamera(BADLY_HUNG.withPose(outcome.suggestions().get(0).pose()))).count(Standing.BROKEN))
                .as("the first is the best").isEqualTo(fewest);
        assertThat(outcome.suggestions().get(0).changes()).anySatisfy(change -> assertThat(change.better()).isTrue());
        assertThat(outcome.suggestions()).allSatisfy(one -> assertThat(outcome.suggestions()).filteredOn(other -> other != one)
                .allSatisfy(other -> assertThat(one.pose().onPlan().distanceM(other.pose().onPlan())).isGreaterThanOrEqualTo(1.5)));
    }

    @Test
    void the_same_question_has_the_same_answer() {
        HouseholdFacts facts = facts(WISHES);
        assertThat(BetterSpot.forCamera(HouseholdJudge.of(facts), facts, BADLY_HUNG))
                .isEqualTo(BetterSpot.forCamera(HouseholdJudge.of(facts), facts, BADLY_HUNG));
    }

    @Test
    void mounts_hang_on_walls_that_hold_screws_and_off_next_doors_ground() {
        List<Mount> mounts = Mount.on(new House(PLAN, List.of()), BADLY_HUNG.model().mount());
        assertThat(mounts).isNotEmpty().allSatisfy(mount -> {
            assertThat(PLAN.walls()).noneMatch(wall -> wall.covers(mount.at()));
            assertThat(PLAN.area("landing").orElseThrow().covers(mount.at())).isFalse();
        });
        assertThat(mounts).extracting(Mount::on).contains("stone wall", "sheet metal wall").doesNotContain("hedge wall");
    }

    @Test
    void the_fewest_cameras_together_keep_what_they_are_said_to_keep() {
        List<Promise> more = new ArrayList<>(WISHES);
        more.add(new Promise.MakeOut(PromiseKey.written(4), DetailLevel.DETECT, "hives", Light.DAY));
        HouseholdFacts facts = facts(more);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        FewestCameras.Outcome outcome = FewestCameras.of(judge, facts, BADLY_HUNG.model());
        assertThat(outcome.proved()).isTrue();
        assertThat(outcome.hopeless()).isEmpty();
        assertThat(outcome.cameras()).as("stairs and hives lie on opposite sides of the house").hasSize(2);
        List<Camera> hung = new ArrayList<>();
        for (FewestCameras.Hung spot : outcome.cameras()) {
            Camera camera = new Camera(hung.size() + 1, "c" + hung.size(), BADLY_HUNG.model(), spot.pose(), Set.of(),
                    Camera.Settings.DEFAULT, false, false, false, Optional.empty());
            hung.add(camera.withMasked(judge.cellsShowing(facts, camera)));
        }
        assertThat(judge.again(facts.withCameras(hung)).promises()).filteredOn(judged -> more.contains(judged.promise()))
                .extracting(judged -> judged.finding().standing()).containsOnly(Standing.KEPT);
    }

    /** Of one model and its twin at another price the cheaper is taken, until the hub it needs makes it the dearer. */
    @Test
    void of_several_models_as_few_and_then_the_cheapest_are_taken_with_their_hubs_paid_once() {
        List<Promise> more = new ArrayList<>(WISHES);
        more.add(new Promise.MakeOut(PromiseKey.written(4), DetailLevel.DETECT, "hives", Light.DAY));
        HouseholdFacts facts = facts(more);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        DeviceModel post = BADLY_HUNG.model();
        DeviceModel twin = post.withKey("twin");
        assertThat(models(judge, facts, new Offer(post, 139, 0), new Offer(twin, 99, 0))).containsExactly("twin", "twin");
        assertThat(models(judge, facts, new Offer(post, 139, 0), new Offer(twin, 99, 90))).containsExactly("dunmark-post", "dunmark-post");
        FewestCameras.Outcome both = FewestCameras.of(judge, facts, List.of(new Offer(post, 139, 0), new Offer(twin, 99, 70)));
        assertThat(both.cameras()).extracting(hung -> hung.model().key()).as("the hub is paid once for both").containsOnly("twin");
        assertThat(both.price()).isEqualTo(2 * 99 + 70);
        assertThat(both.proved()).isTrue();
        assertThatThrownBy(() -> FewestCameras.of(judge, facts, List.of())).hasMessageContaining("need a model");
        assertThatThrownBy(() -> new Offer(post, Double.NaN, 0)).hasMessageContaining("price");
    }

    private static List<String> models(HouseholdJudge judge, HouseholdFacts facts, Offer... offers) {
        return FewestCameras.of(judge, facts, List.of(offers)).cameras().stream().map(hung -> hung.model().key()).toList();
    }

    @Test
    void what_no_spot_can_keep_is_named() {
        HousePlan far = PLAN.withPlaces(List.of(new Place("moor", "moor", new PlanPoint(200, 200), 0)));
        HouseholdFacts facts = new HouseholdFacts(Optional.of(far), List.of(),
                List.of(new Promise.MakeOut(PromiseKey.written(1), DetailLevel.IDENTIFY, "moor", Light.DAY)),
                Optional.empty(), 0, new Access(List.of(), List.of()), List.of(), Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false);
        FewestCameras.Outcome outcome = FewestCameras.of(HouseholdJudge.of(facts), facts, BADLY_HUNG.model());
        assertThat(outcome.cameras()).isEmpty();
        assertThat(outcome.hopeless()).containsExactly("Identify a stranger at the moor, by day");
    }

    @Property(tries = 60)
    void the_solver_takes_as_few_as_trying_every_set_does(@ForAll @LongRange(min = 0, max = 1_000_000) long seed) {
        Random random = new Random(seed);
        Set<Integer> things = new HashSet<>();
        List<SetCover.Choice> choices = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            Set<Integer> covers = new HashSet<>();
            for (int k = 0; k < 3; k++) {
                covers.add(random.nextInt(8));
            }
            things.addAll(covers);
            choices.add(new SetCover.Choice(covers, random.nextInt(50), List.of("", "", "hub", "bridge").get(random.nextInt(4))));
        }
        Map<String, Double> once = Map.of("hub", (double) random.nextInt(40), "bridge", (double) random.nextInt(40));
        SetCover.Answer answer = SetCover.solve(things, choices, once);
        int fewest = Integer.MAX_VALUE;
        double cheapest = Double.MAX_VALUE;
        for (int set = 0; set < 1 << choices.size(); set++) {
            Set<Integer> covered = new HashSet<>();
            Set<String> needed = new HashSet<>();
            double cost = 0;
            for (int i = 0; i < choices.size(); i++) {
                if ((set >> i & 1) == 1) {
                    covered.addAll(choices.get(i).covers());
                    cost += choices.get(i).cost();
                    needed.add(choices.get(i).needs());
                }
            }
            cost += needed.stream().mapToDouble(hub -> once.getOrDefault(hub, 0.0)).sum();
            int size = Integer.bitCount(set);
            if (covered.containsAll(things) && (size < fewest || size == fewest && cost < cheapest)) {
                fewest = size;
                cheapest = cost;
            }
        }
        assertThat(answer.proved()).isTrue();
        assertThat(answer.chosen()).hasSize(fewest);
        assertThat(answer.chosen().stream().mapToDouble(i -> choices.get(i).cost()).sum()
                + answer.chosen().stream().map(i -> choices.get(i).needs()).distinct().mapToDouble(hub -> once.getOrDefault(hub, 0.0))
                        .sum())
                .isEqualTo(cheapest);
    }

    @Property(tries = 60)
    void the_solver_pays_as_little_as_the_cheapest_of_all_sets(@ForAll @LongRange(min = 0, max = 1_000_000) long seed) {
        Random random = new Random(seed);
        Set<Integer> things = new HashSet<>();
        List<SetCover.Choice> choices = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            Set<Integer> covers = new HashSet<>(List.of(random.nextInt(8), random.nextInt(4)));
            things.addAll(covers);
            choices.add(new SetCover.Choice(covers, random.nextInt(30)));
        }
        SetCover.Answer answer = SetCover.cheapest(things, choices);
        double least = Double.MAX_VALUE;
        for (int set = 0; set < 1 << choices.size(); set++) {
            Set<Integer> covered = new HashSet<>();
            double cost = 0;
            for (int i = 0; i < choices.size(); i++) {
                if ((set >> i & 1) == 1) {
                    covered.addAll(choices.get(i).covers());
                    cost += choices.get(i).cost();
                }
            }
            least = covered.containsAll(things) ? Math.min(least, cost) : least;
        }
        Set<Integer> covered = new HashSet<>();
        answer.chosen().forEach(i -> covered.addAll(choices.get(i).covers()));
        assertThat(covered).containsAll(things);
        assertThat(answer.chosen().stream().mapToDouble(i -> choices.get(i).cost()).sum()).isEqualTo(least);
        assertThat(answer.proved()).isTrue();
    }

    @Test
    void what_nothing_covers_cannot_be_asked_for() {
        assertThatThrownBy(() -> SetCover.solve(Set.of(1, 2), List.of(new SetCover.Choice(Set.of(1), 1))))
                .hasMessageContaining("nothing covers 2");
        assertThat(SetCover.solve(Set.of(), List.of()).chosen()).isEmpty();
    }

    @Test
    void what_a_spot_costs_is_weighed_as_the_firm_says() {
        Costs costs = new Costs(7, Climb.LADDER, 1200, 3, true);
        assertThat(costs.asMetres(Practice.USUAL)).as("7 m, a ladder as 4, 1,200 min as 2, 3 % as 3").isEqualTo(16);
        assertThat(costs.asMetres(new Practice(Map.of(Figure.A_LADDER, 40.0)))).isEqualTo(52);
        assertThat(costs.asMetres(new Practice(Map.of(Figure.A_METRE_OF_SUN, 100.0)))).isEqualTo(26);
        assertThat(costs.asMetres(new Practice(Map.of(Figure.A_METRE_OF_PRIVATE, 0.5)))).isEqualTo(19);
        assertThat(new Costs(7, Climb.STEPS, 0, 0, true).asMetres(new Practice(Map.of(Figure.A_LADDER, 100.0)))).isEqualTo(7);
        assertThat(new Costs(7, Climb.STEPS, 0, 0, false).asMetres(Practice.USUAL)).as("nowhere to stand as 25 m").isEqualTo(32);
    }

    /** Whoever minds sun in the lens gets spots with less of it, at the price of more cable; whoever does not the other way round. */
    @Test
    void the_search_for_the_fewest_goes_by_the_firms_own_prices() {
        List<Promise> stairs = List.of(WISHES.get(0), WISHES.get(2));
        Costs minded = chosen(stairs, new Practice(Map.of(Figure.A_METRE_OF_SUN, 10.0)));
        Costs borne = chosen(stairs, new Practice(Map.of(Figure.A_METRE_OF_SUN, 10_000.0)));
        assertThat(minded.sunMinutes()).isLessThan(borne.sunMinutes());
        assertThat(minded.cableM()).isGreaterThan(borne.cableM());
    }

    private static Costs chosen(List<Promise> promises, Practice practice) {
        HouseholdFacts usual = facts(promises);
        HouseholdFacts facts = new HouseholdFacts(usual.plan(), usual.cameras(), promises, usual.network(), 0, usual.access(), List.of(),
                usual.climate(), usual.today(), false, List.of(), practice);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        DeviceModel wired = Catalogue.shipped().models().stream()
                .filter(model -> !model.power().onBattery() && model.mount().outdoors()).findFirst().orElseThrow();
        List<FewestCameras.Hung> hung = FewestCameras.of(judge, facts, wired).cameras();
        assertThat(hung).hasSize(1);
        return Costs.of(judge.house().orElseThrow(), wired, hung.get(0).pose(),
                judge.again(facts.withCameras(List.of(BADLY_HUNG.withPose(hung.get(0).pose())))), facts);
    }

    private static HouseholdFacts facts(List<Promise> written) {
        return new HouseholdFacts(Optional.of(PLAN), List.of(BADLY_HUNG), written, Optional.empty(), 0, new Access(List.of(), List.of()),
                List.of(),
                Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false);
    }
}
