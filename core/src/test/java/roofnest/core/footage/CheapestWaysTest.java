package roofnest.core.footage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;

import org.junit.jupiter.api.Test;

import roofnest.core.footage.CheapestWays.Cam;
import roofnest.core.footage.CheapestWays.Offers;
import roofnest.core.footage.CheapestWays.Wanted;
import roofnest.core.footage.CheapestWays.Way;

/** The cheapest ways to keep footage, against every way there is on small houses. */
class CheapestWaysTest {
    private static final int CASES = 40;
    private static final Wanted TEN_DAYS = new Wanted(10, 0.1, OptionalDouble.empty());
    private static final Offers OFFERS = new Offers(Map.of(32, 1000L, 64, 1500L, 128, 2500L), Map.of("hub", 128), Map.of(1000, 9000L),
            List.of(plan(1, 300, 1, 14), plan(2, 800, 0, 30)), Optional.of(6000L), 4000);

    private static CloudPlan plan(long id, long cents, int cameras, int days) {
        return new CloudPlan(id, "Plan " + id, "Dunmark", cents, cameras, days, 60, Set.of());
    }

    private static Cam cam(long id, double gbADay, int cardMaxGb, Optional<String> hub, boolean streams) {
        return new Cam(id, "Eye " + id, "Dunmark", gbADay, gbADay / 2, true, 20, cardMaxGb, hub, streams);
    }

    /** What one camera does: a size of card or 0, hub, recorder, number of a plan or 0. */
    private record Does(int card, boolean hub, boolean recorder, int plan) {
        private Set<String> places(long camera) {
            Set<String> places = new TreeSet<>();
            if (card > 0) {
                places.add(camera + " CARD");
            }
            if (hub) {
                places.add(camera + " HUB");
            }
            if (recorder) {
                places.add(camera + " RECORDER");
            }
            if (plan > 0) {
                places.add(camera + " CLOUD");
            }
            return places;
        }
    }

    /** Everything that the cameras can do, that keeps what is wanted, with what it costs. */
    private static void all(List<Cam> cams, Offers offers, Wanted wanted, List<Does> soFar, List<Map.Entry<Set<String>, Long>> into) {
        if (soFar.size() == cams.size()) {
            cost(cams, offers, wanted, soFar).ifPresent(cost -> {
                Set<String> places = new TreeSet<>();
                for (int i = 0; i < cams.size(); i++) {
                    places.addAll(soFar.get(i).places(cams.get(i).id()));
                }
                into.add(Map.entry(places, cost));
            });
            return;
        }
        Cam cam = cams.get(soFar.size());
        for (int card : new int[] {0, 32, 64, 128}) {
            for (int plan = 0; plan <= offers.plans().size(); plan++) {
                for (int bits = 0; bits < 4; bits++) {
                    Does does = new Does(card, (bits & 1) > 0, (bits & 2) > 0, plan);
                    if (can(cam, offers, wanted, does)) {
                        List<Does> longer = new ArrayList<>(soFar);
                        longer.add(does);
                        all(cams, offers, wanted, longer, into);
                    }
                }
            }
        }
    }

    private static boolean can(Cam cam, Offers offers, Wanted wanted, Does does) {
        double days = Math.max(1, wanted.days() * (1 + wanted.toleranceShare()));
        boolean cardHolds = does.card() == 0 || does.card() <= cam.cardMaxGb() && does.card() * 0.93 / days >= cam.gbADay();
        boolean planKeeps = does.plan() == 0 || offers.plans().get(does.plan() - 1).keepsDays() >= Math.max(1, wanted.days());
        boolean kept = does.card() > 0 || does.hub() || does.recorder() || does.plan() > 0;
        boolean survives = wanted.lastS().isEmpty() || (does.hub() || does.recorder()) && wanted.lastS().getAsDouble() >= 2
                || does.plan() > 0 && cam.clipLostS() <= wanted.lastS().getAsDouble();
        return cardHolds && planKeeps && (!does.hub() || cam.hub().isPresent()) && (!does.recorder() || cam.streams())
                && (kept || wanted.days() == 0) && survives;
    }

    private static int pieces(int gb, double meanGbADay) {
        int pieces = 1;
        while (meanGbADay > 0 && pieces * gb * 0.625 * 1000 / (meanGbADay * 365 * 1.5) < 3 - 1e-9) {
            pieces++;
        }
        return pieces;
    }

    private static Optional<Long> cost(List<Cam> cams, Offers offers, Wanted wanted, List<Does> all) {
        double days = Math.max(1, wanted.days() * (1 + wanted.toleranceShare()));
        long cents = 0;
        double hubGb = 0;
        double recorderGb = 0;
        double hubMean = cams.stream().filter(cam -> cam.hub().isPresent()).mapToDouble(Cam::meanGbADay).sum();
        boolean hub = false;
        boolean recorder = false;
        int[] on = new int[offers.plans().size() + 1];
        for (int i = 0; i < cams.size(); i++) {
            Does does = all.get(i);
            if (does.card() > 0) {
                int pieces = pieces(does.card(), cams.get(i).meanGbADay());
                cents += pieces * offers.cards().get(does.card()) + (pieces - 1) * offers.changeCents().orElseThrow();
            }
            hub |= does.hub();
            recorder |= does.recorder();
            hubGb += does.hub() ? cams.get(i).gbADay() : 0;
            recorderGb += does.recorder() ? cams.get(i).gbADay() : 0;
            on[does.plan()]++;
        }
        for (int p = 1; p < on.length; p++) {
            CloudPlan plan = offers.plans().get(p - 1);
            cents += on[p] == 0 ? 0 : 36 * plan.centsFor(on[p]);
        }
        OptionalLong hubCents = OptionalLong.of(0);
        if (hub) {
            double needed = hubGb * days / 0.93;
            hubCents = offers.cards().entrySet().stream().filter(each -> each.getKey() >= needed && each.getKey() <= offers.hubMostGb().get(
                    "hub")).mapToLong(each -> {
                        int pieces = pieces(each.getKey(), hubMean);
                        return pieces * each.getValue() + (pieces - 1) * offers.changeCents().orElseThrow();
                    }).min();
        }
        OptionalLong recorderCents = OptionalLong.of(0);
        if (recorder) {
            double needed = recorderGb * days / 0.93;
            recorderCents = offers.recorders().entrySet().stream().filter(each -> each.getKey() >= needed).mapToLong(each -> each.getValue()
                    + offers.recorderCents()).min();
        }
        return hubCents.isEmpty() || recorderCents.isEmpty() ? Optional.empty()
                : Optional.of(cents + hubCents.getAsLong() + recorderCents.getAsLong());
    }

    @Test
    void thereIsNothingCheaperAmongAllThatThereIs() {
        Random random = new Random(7);
        int none = 0;
        int several = 0;
        for (int n = 0; n < CASES; n++) {
            List<Cam> cams = new ArrayList<>();
            for (int i = 0; i < 2; i++) {
                cams.add(cam(i + 1, Math.round(40 * random.nextDouble()) / 4.0, new int[] {0, 64, 128}[random.nextInt(3)],
                        random.nextBoolean() ? Optional.of("hub") : Optional.empty(), random.nextInt(3) == 0));
            }
            Wanted wanted = new Wanted(random.nextInt(20), 0.1, random.nextBoolean() ? OptionalDouble.of(random.nextInt(30))
                    : OptionalDouble.empty());
            List<Map.Entry<Set<String>, Long>> every = new ArrayList<>();
            all(cams, OFFERS, wanted, List.of(), every);
            List<Way> ways = CheapestWays.find(cams, OFFERS, wanted);
            if (wanted.days() == 0 && wanted.lastS().isEmpty()) {
                assertThat(ways).isEmpty();
                continue;
            }
            List<Long> expected = new ArrayList<>();
            List<Set<String>> before = new ArrayList<>();
            for (Way way : ways) {
                assertThat(way.proved()).isTrue();
                expected.add(every.stream().filter(each -> before.stream().noneMatch(one -> each.getKey().containsAll(one)))
                        .mapToLong(Map.Entry::getValue).min().orElseThrow());
                Set<String> places = new TreeSet<>();
                way.buys().forEach(buy -> buy.cameras().forEach(camera -> places.add(camera + " " + buy.place().name())));
                before.add(places);
            }
            assertThat(ways).extracting(Way::cents).as("%s of %s", wanted, cams).isEqualTo(expected);
            assertThat(ways.isEmpty()).isEqualTo(every.isEmpty());
            none += ways.isEmpty() ? 1 : 0;
            several += ways.size() > 1 ? 1 : 0;
        }
        assertThat(none).as("houses that nothing keeps").isPositive();
        assertThat(several).as("houses with more than one way").isPositive();
    }

    @Test
    void aCardInTheCameraKeepsDaysAndNothingFromAThief() {
        List<Cam> cams = List.of(cam(1, 1, 128, Optional.empty(), false));
        assertThat(CheapestWays.find(cams, OFFERS, TEN_DAYS).get(0).buys()).singleElement()
                .satisfies(buy -> assertThat(buy.place()).isEqualTo(Survival.Place.CARD));
        Way safe = CheapestWays.find(cams, OFFERS, new Wanted(10, 0.1, OptionalDouble.of(25))).get(0);
        assertThat(safe.buys()).singleElement().satisfies(buy -> {
            assertThat(buy.place()).isEqualTo(Survival.Place.CLOUD);
            assertThat(buy.cents()).isEqualTo(36 * 300);
        });
        assertThat(CheapestWays.find(cams, OFFERS, new Wanted(10, 0.1, OptionalDouble.of(19)))).as("sent too late").isEmpty();
    }

    @Test
    void onePlanForAllIsDearerForOneCameraAndCheaperForFour() {
        List<Cam> four = List.of(cam(1, 1, 0, Optional.empty(), false), cam(2, 1, 0, Optional.empty(), false),
                cam(3, 1, 0, Optional.empty(), false), cam(4, 1, 0, Optional.empty(), false));
        assertThat(CheapestWays.find(four.subList(0, 2), OFFERS, TEN_DAYS).get(0).buys()).singleElement().satisfies(buy -> assertThat(
                buy.count()).isEqualTo(2));
        assertThat(CheapestWays.find(four, OFFERS, TEN_DAYS).get(0).buys()).singleElement().satisfies(buy -> assertThat(buy.plan()
                .orElseThrow().id()).isEqualTo(2));
    }

    @Test
    void aCameraThatMakesNoClipsHasNothingForAPlan() {
        Cam always = new Cam(1, "Eye", "Dunmark", 40, 40, false, 20, 0, Optional.empty(), false);
        assertThat(CheapestWays.find(List.of(always), OFFERS, TEN_DAYS)).isEmpty();
    }

    /** 20 GB a day wear out 64 GB in less than three years: another is bought, and a visit; where nobody said what that costs, none is. */
    @Test
    void aCardThatWearsOutIsPaidForAgain() {
        Cam writes = new Cam(1, "Eye", "Dunmark", 5, 20, true, 20, 64, Optional.empty(), false);
        Offers only = new Offers(Map.of(64, 1500L), Map.of(), Map.of(), List.of(), Optional.of(6000L), 0);
        assertThat(CheapestWays.find(List.of(writes), only, new Wanted(5, 0, OptionalDouble.empty()))).singleElement().satisfies(way -> {
            assertThat(way.buys()).singleElement().satisfies(buy -> assertThat(buy.count()).isEqualTo(1));
            assertThat(way.cents()).isEqualTo(1500);
        });
        Cam more = new Cam(1, "Eye", "Dunmark", 5, 30, true, 20, 64, Optional.empty(), false);
        assertThat(CheapestWays.find(List.of(more), only, new Wanted(5, 0, OptionalDouble.empty()))).singleElement().satisfies(way -> {
            assertThat(way.buys()).singleElement().satisfies(buy -> assertThat(buy.count()).isEqualTo(2));
            assertThat(way.cents()).isEqualTo(2 * 1500 + 6000);
        });
        Offers unsaid = new Offers(Map.of(64, 1500L), Map.of(), Map.of(), List.of(), Optional.empty(), 0);
        assertThat(CheapestWays.find(List.of(more), unsaid, new Wanted(5, 0, OptionalDouble.empty()))).isEmpty();
    }
}
