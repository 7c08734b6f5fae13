package roofnest.core.footage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;

import roofnest.core.lang.Require;

/**
 * The cheapest ways to keep a house's footage as it is promised: which camera's on what card, on its hub's, on a recorder, by which paid
 * plans. Exact: an integer programme over all of them at once, since a plan, a hub's card and a recorder are paid once for several cameras;
 * one worker and a fixed seed, so that the same offers give the same ways. A way after the first leaves out some place of every one
 * before it, so none is another with something needless besides.
 *
 * <p>Solver: Perron and Didier, CP-SAT.
 */
public final class CheapestWays {
    /** Months over which they are compared. */
    public static final int MONTHS = 36;
    /** How many are looked for. */
    public static final int WAYS = 3;
    private static final double MOST_SECONDS = 10;
    private static final int SEED = 7;
    /** Loads are whole numbers of such steps, rounded up: no store holds less than was reckoned. */
    private static final double MB_A_GB = 1000;
    private static final int MOST_CAMERAS = 64;

    private CheapestWays() {}

    /**
     * A camera whose footage is to be kept.
     *
     * @param gbADay that it writes in the house in a bad week, and {@code meanGbADay} on a mean day
     * @param clips whether it makes clips, which alone a plan keeps
     * @param clipLostS of the last seconds before it is taken, so many are not yet with a plan
     * @param hub model of its hub, where the house has that; empty for none
     */
    public record Cam(long id, String name, String maker, double gbADay, double meanGbADay, boolean clips, double clipLostS, int cardMaxGb,
            Optional<String> hub, boolean streams) {
        public Cam {
            Require.inRange("written in GB a day", gbADay, 0, 1e4);
            Require.inRange("written in GB on a mean day", meanGbADay, 0, 1e4);
            Require.inRange("seconds not yet sent", clipLostS, 0, 1e7);
        }
    }

    /**
     * What can be bought.
     *
     * @param cards hundredths of the currency by size in GB, the same for cameras and hubs
     * @param hubMostGb largest card of each hub of the house, by its model
     * @param recorders hundredths by size of disk in GB
     * @param changeCents a visit to change a worn card; empty where nobody said
     * @param recorderCents what a recorder takes of electricity in the whole time
     */
    public record Offers(Map<Integer, Long> cards, Map<String, Integer> hubMostGb, Map<Integer, Long> recorders, List<CloudPlan> plans,
            Optional<Long> changeCents, long recorderCents) {
        public Offers {
            cards = Map.copyOf(cards);
            hubMostGb = Map.copyOf(hubMostGb);
            recorders = Map.copyOf(recorders);
            plans = List.copyOf(plans);
        }
    }

    /**
     * What is promised of it.
     *
     * @param days it is kept; 0 where nobody promised any
     * @param toleranceShare so much more than promised every store has to hold, as long as that is only reckoned
     * @param lastS at most so much is gone with a camera, seconds; empty where nobody promised that
     */
    public record Wanted(int days, double toleranceShare, OptionalDouble lastS) {
        double storeDays() {
            return Math.max(1, days * (1 + toleranceShare));
        }

        boolean anything() {
            return days > 0 || lastS.isPresent();
        }
    }

    /**
     * One thing to buy, for the whole time.
     *
     * @param gb of a card or disk; 0 for a plan. @param plan that is bought; empty for a store
     * @param count pieces, with those that take the place of worn ones
     */
    public record Buy(Survival.Place place, List<Long> cameras, int gb, Optional<CloudPlan> plan, int count, long cents) {
        public Buy {
            cameras = List.copyOf(cameras);
        }
    }

    /** @param proved whether nothing cheaper keeps it, but for the ways before it */
    public record Way(List<Buy> buys, long cents, boolean proved) {
        public Way {
            buys = List.copyOf(buys);
        }
    }

    /** Cards that are written to so much are needed in the whole time, the first with them. */
    static int cards(int gb, double meanGbADay) {
        double years = CardWear.years(CardWear.ratedTbw(gb, true), meanGbADay);
        return (int) Math.ceil(MONTHS / 12.0 / years - 1e-9);
    }

    /** Hundredths for so many cards, with the visits to change them; empty where they are needed and nobody said what one costs. */
    private static Optional<Long> cents(int cards, long each, Offers offers) {
        return cards == 1 ? Optional.of(each) : offers.changeCents().map(visit -> cards * each + (cards - 1) * visit);
    }

    /** The cheapest first; empty where nothing that is offered keeps it, or nothing is promised. */
    public static List<Way> find(List<Cam> cams, Offers offers, Wanted wanted) {
        Require.inRange("cameras", cams.size(), 0, MOST_CAMERAS);
        if (cams.isEmpty() || !wanted.anything()) {
            return List.of();
        }
        Loader.loadNativeLibraries();
        List<Way> ways = new ArrayList<>();
        List<Set<Chosen>> before = new ArrayList<>();
        while (ways.size() < WAYS) {
            Search search = new Search(cams, offers, wanted, before);
            Optional<Way> way = search.solve();
            if (way.isEmpty()) {
                break;
            }
            ways.add(way.get());
            before.add(search.chosen());
        }
        return ways;
    }

    /** That a camera's footage goes to a place. */
    private record Chosen(long camera, Survival.Place place) {}

    /** A thing that may be bought, as often as its variable says. */
    private record Item(Survival.Place place, String of, int gb, Optional<CloudPlan> plan, int pieces, long cents, IntVar times) {}

    private static final class Search {
        private final List<Cam> cams;
        private final Offers offers;
        private final Wanted wanted;
        private final CpModel model = new CpModel();
        private final List<Item> items = new ArrayList<>();
        /** What goes where; a camera without a variable for a place cannot go there. */
        private final Map<Chosen, BoolVar> to = new TreeMap<>(Comparator.comparingLong(Chosen::camera).thenComparing(Chosen::place));
        private final Map<Long, Map<Long, BoolVar>> onPlan = new TreeMap<>();
        private CpSolver solver;

        private Search(List<Cam> cams, Offers offers, Wanted wanted, List<Set<Chosen>> before) {
            this.cams = cams;
            this.offers = offers;
            this.wanted = wanted;
            cams.forEach(this::cards);
            offers.hubMostGb().forEach(this::hub);
            recorder();
            offers.plans().stream().map(CloudPlan::maker).distinct().sorted().forEach(this::plans);
            cams.forEach(this::keeps);
            before.forEach(this::leavesOutSome);
            LinearExprBuilder cost = LinearExpr.newBuilder();
            // Of equal cost the way with the fewest places, so that nothing needless is bought for nothing.
            long steps = (long) cams.size() * Survival.Place.values().length + 1;
            items.forEach(item -> cost.addTerm(item.times(), item.cents() * steps));
            to.values().forEach(each -> cost.addTerm(each, 1));
            model.minimize(cost);
        }

        private BoolVar to(Cam cam, Survival.Place place) {
            return to.computeIfAbsent(new Chosen(cam.id(), place), key -> model.newBoolVar(key.toString()));
        }

        /** On a card of its own: one size that holds the days. */
        private void cards(Cam cam) {
            List<Literal> sizes = new ArrayList<>();
            offers.cards().forEach((gb, each) -> {
                int pieces = CheapestWays.cards(gb, cam.meanGbADay());
                Optional<Long> cents = cents(pieces, each, offers);
                if (gb <= cam.cardMaxGb() && cents.isPresent() && Retention.USABLE_SHARE * gb >= wanted.storeDays() * cam.gbADay()) {
                    BoolVar bought = model.newBoolVar("card " + cam.id() + " " + gb);
                    items.add(new Item(Survival.Place.CARD, String.valueOf(cam.id()), gb, Optional.empty(), pieces, cents.get(), bought));
                    sizes.add(bought);
                }
            });
            if (!sizes.isEmpty()) {
                model.addEquality(to(cam, Survival.Place.CARD), LinearExpr.sum(sizes.toArray(Literal[]::new)));
            }
        }

        /** On a card in the hub, shared: worn as if all its cameras wrote to it. */
        private void hub(String hub, int mostGb) {
            List<Cam> its = cams.stream().filter(cam -> cam.hub().filter(hub::equals).isPresent()).toList();
            Map<Integer, Long> sizes = new TreeMap<>();
            Map<Integer, Integer> pieces = new TreeMap<>();
            double mean = its.stream().mapToDouble(Cam::meanGbADay).sum();
            offers.cards().forEach((gb, each) -> cents(CheapestWays.cards(gb, mean), each, offers).filter(cents -> gb <= mostGb)
                    .ifPresent(cents -> {
                        sizes.put(gb, cents);
                        pieces.put(gb, CheapestWays.cards(gb, mean));
                    }));
            shared(Survival.Place.HUB, hub, its, sizes, pieces);
        }

        private void recorder() {
            Map<Integer, Long> sizes = new TreeMap<>();
            offers.recorders().forEach((gb, cents) -> sizes.put(gb, cents + offers.recorderCents()));
            shared(Survival.Place.RECORDER, "", cams.stream().filter(Cam::streams).toList(), sizes, Map.of());
        }

        /** One store of one size for all that write to it. */
        private void shared(Survival.Place place, String of, List<Cam> its, Map<Integer, Long> sizes, Map<Integer, Integer> pieces) {
            if (its.isEmpty() || sizes.isEmpty()) {
                return;
            }
            LinearExprBuilder holds = LinearExpr.newBuilder();
            List<Literal> bought = new ArrayList<>();
            sizes.forEach((gb, cents) -> {
                BoolVar size = model.newBoolVar(place + of + gb);
                items.add(new Item(place, of, gb, Optional.empty(), pieces.getOrDefault(gb, 1), cents, size));
                bought.add(size);
                holds.addTerm(size, (long) Math.floor(Retention.USABLE_SHARE * gb * MB_A_GB));
            });
            model.addAtMostOne(bought);
            LinearExprBuilder writes = LinearExpr.newBuilder();
            for (Cam cam : its) {
                writes.addTerm(to(cam, place), (long) Math.ceil(wanted.storeDays() * cam.gbADay() * MB_A_GB));
                // One that writes nothing still needs the store to be there.
                model.addLessOrEqual(to(cam, place), LinearExpr.sum(bought.toArray(Literal[]::new)));
            }
            model.addLessOrEqual(writes, holds);
        }

        /** Plans of one maker: a camera is on one of them at most. */
        private void plans(String maker) {
            List<Cam> its = cams.stream().filter(cam -> cam.clips() && cam.maker().equals(maker)).toList();
            Map<Long, List<Literal>> ofCam = new TreeMap<>();
            for (CloudPlan plan : offers.plans()) {
                if (!plan.maker().equals(maker) || plan.keepsDays() < Math.max(1, wanted.days()) || its.isEmpty()) {
                    continue;
                }
                LinearExprBuilder on = LinearExpr.newBuilder();
                IntVar times = model.newIntVar(0, plan.camerasMost() == 0 ? 1 : its.size(), "plan " + plan.id());
                items.add(new Item(Survival.Place.CLOUD, "", 0, Optional.of(plan), 1, plan.centsAMonth() * MONTHS, times));
                for (Cam cam : its) {
                    BoolVar one = model.newBoolVar("on " + plan.id() + " " + cam.id());
                    onPlan.computeIfAbsent(plan.id(), id -> new TreeMap<>()).put(cam.id(), one);
                    ofCam.computeIfAbsent(cam.id(), id -> new ArrayList<>()).add(one);
                    on.add(one);
                }
                model.addLessOrEqual(on, LinearExpr.term(times, plan.camerasMost() == 0 ? its.size() : plan.camerasMost()));
            }
            for (Cam cam : its) {
                if (ofCam.containsKey(cam.id())) {
                    model.addEquality(to(cam, Survival.Place.CLOUD), LinearExpr.sum(ofCam.get(cam.id()).toArray(Literal[]::new)));
                }
            }
        }

        /** Every camera is kept as promised; a place that only holds and one that only survives may each do their part. */
        private void keeps(Cam cam) {
            Map<Survival.Place, BoolVar> can = new EnumMap<>(Survival.Place.class);
            for (Survival.Place place : Survival.Place.values()) {
                Optional.ofNullable(to.get(new Chosen(cam.id(), place))).ifPresent(each -> can.put(place, each));
            }
            if (wanted.days() > 0) {
                model.addBoolOr(can.values().toArray(Literal[]::new));
            }
            wanted.lastS().ifPresent(most -> model.addBoolOr(can.entrySet().stream().filter(each -> switch (each.getKey()) {
                case CARD -> false;
                case HUB, RECORDER -> Survival.HUB_LAG_S <= most;
                case CLOUD -> cam.clipLostS() <= most;
            }).map(Map.Entry::getValue).toArray(Literal[]::new)));
        }

        private void leavesOutSome(Set<Chosen> way) {
            model.addLessOrEqual(LinearExpr.sum(way.stream().map(to::get).filter(Objects::nonNull).toArray(Literal[]::new)),
                    way.size() - 1L);
        }

        private Optional<Way> solve() {
            solver = new CpSolver();
            solver.getParameters().setNumWorkers(1).setRandomSeed(SEED).setMaxTimeInSeconds(MOST_SECONDS);
            CpSolverStatus status = solver.solve(model);
            if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
                return Optional.empty();
            }
            List<Buy> buys = new ArrayList<>();
            for (Item item : items) {
                int times = (int) solver.value(item.times());
                if (times > 0) {
                    buys.add(new Buy(item.place(), cameras(item), item.gb(), item.plan(), times * item.pieces(), times * item.cents()));
                }
            }
            return Optional.of(new Way(buys, buys.stream().mapToLong(Buy::cents).sum(), status == CpSolverStatus.OPTIMAL));
        }

        private List<Long> cameras(Item item) {
            return cams.stream().filter(cam -> switch (item.place()) {
                case CARD -> item.of().equals(String.valueOf(cam.id()));
                case HUB -> cam.hub().filter(item.of()::equals).isPresent() && is(cam, Survival.Place.HUB);
                case RECORDER -> is(cam, Survival.Place.RECORDER);
                case CLOUD -> Optional.ofNullable(onPlan.get(item.plan().orElseThrow().id()).get(cam.id()))
                        .filter(solver::booleanValue).isPresent();
            }).map(Cam::id).toList();
        }

        private boolean is(Cam cam, Survival.Place place) {
            return Optional.ofNullable(to.get(new Chosen(cam.id(), place))).filter(solver::booleanValue).isPresent();
        }

        private Set<Chosen> chosen() {
            return to.entrySet().stream().filter(each -> solver.booleanValue(each.getValue())).map(Map.Entry::getKey)
                    .collect(Collectors.toSet());
        }
    }
}
