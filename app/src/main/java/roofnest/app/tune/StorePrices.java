package roofnest.app.tune;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

import org.springframework.stereotype.Component;

import roofnest.app.models.Models;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.PriceBook;
import roofnest.core.footage.CheapestWays;
import roofnest.core.footage.CloudPlan;
import roofnest.core.power.MainsUse;

/** What keeping footage costs a household, by the firm's own prices. */
@Component
class StorePrices {
    private static final int YEARS = CheapestWays.MONTHS / 12;

    private final PriceBook prices;
    private final CloudPlanRepository plans;
    private final HubRepository hubs;
    private final Models models;

    StorePrices(PriceBook prices, CloudPlanRepository plans, HubRepository hubs, Models models) {
        this.prices = prices;
        this.plans = plans;
        this.hubs = hubs;
        this.models = models;
    }

    /**
     * What can be bought.
     *
     * @param plans of the firm that keep clips
     * @param hubs of the house that hold a card, by model
     * @param unpriced what nobody wrote a price down for, in words
     */
    record Offered(CheapestWays.Offers offers, List<CloudPlan> plans, Map<String, HubRepository.Hub> hubs, String currency,
            List<String> unpriced) {}

    Offered of(HouseholdRef ref) {
        long firm = ref.staff().firmId();
        Map<String, Long> all = prices.prices(firm);
        Map<Integer, Long> cards = sizes(PriceBook.CARD_GB, "card ", all);
        Map<Integer, Long> recorders = sizes(PriceBook.RECORDER_GB, "recorder ", all);
        Map<String, HubRepository.Hub> withCard = hubs.of(ref.id()).stream().filter(hub -> models.hub(hub.modelKey()).cardMaxGb() > 0)
                .collect(Collectors.toMap(HubRepository.Hub::modelKey, Function.identity()));
        Map<String, Integer> most = withCard.keySet().stream().collect(Collectors.toMap(Function.identity(), key -> models.hub(key)
                .cardMaxGb()));
        List<CloudPlan> keeping = plans.of(firm).stream().filter(plan -> plan.keepsDays() > 0).toList();
        Optional<Long> kwh = Optional.ofNullable(all.get(PriceBook.KWH));
        long electricity = Math.round(YEARS * MainsUse.kwhAYear(MainsUse.RECORDER_W) * kwh.orElse(0L));
        Optional<Long> visit = Optional.ofNullable(all.get(PriceBook.VISIT));
        return new Offered(new CheapestWays.Offers(cards, most, recorders, keeping, visit, electricity), keeping, withCard, prices.money(
                firm).currency(), unpriced(cards, recorders, keeping, kwh, visit));
    }

    private static Map<Integer, Long> sizes(List<Integer> sizes, String key, Map<String, Long> prices) {
        Map<Integer, Long> priced = new HashMap<>();
        sizes.forEach(gb -> Optional.ofNullable(prices.get(key + gb)).ifPresent(cents -> priced.put(gb, cents)));
        return priced;
    }

    private static List<String> unpriced(Map<Integer, Long> cards, Map<Integer, Long> recorders, List<CloudPlan> plans, Optional<Long> kwh,
            Optional<Long> visit) {
        Map<String, Boolean> missing = new LinkedHashMap<>();
        missing.put("cards", cards.isEmpty());
        missing.put("recorders", recorders.isEmpty());
        missing.put("paid plans", plans.isEmpty());
        missing.put("electricity", kwh.isEmpty());
        missing.put("a visit to change a worn card", visit.isEmpty());
        return missing.entrySet().stream().filter(Map.Entry::getValue).map(Map.Entry::getKey).toList();
    }
}
