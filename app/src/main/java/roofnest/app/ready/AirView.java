package roofnest.app.ready;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;

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
 * @param wires a channel each that the cameras could use, with who is heard there
 * @param ticks of the scale of loudness
 * @param advice in a sentence
 * @param change whether it advises a change
 * @param asHeard bands and security of the house's own name, when they differ from what is written down
 */
record AirView(
        String source, String read, List<Row> rows, List<Scan.Unread> unread, int unreadMore, List<Wire> wires, List<Tick> ticks,
        List<ScoreRow> scores,
        String advice, boolean change,
        Optional<String> load, Optional<String> asHeard, Optional<String> six) {
    private static final int UNREAD_SHOWN = 40;
    private static final int ROWS_SHOWN = 60;
    private static final int BIRDS_SHOWN = 24;
    private static final double LEFT = 128;
    private static final double WIRE_PX = 380;
    private static final double FLOOR_DBM = -95;
    private static final double CEILING_DBM = -35;
    private static final double FIRST_WIRE = 62;
    private static final double WIRE_APART = 84;
    private static final double PX_A_LETTER = 7.2;
    private static final double TIME_PX = 150;
    private static final double HALF = 0.5;

    record Row(String name, String band, int channel, String signal, String security, boolean own) {}

    /**
     * A channel that the cameras could use.
     *
     * @param y of the wire
     * @param here whether the advice is to be on this one
     * @param sumX where what all others put in stands
     * @param busyPx how wide the time that is taken is drawn; −1 where no radio said
     * @param leftPx how wide the time that is left for cameras is drawn
     */
    record Wire(double y, int channel, String remark, boolean own, boolean here, List<Bird> birds, double sumX, String sum, double busyPx,
            double leftPx, String time) {}

    /** A neighbour. @param whole whether it sends on this very channel @param name empty where there is no room for it */
    record Bird(double x, boolean whole, String name, String title) {}

    /** A signal on the scale above the wires. */
    record Tick(double x, String words) {}

    record ScoreRow(int channel, String others, int networks, boolean own, boolean best) {}

    static AirView of(Scan scan, Optional<NetworkRepository.NetworkRow> network, boolean sixKnown) {
        String own = network.map(NetworkRepository.NetworkRow::name).orElse("");
        ChannelAdvice advice = ChannelAdvice.of(scan.heard(), own);
        List<HeardNetwork> byStrength = scan.heard().stream().sorted(Comparator.comparingDouble(HeardNetwork::rssiDbm).reversed()).toList();
        return new AirView(scan.source().words(),
                scan.heard().size() + " networks heard, from " + scan.linesRead() + " lines; " + scan.linesPassedOver()
                        + " more were known and not needed, " + scan.unread().size() + " not understood.",
                byStrength.stream().limit(ROWS_SHOWN).map(heard -> row(heard, own)).toList(),
                scan.unread().stream().limit(UNREAD_SHOWN).toList(),
                Math.max(0, scan.unread().size() - UNREAD_SHOWN),
                IntStream.range(0, advice.scores().size()).mapToObj(i -> wire(scan, advice, advice.scores().get(i), i)).toList(),
                IntStream.of(-90, -80, -70, -60, -50, -40).mapToObj(dbm -> new Tick(x(dbm), Unit.DBM.format(dbm))).toList(),
                advice.scores().stream().map(score -> new ScoreRow(score.channel(), Unit.DBM.format(score.othersDbm()), score.networks(),
                        advice.own().isPresent() && advice.own().getAsInt() == score.channel(), advice.best() == score.channel())).toList(),
                advice.words(), advice.change(), load(scan, advice), network.flatMap(row -> asHeard(scan, row)),
                sixKnown ? Optional.of(ChannelAdvice.sixGhz(scan.heard(), own)) : Optional.empty());
    }

    private static Row row(HeardNetwork heard, String own) {
        return new Row(heard.hidden() ? "(hidden)" : heard.name(), heard.band().words(), heard.channel(), Unit.DBM.format(heard.rssiDbm()),
                heard.security().map(WifiSecurity::words).orElse("not said"), !own.isEmpty() && heard.name().equals(own));
    }

    /** A channel as a wire with the neighbours that are heard on it, further right the louder; names where there is room. */
    private static Wire wire(Scan scan, ChannelAdvice advice, ChannelAdvice.Score score, int index) {
        double y = FIRST_WIRE + WIRE_APART * index;
        List<Bird> birds = new ArrayList<>();
        double nextFree = Double.MAX_VALUE;
        for (ChannelAdvice.Neighbour neighbour : score.neighbours().stream().limit(BIRDS_SHOWN).toList()) {
            double x = x(neighbour.thereDbm());
            String name = neighbour.name().isEmpty() ? "hidden" : neighbour.name();
            double half = PX_A_LETTER * name.length() / 2;
            boolean named = x + half < nextFree && x - half > LEFT - 20;
            nextFree = named ? x - half - PX_A_LETTER : nextFree;
            birds.add(new Bird(x, neighbour.share() > HALF, named ? name : "",
                    name + ", " + Unit.DBM.format(neighbour.thereDbm()) + " on this channel"
                            + (neighbour.share() > HALF ? "" : ", from a channel beside it")));
        }
        OptionalDouble busy = ChannelAdvice.neighbourLoad(scan.heard(), score.channel());
        boolean own = advice.own().isPresent() && advice.own().getAsInt() == score.channel();
        double left = busy.isEmpty() ? 0 : Math.max(0, Airtime.FULL_SHARE - busy.getAsDouble());
        return new Wire(y, score.channel(), own ? "yours" : advice.best() == score.channel() ? "quietest" : "", own,
                advice.change() ? advice.best() == score.channel() : own, birds, x(score.othersDbm()),
                score.networks() == 0 ? "nobody" : "all together " + Unit.DBM.format(score.othersDbm()),
                busy.isEmpty() ? -1 : TIME_PX * busy.getAsDouble(), TIME_PX * left,
                busy.isEmpty() ? "nobody said how busy" : Numbers.fixed(100 * left, 0) + " % left for cameras");
    }

    private static double x(double dbm) {
        return LEFT + Math.max(0, Math.min(1, (dbm - FLOOR_DBM) / (CEILING_DBM - FLOOR_DBM))) * WIRE_PX;
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
