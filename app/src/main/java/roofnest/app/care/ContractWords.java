package roofnest.app.care;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.stream.Collectors;

import roofnest.core.care.CareContract;

/** A contract in a sentence or two. */
final class ContractWords {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private ContractWords() {}

    static String of(CareContract contract, LocalDate today) {
        String covers = contract.covers().isEmpty() ? "Covers nothing besides its price."
                : "Covers " + contract.covers().stream().sorted().map(CareContract.Covers::words).collect(Collectors.joining("; ")) + ".";
        if (today.isBefore(contract.from())) {
            return "Begins on " + DAY.format(contract.from()) + ". " + covers;
        }
        return contract.on(today).map(term -> "Its term runs until " + DAY.format(term.last()) + (contract.renews()
                ? ", and a new one begins then. " : ". ") + covers).orElseGet(() -> "It ended on " + DAY.format(contract.ends(today)
                        .orElseThrow()) + ".");
    }
}
