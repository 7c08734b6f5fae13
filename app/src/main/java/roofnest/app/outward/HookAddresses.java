package roofnest.app.outward;

import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.Optional;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

import inet.ipaddr.IPAddress;
import inet.ipaddr.IPAddressString;

/**
 * Whom it may be told that something is due: by https, and nobody inside the network that this installation stands in, unless whoever
 * runs it allows that. Looked at when an address is written down and again before each telling, for names move.
 */
@Component
class HookAddresses {
    /**
     * Of a provider's own network (RFC 6598), this network (RFC 791),
     * IPv4 within IPv6 by translation (RFC 6052), unique local (RFC 4193).
     */
    private static final IPAddress SHARED = new IPAddressString("100.64.0.0/10").getAddress();
    private static final IPAddress THIS = new IPAddressString("0.0.0.0/8").getAddress();
    private static final IPAddress MAPPED = new IPAddressString("64:ff9b::/96").getAddress();
    private static final IPAddress UNIQUE = new IPAddressString("fc00::/7").getAddress();
    private static final int LONGEST = 400;
    private static final int LAST_PORT = 65_535;

    private final boolean inside;

    HookAddresses(@Value("${roofnest.hooks-inside}") boolean inside) {
        this.inside = inside;
    }

    /** @return what is wrong with an address, as a sentence; empty where nothing is */
    Optional<String> fault(String typed) {
        URI uri;
        try {
            uri = new URI(typed.strip());
        } catch (URISyntaxException e) {
            return Optional.of("Enter a whole address, such as https://office.example/due.");
        }
        String scheme = String.valueOf(uri.getScheme());
        if (uri.getHost() == null || typed.length() > LONGEST || uri.getUserInfo() != null || uri.getFragment() != null || uri
                .getPort() > LAST_PORT || uri.getPort() == 0) {
            return Optional.of("Enter a whole address, such as https://office.example/due.");
        }
        if (!scheme.equals("https") && !(inside && scheme.equals("http"))) {
            return Optional.of("It is told by https alone: begin the address with https://.");
        }
        return Optional.empty();
    }

    /** @return why it is not told at the moment; empty where it may be */
    Optional<String> closed(URI uri) {
        if (inside) {
            return Optional.empty();
        }
        try {
            boolean within = Arrays.stream(InetAddress.getAllByName(uri.getHost())).anyMatch(HookAddresses::isInside);
            return within ? Optional.of("its name leads into our own network") : Optional.empty();
        } catch (UnknownHostException e) {
            return Optional.of("nobody knows its name");
        }
    }

    /** Of the house's own network, of this machine, or of none at all. */
    static boolean isInside(InetAddress address) {
        IPAddress ip = new IPAddressString(address.getHostAddress()).getAddress();
        return address.isAnyLocalAddress() || address.isLoopbackAddress() || address.isLinkLocalAddress() || address.isSiteLocalAddress()
                || address.isMulticastAddress() || ip == null || ip.isLocal() || ip.isIPv4() && (SHARED.contains(ip.toIPv4())
                        || THIS.contains(ip.toIPv4()))
                || ip.isIPv6() && (MAPPED.contains(ip.toIPv6()) || UNIQUE.contains(ip.toIPv6()));
    }
}
