package roofnest.core.scan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Keeps account of every line while a scan is read. */
final class Findings {
    private static final int ROWS_SHOWN = 6;

    private enum Use { NONE, READ, PASSED_OVER }

    private final List<String> lines;
    private final Use[] uses;
    private final List<HeardNetwork> heard = new ArrayList<>();
    private final Function<String, Optional<Columns>> remembered;
    private Scan.Question question;

    Findings(List<String> lines, Function<String, Optional<Columns>> remembered) {
        this.lines = lines;
        this.remembered = remembered;
        uses = new Use[lines.size()];
        Arrays.fill(uses, Use.NONE);
    }

    void read(int index) {
        uses[index] = Use.READ;
    }

    void passOver(int index) {
        uses[index] = Use.PASSED_OVER;
    }

    void notUnderstood(int index) {
        uses[index] = Use.NONE;
    }

    void heard(HeardNetwork network) {
        heard.add(network);
    }

    /** The columns as somebody said of a table of this look, else as they were told; null when they are to be asked about. */
    Columns columns(Scan.Source source, ColumnGuess.Told told, List<List<String>> rows, int width, List<String> heading) {
        String shape = ColumnGuess.shape(source.name(), rows, width);
        Optional<Columns> said = remembered.apply(shape).filter(columns -> columns.roles().size() == width);
        if (said.isPresent() || told.sure()) {
            return said.orElse(told.columns());
        }
        question = new Scan.Question(shape, heading,
                rows.stream().filter(row -> row.size() == width).limit(ROWS_SHOWN).map(List::copyOf).toList(), told.columns(), told.open());
        return null;
    }

    Scan scan(Scan.Source source) {
        List<Scan.Unread> unread = new ArrayList<>();
        int read = 0;
        int passedOver = 0;
        for (int i = 0; i < uses.length; i++) {
            String line = lines.get(i);
            if (line.isBlank()) {
                continue;
            }
            switch (uses[i]) {
                case READ -> read++;
                case PASSED_OVER -> passedOver++;
                case NONE -> unread.add(new Scan.Unread(i + 1,
                        line.length() > ScanText.SHOWN_CHARACTERS ? line.substring(0, ScanText.SHOWN_CHARACTERS) + "…" : line));
            }
        }
        return new Scan(source, heard, unread, read, passedOver, Optional.ofNullable(question));
    }
}
