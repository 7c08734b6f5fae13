package roofnest.app.practice;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import roofnest.app.records.PracticeRepository;
import roofnest.app.web.Form;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.judge.FixedFigure;
import roofnest.core.lang.Numbers;

/** @param version of the firm's own figures */
record FiguresView(List<Side> sides, List<Part> parts, int version) {
    record Side(String words, List<Own> figures) {}

    /** @param usual what counts while the field is empty, with its unit */
    record Own(String field, String words, String value, String unit, String usual, boolean changed) {}

    record Part(String words, List<Fixed> figures) {}

    record Fixed(String words, String value, String why) {}

    static FiguresView of(PracticeRepository.Kept kept) {
        return new FiguresView(
                Arrays.stream(Practice.Side.values()).map(side -> new Side(side.words(), Arrays.stream(Figure.values())
                        .filter(figure -> figure.side() == side).map(figure -> own(figure, kept.practice())).toList())).toList(),
                Arrays.stream(FixedFigure.Part.values()).map(part -> new Part(part.words(), FixedFigure.all().stream()
                        .filter(figure -> figure.part() == part).map(FiguresView::fixed).toList())).toList(),
                kept.version());
    }

    private static Own own(Figure figure, Practice practice) {
        return new Own(field(figure), figure.words(), Numbers.plain(practice.of(figure)), figure.unit(),
                Numbers.plain(figure.usual()) + " " + figure.unit(), practice.own().containsKey(figure));
    }

    private static Fixed fixed(FixedFigure figure) {
        return new Fixed(figure.words(), (Numbers.plain(figure.value()) + " " + figure.unit()).strip(), figure.why());
    }

    private static String field(Figure figure) {
        return figure.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** An empty field, or the ordinary figure in it, leaves the ordinary one in place. */
    static Practice read(Form form) {
        Map<Figure, Double> own = new EnumMap<>(Figure.class);
        for (Figure figure : Figure.values()) {
            if (!form.raw(field(figure)).isBlank()) {
                double value = form.decimal(field(figure), "a figure", figure.least(), figure.most(), figure.unit());
                if (value != figure.usual() && form.faultAt(field(figure)) == null) {
                    own.put(figure, value);
                }
            }
        }
        double ground = own.getOrDefault(Figure.FROM_THE_GROUND, Figure.FROM_THE_GROUND.usual());
        if (own.getOrDefault(Figure.FROM_STEPS, Figure.FROM_STEPS.usual()) < ground) {
            form.fault(field(Figure.FROM_STEPS), "From steps one works at least as high as from the ground, "
                    + Numbers.plain(ground) + " m.");
            own.remove(Figure.FROM_STEPS);
            own.remove(Figure.FROM_THE_GROUND);
        }
        return new Practice(own);
    }
}
