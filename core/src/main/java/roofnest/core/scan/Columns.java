package roofnest.core.scan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

import roofnest.core.catalogue.WifiSecurity;

/** What stands in which column of a table of networks. */
record Columns(List<Role> roles) {
    enum Role { NAME, BSSID, SIGNAL, CHANNEL, FREQUENCY, SECURITY, OTHER }

    static Columns headed(List<String> heading) {
        List<Role> roles = new ArrayList<>();
        for (String word : heading) {
            Role role = role(word.strip().toLowerCase(Locale.ROOT));
            roles.add(roles.contains(role) ? Role.OTHER : role);
        }
        return new Columns(roles);
    }

    private static Role role(String word) {
        return switch (word.replaceAll("[^a-z0-9 ]", " ").strip().replaceAll(" .*", "")) {
            case "ssid", "name", "network", "essid" -> Role.NAME;
            case "bssid", "mac", "address" -> Role.BSSID;
            case "signal", "rssi", "level", "quality", "dbm" -> Role.SIGNAL;
            case "chan", "channel", "ch" -> Role.CHANNEL;
            case "freq", "frequency", "mhz" -> Role.FREQUENCY;
            case "security", "encryption", "auth", "authentication" -> Role.SECURITY;
            default -> Role.OTHER;
        };
    }

    /** Whether rows can be placed: a signal, and a channel or a frequency. */
    boolean suffice() {
        return roles.contains(Role.SIGNAL) && (roles.contains(Role.CHANNEL) || roles.contains(Role.FREQUENCY));
    }

    int of(Role role) {
        return roles.indexOf(role);
    }

    /** Empty when the row lacks a signal or a channel. */
    Optional<HeardNetwork> network(List<String> cells) {
        OptionalDouble dbm = Values.dbm(cell(cells, Role.SIGNAL));
        OptionalInt channel = channel(cells);
        if (cells.size() != roles.size() || dbm.isEmpty() || channel.isEmpty()) {
            return Optional.empty();
        }
        String mac = cell(cells, Role.BSSID);
        if (!mac.isEmpty() && !Values.MAC.matcher(mac).matches()) {
            return Optional.empty();
        }
        String name = cell(cells, Role.NAME);
        Optional<WifiSecurity> security = of(Role.SECURITY) < 0 ? Optional.empty() : Values.security(cell(cells, Role.SECURITY));
        return Optional.of(
                new HeardNetwork(name.equals("--") ? "" : Values.unescaped(name), Values.mac(mac), dbm.getAsDouble(), channel.getAsInt(),
                        Channels.band(channel.getAsInt()), HeardNetwork.Second.NONE, security, Optional.empty()));
    }

    private OptionalInt channel(List<String> cells) {
        OptionalDouble frequency = Values.number(cell(cells, Role.FREQUENCY));
        if (frequency.isPresent()) {
            double given = frequency.getAsDouble();
            return Channels.ofMhz(given < 10 ? given * 1000 : given);
        }
        OptionalDouble channel = Values.number(cell(cells, Role.CHANNEL));
        return channel.isPresent() && Channels.exists((int) channel.getAsDouble()) ? OptionalInt.of((int) channel.getAsDouble())
                : OptionalInt.empty();
    }

    private String cell(List<String> cells, Role role) {
        int at = of(role);
        return at < 0 || at >= cells.size() ? "" : cells.get(at).strip();
    }
}
