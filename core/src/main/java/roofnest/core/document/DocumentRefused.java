package roofnest.core.document;

import java.util.List;
import java.util.stream.Collectors;

/** A document that cannot be used, with everything wrong with it. Nothing was changed. */
public final class DocumentRefused extends Exception {
    private final transient List<DocumentFault> faults;

    public DocumentRefused(List<DocumentFault> faults) {
        super(faults.stream().map(DocumentFault::toString).collect(Collectors.joining("; ")));
        this.faults = List.copyOf(faults);
    }

    public List<DocumentFault> faults() {
        return faults;
    }
}
