package roofnest.core.plan;

import java.util.List;
import java.util.stream.Collectors;

/** A plan document that cannot be used, with everything wrong with it. Nothing was changed. */
public final class PlanRefused extends Exception {
    private final transient List<DocumentFault> faults;

    public PlanRefused(List<DocumentFault> faults) {
        super(faults.stream().map(DocumentFault::toString).collect(Collectors.joining("; ")));
        this.faults = List.copyOf(faults);
    }

    public List<DocumentFault> faults() {
        return faults;
    }
}
