package roofnest.app.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import roofnest.app.models.Models;
import roofnest.app.records.PriceBook;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.spots.FewestCameras;

/**
 * The models for outdoors that the firm's price book prices, with the hub of those that need one.
 *
 * @param unpricedHubs models with a price whose hub has none
 */
record PricedModels(List<FewestCameras.Offer> offers, List<String> unpricedHubs, String currency) {
    private static final double CENTS = 100;

    static PricedModels of(Models models, PriceBook book, long firmId) {
        Map<String, Long> cents = book.prices(firmId);
        List<FewestCameras.Offer> offers = new ArrayList<>();
        List<String> unpricedHubs = new ArrayList<>();
        for (DeviceModel model : models.of(firmId)) {
            Long price = cents.get("model " + model.key());
            if (price == null || !model.mount().outdoors()) {
                continue;
            }
            Long hub = model.radio().viaHub() ? cents.get("hub " + model.maker().toLowerCase(Locale.ROOT)) : Long.valueOf(0);
            if (hub == null) {
                unpricedHubs.add(model.fullName());
            } else {
                offers.add(new FewestCameras.Offer(model, price / CENTS, hub / CENTS));
            }
        }
        return new PricedModels(offers, unpricedHubs, book.money(firmId).currency());
    }
}
