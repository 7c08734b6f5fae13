package roofnest.app.web;

import java.io.Serial;
import java.util.List;

/** Something brought in that cannot be used, with everything wrong with it. Nothing was changed. */
public final class ImportRefused extends Exception {
    @Serial private static final long serialVersionUID = 1;

    private final transient List<String> faults;

    public ImportRefused(List<String> faults) {
        super(String.join("; ", faults));
        this.faults = List.copyOf(faults);
    }

    public List<String> faults() {
        return faults;
    }
}
