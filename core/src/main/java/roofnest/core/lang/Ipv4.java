package roofnest.core.lang;

import java.util.Optional;

import inet.ipaddr.AddressStringException;
import inet.ipaddr.AddressStringParameters.RangeParameters;
import inet.ipaddr.IPAddress;
import inet.ipaddr.IPAddressString;
import inet.ipaddr.IPAddressStringParameters;
import inet.ipaddr.IncompatibleAddressException;

/** IPv4 addresses as people copy them off a page of a router: four numbers, with or without the length of a prefix. */
public final class Ipv4 {
    /** Neither ranges nor fewer numbers than four: {@code 192.168.1} is an address half copied, and not 192.168.0.1. */
    private static final IPAddressStringParameters FOUR_NUMBERS = new IPAddressStringParameters.Builder().allowIPv6(false).allowEmpty(false)
            .allowAll(false).allowSingleSegment(false).setRangeOptions(RangeParameters.NO_RANGE)
            .getIPv4AddressParametersBuilder().allow_inet_aton(false).getParentBuilder().toParams();

    private Ipv4() {}

    /** The address that is written there, if it is one. */
    public static Optional<IPAddress> written(String text) {
        try {
            return Optional.ofNullable(new IPAddressString(text.strip(), FOUR_NUMBERS).toAddress())
                    .filter(address -> address.isIPv4() && !address.isMultiple());
        } catch (AddressStringException | IncompatibleAddressException none) {
            return Optional.empty();
        }
    }
}
