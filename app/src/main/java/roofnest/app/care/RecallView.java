package roofnest.app.care;

import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/**
 * One recall, and how far it is.
 *
 * @param about what it is about, in words
 * @param honest what is not known of it
 * @param untold households that were not told and where it is not done
 */
record RecallView(long id, String about, String what, String doing, String opened, String closed, boolean open, int version,
        String progress,
        double doneShare, List<Row> rows, List<String> honest, int untold) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    /** @param stands how far it is there. @param told whether they know, or need not any more */
    record Row(long household, long camera, String house, String address, String device, String since, String stands, boolean told,
            boolean done) {}

    /** One of all recalls. */
    record Line(long id, String about, String what, String stands, boolean open) {}

    static Line line(RecallRepository.Recall of, Function<String, String> names) {
        return new Line(of.id(), about(of, names), of.what(), of.open() ? "open since " + DAY.format(of.openedAt()) + ", " + of.openedBy()
                : "closed on " + DAY.format(of.closedAt()) + ", " + of.closedBy(), of.open());
    }

    static RecallView of(RecallRepository.Recall of, List<RecallRepository.Affected> affected, int unknown, int gone,
            Function<String, String> names) {
        int done = (int) affected.stream().filter(each -> each.doneAt() != null).count();
        int untold = (int) affected.stream().filter(each -> each.toldAt() == null && each.doneAt() == null).count();
        List<String> honest = new ArrayList<>();
        if (unknown > 0) {
            honest.add("Of " + unknown + (unknown == 1 ? " more camera" : " more cameras")
                    + " of this model nobody wrote the firmware down: they may have it too.");
        }
        if (gone > 0) {
            honest.add(gone + (gone == 1 ? " more had it" : " more had it") + " when something was done about it, and has it no more.");
        }
        if (affected.size() == RecallRepository.MOST) {
            honest.add("There are more than the " + RecallRepository.MOST + " that are shown.");
        }
        return new RecallView(of.id(), about(of, names), of.what(), of.doing(), DAY.format(of.openedAt()) + ", " + of.openedBy(),
                of.open() ? ""
                        : DAY.format(of.closedAt()) + ", " + of.closedBy(),
                of.open(), of.version(), affected.isEmpty()
                        ? "Nobody of the firm’s households has it"
                        : done + " of " + affected.size() + (affected.size() == 1 ? " is done" : " are done") + (untold > 0 ? ", " + untold
                                + " not told yet" : ""),
                affected.isEmpty() ? 0 : 100.0 * done / affected.size(), affected.stream().map(RecallView::row).toList(), honest, untold);
    }

    private static String about(RecallRepository.Recall of, Function<String, String> names) {
        return switch (of.kind()) {
            case MODEL -> names.apply(of.match());
            case FIRMWARE -> names.apply(of.match()) + ", firmware " + of.release();
            case ROUTER -> "Router " + of.match();
            case PASSWORD -> "Cameras without a password of their own";
        };
    }

    private static Row row(RecallRepository.Affected of) {
        return new Row(of.householdId(), of.cameraId(), of.household(), of.address(),
                of.camera().isEmpty() ? "the whole house" : of.camera(),
                of.since() == null ? "not known since when" : "since " + DAY.format(of.since()),
                of.doneAt() != null ? "done " + by(of.doneAt(),
                        of.doneBy()) : of.toldAt() != null ? "told " + by(of.toldAt(), of.toldBy()) : "nothing yet",
                of.toldAt() != null || of.doneAt() != null, of.doneAt() != null);
    }

    private static String by(OffsetDateTime at, String who) {
        return DAY.format(at) + ", " + who;
    }
}
