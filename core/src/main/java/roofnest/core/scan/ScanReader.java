package roofnest.core.scan;

import java.util.List;

/** Reads one scanner's text. */
interface ScanReader {
    Scan.Source source();

    boolean knows(List<String> lines);

    /** Reports to {@code findings} what each line was good for; lines that it keeps silent about count as not understood. */
    void read(List<String> lines, Findings findings);
}
