package roofnest.app.web;

import java.net.URI;
import java.util.Optional;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Where this installation is reached: what links in mails begin with. It is set, and never taken from what a request says of itself. */
@Component
public class Site {
    private final String address;

    /** @throws IllegalArgumentException when what is set is no address of a site */
    Site(@Value("${roofnest.address}") String address) {
        URI uri = URI.create(address.strip());
        if (uri.getHost() == null || !("http".equals(uri.getScheme()) || "https".equals(uri.getScheme())) || uri.getQuery() != null
                || uri.getFragment() != null || uri.getUserInfo() != null) {
            throw new IllegalArgumentException("ROOFNEST_ADDRESS is “" + address + "”; it has to be like https://nest.example.");
        }
        this.address = address.strip().replaceAll("/+$", "");
    }

    /** Whether browsers reach it by TLS alone. */
    public boolean secure() {
        return address.startsWith("https:");
    }

    /** The host that passkeys are bound to; none where the address is a number, or a name reached without TLS. */
    public Optional<String> passkeyName() {
        String host = URI.create(address).getHost();
        boolean number = host.startsWith("[") || host.matches("[0-9.]+");
        return number || !secure() && !host.equals("localhost") ? Optional.empty() : Optional.of(host);
    }

    /** Name of a cookie of this site's; by TLS one that no other host and no plain line can set. */
    public String cookie(String what) {
        return (secure() ? "__Host-" : "") + "roofnest" + (what.isEmpty() ? "" : "-" + what);
    }

    /** Without a slash at its end. */
    public String address() {
        return address;
    }
}
