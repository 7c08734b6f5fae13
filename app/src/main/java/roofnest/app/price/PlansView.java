package roofnest.app.price;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.PriceBook;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.footage.CloudPlan;

/**
 * Paid plans of makers.
 *
 * @param edited the one that is to be changed; empty for a new one
 */
record PlansView(List<Row> rows, Optional<CloudPlanRepository.Row> edited) {
    record Row(long id, String name, String maker, String price, String covers, String keeps, String kinds) {}

    /**
     * A price of what footage is kept on.
     *
     * @param field its name in the form. @param price as it is typed; empty for none
     */
    record Storage(String field, String key, String what, String price) {}

    static List<Storage> storage(Map<String, Long> prices) {
        List<Storage> fields = new ArrayList<>();
        PriceBook.CARD_GB.forEach(gb -> fields.add(storage("card-" + gb, "card " + gb, "Card, " + gb + " GB", prices)));
        PriceBook.RECORDER_GB
                .forEach(gb -> fields.add(storage("recorder-" + gb, "recorder " + gb, "Recorder, " + gb / 1000 + " TB", prices)));
        fields.add(storage("kwh", PriceBook.KWH, "A kilowatt-hour", prices));
        fields.add(storage("visit", PriceBook.VISIT, "A visit to change a card", prices));
        return fields;
    }

    private static Storage storage(String field, String key, String what, Map<String, Long> prices) {
        return new Storage(field, key, what, Optional.ofNullable(prices.get(key)).map(PlansView::amount).orElse(""));
    }

    static PlansView of(List<CloudPlanRepository.Row> all, String currency, String edit) {
        return new PlansView(all.stream().map(row -> row(row.plan(), currency)).toList(),
                all.stream().filter(row -> String.valueOf(row.plan().id()).equals(edit)).findFirst());
    }

    private static Row row(CloudPlan plan, String currency) {
        return new Row(plan.id(), plan.name(), plan.maker(), amount(plan.centsAMonth()) + " " + currency, plan.camerasMost() == 0
                ? "any number" : plan.camerasMost() == 1 ? "1 camera" : plan.camerasMost() + " cameras",
                plan.keepsDays() == 0
                        ? "no clips" : plan.keepsDays() + " days, clips to " + plan.clipMostS() + " s",
                plan.kinds().isEmpty() ? "none"
                        : plan.kinds().stream().sorted().map(AlertSpec.Kind::words).collect(Collectors.joining(", ")));
    }

    private static String amount(long cents) {
        return String.format(Locale.ROOT, "%d.%02d", cents / 100, cents % 100);
    }

    /** As it is typed. */
    public String price() {
        return edited.map(row -> amount(row.plan().centsAMonth())).orElse("");
    }

    public boolean has(AlertSpec.Kind kind) {
        return edited.filter(row -> row.plan().kinds().contains(kind)).isPresent();
    }
}
