package roofnest.app.tune;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

import roofnest.app.records.ComingsRepository;
import roofnest.app.web.Form;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.lang.Numbers;
import roofnest.core.week.HouseKind;
import roofnest.core.week.Rates;
import roofnest.core.week.SourceKind;

/** What goes on about a house, as it can be said. */
record ComingsView(List<Row> rows, HouseKind house, int version, boolean learned) {
    /**
     * @param firm what the firm's other houses of this kind say, and how many; empty where nothing was said of any
     * @param own what was said of this house; empty for the ordinary rate
     */
    record Row(String field, String name, String usual, String firm, String own) {}

    static ComingsView of(ComingsRepository.Said said, Rates rates, Map<SourceKind, ComingsRepository.Learned> learned) {
        return new ComingsView(Stream.of(SourceKind.values()).map(kind -> new Row(field(kind), kind.words(),
                Numbers.plain(rates.aWeekday(kind, said.comings().house())), firm(kind, said.comings().house(), rates, learned.get(kind)),
                said.comings().aWeekday().containsKey(kind) ? Numbers.plain(said.comings().aWeekday().get(kind)) : "")).toList(),
                said.comings().house(), said.version(),
                learned.keySet().stream().anyMatch(kind -> !said.comings().aWeekday().containsKey(kind)));
    }

    private static String firm(SourceKind kind, HouseKind house, Rates rates, ComingsRepository.Learned learned) {
        return learned == null ? "" : Numbers.plain(rounded(rates.learned(kind, house, learned.meanLog(), learned.houses()))) + " by "
                + learned.houses() + (learned.houses() == 1 ? " house" : " houses");
    }

    private static double rounded(double aWeekday) {
        return Math.round(aWeekday * 100) / 100.0;
    }

    /** With what the firm's other houses say, wherever nothing was said of this one. */
    static ComingsAndGoings learned(ComingsAndGoings now, Rates rates, Map<SourceKind, ComingsRepository.Learned> learned) {
        Map<SourceKind, Double> all = new EnumMap<>(SourceKind.class);
        learned.forEach((kind, of) -> all.put(kind, rounded(rates.learned(kind, now.house(), of.meanLog(), of.houses()))));
        all.putAll(now.aWeekday());
        return now.withRates(all);
    }

    private static String field(SourceKind kind) {
        return "rate-" + kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /** Fields left empty go by the ordinary rates, or by the curve that was drawn. @param now of which the curves stay */
    static ComingsAndGoings read(Form form, ComingsAndGoings now) {
        HouseKind house = form.choice("house", "what kind of house it is", HouseKind.class);
        Map<SourceKind, Double> rates = new EnumMap<>(SourceKind.class);
        for (SourceKind kind : SourceKind.values()) {
            if (!form.raw(field(kind)).isBlank()) {
                rates.put(kind, form.decimal(field(kind), "how often on a weekday,", 0, Rates.MOST_A_DAY, "times"));
            }
        }
        return form.ok() ? new ComingsAndGoings(house, rates, now.curves()) : now;
    }
}
