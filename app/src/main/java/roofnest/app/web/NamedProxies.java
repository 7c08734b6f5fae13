package roofnest.app.web;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

import inet.ipaddr.IPAddressString;

/**
 * Who in front of the application may say where a request came from and by which line: those that are named, by address. What
 * anybody else says of it is not listened to.
 */
@Component
class NamedProxies implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private final List<String> addresses;

    /** @throws IllegalArgumentException when one is no address */
    NamedProxies(@Value("${roofnest.proxies}") String named) {
        this.addresses = Arrays.stream(named.split(",")).map(String::strip).filter(each -> !each.isEmpty()).toList();
        addresses.stream().filter(each -> new IPAddressString(each).getAddress() == null).findFirst().ifPresent(wrong -> {
            throw new IllegalArgumentException(
                    "ROOFNEST_PROXIES has “" + wrong + "”; it has to be addresses such as 127.0.0.1, with commas.");
        });
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        if (addresses.isEmpty()) {
            return;
        }
        RemoteIpValve valve = new RemoteIpValve();
        valve.setInternalProxies(addresses.stream().map(Pattern::quote).collect(Collectors.joining("|")));
        valve.setTrustedProxies(null);
        valve.setRemoteIpHeader("X-Forwarded-For");
        valve.setProtocolHeader("X-Forwarded-Proto");
        factory.addEngineValves(valve);
    }
}
