package roofnest.app.firm;

import java.util.stream.Stream;

/**
 * What stands on every paper and mail of a firm.
 *
 * @param mark a picture of it as a data address; empty while there is none
 * @param version for the next change
 */
public record FirmDetails(String name, String address, String phone, String email, String taxNumber, String mark, int version) {
    /** Everything that is known, in one line; what is not known is left out. */
    public String line() {
        return String.join(" · ", Stream.of(address, phone, email, taxNumber.isEmpty() ? "" : "tax number " + taxNumber)
                .filter(part -> !part.isEmpty()).toList());
    }
}
