package roofnest.app.tune;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;

import roofnest.app.records.ClimateRepository;
import roofnest.app.web.Form;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.lang.Numbers;
import roofnest.core.power.Climate;
import roofnest.core.power.Climates;

/**
 * The climate that the batteries of a house are reckoned by.
 *
 * @param said which it is and why
 * @param months of the calendar, as they are here
 * @param own whether the house has figures of its own
 */
record ClimateView(String said, List<Month> months, List<String> classes, String chosen, String longitude, String altitude, boolean own,
        String meanC, String swingC, String clearness, int version) {
    private static final String[] NAMES = {"Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"};

    record Month(String name, String mean, String nights, String clear) {}

    static ClimateView of(ClimateRepository.Set set, HouseholdFacts facts, Climates climates) {
        Climate now = facts.climate();
        double latitude = facts.plan().map(plan -> plan.latitudeDeg()).orElse(50.0);
        List<Month> months = new ArrayList<>();
        for (int month = 1; month <= 12; month++) {
            int at = Climate.month(month, latitude);
            months.add(new Month(NAMES[month - 1], Numbers.fixed(now.meanC().get(at), 0) + " °C",
                    Numbers.fixed(now.meanC().get(at) - now.swingC().get(at) / 2, 0) + " °C",
                    Numbers.fixed(100 * now.clearness().get(at), 0) + " %"));
        }
        String why = set.own().isPresent() ? "from figures written for this house"
                : set.chosen().isPresent() ? "chosen by hand"
                        : set.longitudeDeg().isPresent() ? "taken from where the house is"
                                : "taken from the latitude alone: look whether it fits";
        String high = set.altitudeM() == 0 || set.own().isPresent() ? "" : ", at " + Numbers.fixed(set.altitudeM(), 0) + " m over the sea";
        return new ClimateView(Character.toUpperCase(now.name().charAt(0)) + now.name().substring(1) + ", " + why + high
                + (latitude < 0 ? "; south of the equator the months are turned by six" : "") + ".", months,
                climates.all().stream().map(Climate::name).toList(), set.chosen().orElse(""),
                set.longitudeDeg().isPresent() ? Numbers.plain(set.longitudeDeg().getAsDouble()) : "", Numbers.plain(set.altitudeM()),
                set.own().isPresent(), written(set, Climate::meanC), written(set, Climate::swingC), written(set, Climate::clearness),
                set.version());
    }

    private static String written(ClimateRepository.Set set, Function<Climate, List<Double>> months) {
        return set.own().map(months).map(list -> list.stream().map(value -> Numbers.plain(value).replace('\u2212', '-'))
                .collect(Collectors.joining(" "))).orElse("");
    }

    /** Figures of one's own are written as they are in the north, January first, so that they are comparable with the classes. */
    static ClimateRepository.Set read(Form form, Climates climates) {
        String chosen = form.raw("climate");
        if (!chosen.isEmpty() && climates.named(chosen).isEmpty()) {
            form.fault("climate", "Choose a climate of the list.");
        }
        OptionalDouble longitude = form.raw("longitude").isBlank() ? OptionalDouble.empty()
                : OptionalDouble.of(form.decimal("longitude", "a longitude, east positive,", -180, 180, "°"));
        double altitude = form.decimal("altitude", "the height over the sea", -450, 6000, "m");
        Optional<List<Double>> mean = months(form, "meanC", "means", -60, 50);
        Optional<List<Double>> swing = months(form, "swingC", "daily swings", 0, 40);
        Optional<List<Double>> clear = months(form, "clearness", "clearnesses", 0.02, 0.95);
        boolean some = mean.isPresent() || swing.isPresent() || clear.isPresent();
        boolean all = mean.isPresent() && swing.isPresent() && clear.isPresent();
        if (some && !all) {
            form.fault(mean.isEmpty() ? "meanC" : swing.isEmpty() ? "swingC" : "clearness",
                    "Figures of one’s own are all three lines; write this one too or leave all of them empty.");
        }
        int version = form.version();
        return form.ok() ? new ClimateRepository.Set(chosen.isEmpty() ? Optional.empty() : Optional.of(chosen), longitude, altitude,
                all ? Optional.of(new Climate("own", mean.get(), swing.get(), clear.get())) : Optional.empty(), version)
                : ClimateRepository.Set.NOTHING;
    }

    private static Optional<List<Double>> months(Form form, String field, String what, double min, double max) {
        String typed = form.raw(field).strip();
        if (typed.isEmpty()) {
            return Optional.empty();
        }
        List<Double> months = Arrays.stream(typed.split("[\\s;]+")).limit(13)
                .map(each -> form.figure(each).map(BigDecimal::doubleValue).orElse(Double.NaN)).toList();
        if (months.size() != 12 || months.stream().anyMatch(value -> !(value >= min && value <= max))) {
            form.fault(field, "Write twelve " + what + " from " + Numbers.plain(min) + " to " + Numbers.plain(max)
                    + ", January first, with spaces between.");
            return Optional.of(Collections.nCopies(12, Math.max(min, 0.5)));
        }
        return Optional.of(months);
    }
}
