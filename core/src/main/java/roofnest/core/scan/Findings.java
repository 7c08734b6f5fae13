package roofnest.core.scan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Keeps account of every line while a scan is read. */
final class Findings {
    private enum Use { NONE, READ, PASSED_OVER }

    private final List<String> lines;
    private final Use[] uses;
    private final List<HeardNetwork> heard = new ArrayList<>();

    Findings(List<String> lines) {
        this.lines = lines;
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
        return new Scan(source, heard, unread, read, passedOver);
    }
}
