package roofnest.app.pair;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;

import roofnest.app.records.TheftRepository;
import roofnest.core.judge.Theft;
import roofnest.core.lang.Numbers;

/** What a theft leaves, in words. */
record TheftView(List<TheftRepository.Footage> footage, List<Theft.Change> changes) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    static TheftView of(Theft theft) {
        return new TheftView(footage(theft), theft.changes());
    }

    static List<TheftRepository.Footage> footage(Theft theft) {
        return theft.left().stream().map(left -> new TheftRepository.Footage(left.name(), words(left))).toList();
    }

    private static String words(Theft.Left left) {
        if (left.place().isEmpty()) {
            return "Nothing is left of it: all that kept its footage is gone.";
        }
        return "As it was set, its footage is on " + left.place().get().words() + (left.lostS() > 0
                ? "; of the last seconds before, up to " + Numbers.fixed(Math.ceil(left.lostS()), 0) + " s are gone" : "")
                + left.until().map(day -> ". Copy it by about " + DAY.format(day) + ": after that it has been written over in a bad week.")
                        .orElse(". Nothing writes over it any more, as far as it was set so; copy it all the same.");
    }
}
