package roofnest.app.ready;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import roofnest.app.records.NetworkRepository;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Unit;
import roofnest.core.radio.Airtime;
import roofnest.core.scan.ChannelAdvice;
import roofnest.core.scan.HeardNetwork;
import roofnest.core.scan.Scan;

/**
 * The air about a house.
 *
 * @param humps of the 2.4 GHz band's picture, weakest first
 * @param advice in a sentence
 * @param change whether it advises a change
 * @param asHeard bands and security of the house's own name, when they differ from what is written down
 */
record AirView(
        String source, String read, List<Row> rows, List<Scan.Unread> unread, int unreadMore, List<Hump> humps, List<ScoreRow> scores,
        String advice, boolean change,
        Optional<String> load, Optional<String> asHeard) {
    private static final int UNREAD_SHOWN = 40;
    private static final int ROWS_SHOWN = 60;
    private static final double PX_PER_CHANNEL = 38;
    private static final double LEFT = 96;
    private static final double FLOOR_DBM = -95;
    private static final double PX_PER_DB = 2.6;
    private static final double BASE = 190;

    record Row(String name, String band, int channel, String signal, String security, boolean own) {}

    /** @param path of a network's 20 or 40 MHz on the band */
    record Hump(String name, boolean own, String path, double x, double y) {}

    record ScoreRow(int channel, String others, int networks, boolean own, boolean best) {}

    static AirView of(Scan scan, Optional<NetworkRepository.NetworkRow> network) {
        String own = network.map(NetworkRepository.NetworkRow::name).orElse("");
        ChannelAdvice advice = ChannelAdvice.of(scan.heard(), own);
        List<HeardNetwork> byStrength = scan.heard().stream().sorted(Comparator.comparingDouble(HeardNetwork::rssiDbm).reversed()).toList();
        return new AirView(scan.source().words(),
                scan.heard().size() + " networks heard, from " + scan.linesRead() + " lines; " + scan.linesPassedOver()
                        + " more were known and not needed, " + scan.unread().size() + " not understood.",
                byStrength.stream().limit(ROWS_SHOWN).map(heard -> row(heard, own)).toList(),
                scan.unread().stream().limit(UNREAD_SHOWN).toList(),
                Math.max(0, scan.unread().size() - UNREAD_SHOWN),
                byStrength.stream().filter(heard -> heard.band() == Band.GHZ_2_4 && heard.channel() < 14).limit(24)
                        .sorted(Comparator.comparingDouble(HeardNetwork::rssiDbm)).map(heard -> hump(heard, own)).toList(),
                advice.scores().stream().map(score -> new ScoreRow(score.channel(), Unit.DBM.format(score.othersDbm()), score.networks(),
                        advice.own().isPresent() && advice.own().getAsInt() == score.channel(), advice.best() == score.channel())).toList(),
                advice.words(), advice.change(), load(scan, advice), network.flatMap(row -> asHeard(scan, row)));
    }

    private static Row row(HeardNetwork heard, String own) {
        return new Row(heard.hidden() ? "(hidden)" : heard.name(), heard.band().words(), heard.channel(), Unit.DBM.format(heard.rssiDbm()),
                heard.security().map(WifiSecurity::words).orElse("not said"), !own.isEmpty() && heard.name().equals(own));
    }

    private static Hump hump(HeardNetwork heard, String own) {
        double middle = heard.channel() + switch (heard.second()) {
            case NONE -> 0;
            case ABOVE -> 2;
            case BELOW -> -2;
        };
        double half = heard.second() == HeardNetwork.Second.NONE ? 2 : 4;
        double x = LEFT + PX_PER_CHANNEL * middle;
        double reach = PX_PER_CHANNEL * half;
        double height = Math.max(6, (heard.rssiDbm() - FLOOR_DBM) * PX_PER_DB);
        String path = String.format(Locale.ROOT, "M%.1f %.0fC%.1f %.1f %.1f %.1f %.1f %.1fS%.1f %.1f %.1f %.0f", x - reach, BASE,
                x - reach * 0.8, BASE - height, x - reach * 0.6, BASE - height,
                x, BASE - height, x + reach * 0.8, BASE - height, x + reach, BASE);
        return new Hump(heard.hidden() ? "hidden" : heard.name(), heard.name().equals(own) && !own.isEmpty(), path, x, BASE - height - 5);
    }

    private static Optional<String> load(Scan scan, ChannelAdvice advice) {
        int channel = advice.own().orElse(advice.best());
        OptionalDouble load = ChannelAdvice.neighbourLoad(scan.heard(), channel);
        return load.isEmpty() ? Optional.empty()
                : Optional.of("Channel " + channel + " is busy " + Numbers.fixed(100 * load.getAsDouble(), 0)
                        + " % of the time; cameras and neighbours together must stay under "
                        + Numbers.fixed(100 * Airtime.FULL_SHARE, 0) + " %.");
    }

    private static Optional<String> asHeard(Scan scan, NetworkRepository.NetworkRow row) {
        Set<Band> bands = scan.bandsOf(row.name());
        WifiSecurity security = scan.securityOf(row.name()).orElse(row.security());
        if (bands.isEmpty() || bands.equals(row.bands()) && security == row.security()) {
            return Optional.empty();
        }
        return Optional.of(row.name() + " was heard on " + String.join(" and ", bands.stream().sorted().map(Band::words).toList())
                + ", secured by " + security.words() + ".");
    }
}
