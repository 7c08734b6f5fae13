package roofnest.core.scan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

/** What stands in which column of a table of networks. */
public record Columns(List<Role> roles) {
    /** What a column of a scan may hold. */
    public enum Role {
        NAME("name"), BSSID("address of the radio"), SIGNAL("signal"), CHANNEL("channel"), FREQUENCY("frequency"), BAND("band"),
        SECURITY("security"), OTHER("nothing needed");

        private final String words;

        Role(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Columns {
        roles = List.copyOf(roles);
    }

    /** Whether rows can be placed: a signal, and a channel or a frequency. */
    public boolean suffice() {
        return roles.contains(Role.SIGNAL) && (roles.contains(Role.CHANNEL) || roles.contains(Role.FREQUENCY));
    }

    int of(Role role) {
        return roles.indexOf(role);
    }

    /** Empty when the row lacks a signal or a channel. */
    Optional<HeardNetwork> network(List<String> cells) {
        OptionalDouble dbm = Values.dbm(cell(cells, Role.SIGNAL));
        Optional<Channels.Channel> channel = channel(cells);
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
                new HeardNetwork(name.equals("--") ? "" : Values.unescaped(name), Values.mac(mac), dbm.getAsDouble(),
                        channel.get().number(),
                        channel.get().band(), HeardNetwork.Second.NONE, security, Optional.empty()));
    }

    private Optional<Channels.Channel> channel(List<String> cells) {
        Optional<Channels.Channel> placed = Values.frequency(cell(cells, Role.FREQUENCY));
        if (placed.isPresent()) {
            return placed;
        }
        OptionalDouble number = Values.number(cell(cells, Role.CHANNEL));
        if (number.isEmpty() || number.getAsDouble() != Math.rint(number.getAsDouble())) {
            return Optional.empty();
        }
        int channel = (int) number.getAsDouble();
        Optional<Band> band = Values.band(cell(cells, Role.BAND));
        return band.isPresent() ? band.filter(of -> Channels.exists(channel, of)).map(of -> new Channels.Channel(of, channel))
                : Channels.of(channel);
    }

    private String cell(List<String> cells, Role role) {
        int at = of(role);
        return at < 0 || at >= cells.size() ? "" : cells.get(at).strip();
    }
}
