package roofnest.core.network;

import java.math.BigInteger;
import java.util.List;
import java.util.Optional;

import inet.ipaddr.IPAddress;

import roofnest.core.lang.Ipv4;
import roofnest.core.lang.Require;

/**
 * The IPv4 addresses that a house's router gives out, and what becomes of a device that comes with one of its own.
 * Arithmetic of addresses and prefixes: RFC 791, RFC 4632; private ranges: RFC 1918.
 *
 * @param router the router's own address with the prefix of the house, such as 192.168.1.1/24
 * @param from first address given out
 * @param to last address given out
 * @param leases given out now
 */
public record AddressPlan(IPAddress router, IPAddress from, IPAddress to, int leases) {
    /** @throws IllegalArgumentException with a sentence when the addresses do not belong together */
    public AddressPlan {
        Require.inRange("addresses in use", leases, 0, 65_536);
        IPAddress house = router.toPrefixBlock();
        if (!house.contains(from) || !house.contains(to)) {
            throw new IllegalArgumentException("The addresses given out do not lie in the house's range " + house + ".");
        }
        if (from.compareTo(to) > 0) {
            throw new IllegalArgumentException("The first address given out comes after the last.");
        }
    }

    /**
     * Reads what is written on the router's page.
     *
     * @throws IllegalArgumentException with a sentence that names what is no address
     */
    public static AddressPlan of(String router, String from, String to, int leases) {
        IPAddress own = address(router);
        if (own.getNetworkPrefixLength() == null) {
            throw new IllegalArgumentException("“" + router + "” lacks the length of its prefix, as in 192.168.1.1/24.");
        }
        return new AddressPlan(own, address(from), address(to), leases);
    }

    private static IPAddress address(String text) {
        return Ipv4.written(text).orElseThrow(() -> new IllegalArgumentException("“" + text + "” is no IPv4 address."));
    }

    /** How many addresses the router can give out. */
    public int size() {
        return from.withoutPrefixLength().spanWithRange(to.withoutPrefixLength()).getCount().min(BigInteger.valueOf(Integer.MAX_VALUE))
                .intValue();
    }

    public int free() {
        return Math.max(0, size() - leases);
    }

    /** How many addresses lack when so many more devices ask for one; 0 when they suffice. */
    public int lacking(int moreDevices) {
        return Math.max(0, moreDevices - free());
    }

    /**
     * How to reach a device of fixed factory address from this house, and let it ask for an address instead.
     *
     * @param temporary address with prefix for the phone or computer while visiting
     */
    public record Recipe(String factoryAddress, String temporary, List<String> steps) {}

    /** Empty when the factory address lies in the house's own range and the device is found as it is. */
    public Optional<Recipe> recipe(String device, String factoryAddress) {
        IPAddress fixed = address(factoryAddress);
        IPAddress range = fixed.toPrefixBlock();
        IPAddress plain = fixed.withoutPrefixLength();
        if (router.toPrefixBlock().contains(plain)) {
            return Optional.empty();
        }
        IPAddress temporary = temporary(range, plain);
        String withPrefix = temporary + "/" + range.getNetworkPrefixLength();
        return Optional.of(new Recipe(plain.toString(), withPrefix, List.of(
                "Power " + device + " and cable it to the computer or to the router; note the computer's present address settings.",
                "Give the computer the fixed address " + temporary + " with the mask " + range.getNetworkMask().withoutPrefixLength()
                        + ", and no router address.",
                "Open " + plain + " in the browser and log in with the factory password.",
                "In its network page choose an address given by the router, save, and let it restart.",
                "Set the computer back to an automatic address, and search the house's network: it now answers within "
                        + router.toPrefixBlock() + ".")));
    }

    /** Near the device's own, but not its, not the range's first or last, and not the usual router's. */
    private static IPAddress temporary(IPAddress range, IPAddress taken) {
        IPAddress lowest = range.getLower().withoutPrefixLength();
        IPAddress highest = range.getUpper().withoutPrefixLength();
        for (int step : new int[] {1, -1, 2, -2}) {
            IPAddress candidate = taken.increment(step);
            if (candidate.compareTo(lowest.increment(1)) > 0 && candidate.compareTo(highest) < 0) {
                return candidate;
            }
        }
        throw new IllegalArgumentException("The range " + range + " has no room for a second address.");
    }
}
