package roofnest.core.scan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Numbers;

/**
 * Which 2.4 GHz channel suits the house's own network. A channel's score is what the scan heard of others there: their
 * power in milliwatts, weighted by how much of their 20 MHz overlaps, {@code max(0, 1 − Δ/20)} for centres Δ MHz apart,
 * above the receiver's noise. A change makes every device rejoin, so it is advised only for more than {@link #WORTH_DB}.
 *
 * @param own present channel; empty when the scan did not hear the house's own network
 * @param scores of the channels that do not overlap one another, and of the present one
 * @param gainDb from the present channel to the best; 0 when nothing is gained or the present one is not known
 */
public record ChannelAdvice(OptionalInt own, int best, double gainDb, List<Score> scores) {
    /** The set that no region forbids. */
    public static final List<Integer> NON_OVERLAPPING = List.of(1, 6, 11);
    public static final double WORTH_DB = 3;
    /** −174 + 10 log10(20 MHz) + 7 dB noise figure. */
    private static final double NOISE_DBM = -94;
    private static final int WIDTH_MHZ = 20;
    private static final int FIRST_SIX = 5;
    private static final int LAST_SIX = 229;
    private static final int SIX_STEP = 16;

    /**
     * @param othersDbm what others put into the channel, noise included
     * @param neighbours who does, the loudest there first
     */
    public record Score(int channel, double othersDbm, List<Neighbour> neighbours) {
        public Score {
            neighbours = List.copyOf(neighbours);
        }

        public int networks() {
            return neighbours.size();
        }
    }

    /**
     * Somebody else's radio as a channel hears it.
     *
     * @param name empty when it is hidden
     * @param thereDbm what it puts into that channel
     * @param share of its power that falls there, above 0 and at most 1
     */
    public record Neighbour(String name, double thereDbm, double share) {}

    public ChannelAdvice {
        scores = List.copyOf(scores);
    }

    /** @param ownName whose radios are the house's own, and so do not count against a channel */
    public static ChannelAdvice of(List<HeardNetwork> heard, String ownName) {
        OptionalInt own = heard.stream().filter(network -> network.band() == Band.GHZ_2_4 && network.name().equals(ownName))
                .max(Comparator.comparingDouble(HeardNetwork::rssiDbm)).map(network -> OptionalInt.of(network.channel()))
                .orElse(OptionalInt.empty());
        List<HeardNetwork> others
                = heard.stream().filter(network -> network.band() == Band.GHZ_2_4 && !network.name().equals(ownName)).toList();
        List<Score> scores = IntStream.concat(NON_OVERLAPPING.stream().mapToInt(Integer::intValue), own.stream())
                .sorted().distinct().mapToObj(channel -> score(channel, others)).toList();
        Score best = scores.stream().filter(score -> NON_OVERLAPPING.contains(score.channel()))
                .min(Comparator.comparingDouble(Score::othersDbm)).orElseThrow();
        double gain = own.isEmpty() ? 0 : Math.max(0, of(scores, own.getAsInt()).othersDbm() - best.othersDbm());
        return new ChannelAdvice(own, best.channel(), gain, scores);
    }

    private static Score of(List<Score> scores, int channel) {
        return scores.stream().filter(score -> score.channel() == channel).findFirst().orElseThrow();
    }

    private static Score score(int channel, List<HeardNetwork> others) {
        List<Neighbour> neighbours = others.stream().filter(other -> share(channel, other) > 0)
                .map(other -> new Neighbour(other.name(), other.rssiDbm() + 10 * Math.log10(share(channel, other)), share(channel, other)))
                .sorted(Comparator.comparingDouble(Neighbour::thereDbm).reversed()).toList();
        double mw = Math.pow(10, NOISE_DBM / 10)
                + neighbours.stream().mapToDouble(neighbour -> Math.pow(10, neighbour.thereDbm() / 10)).sum();
        return new Score(channel, 10 * Math.log10(mw), neighbours);
    }

    /** A 40 MHz network puts half of its power into each of its two channels. */
    private static double share(int channel, HeardNetwork other) {
        return switch (other.second()) {
            case NONE -> overlap(channel, other.channel(), 0);
            case ABOVE -> (overlap(channel, other.channel(), 0) + overlap(channel, other.channel(), WIDTH_MHZ)) / 2;
            case BELOW -> (overlap(channel, other.channel(), 0) + overlap(channel, other.channel(), -WIDTH_MHZ)) / 2;
        };
    }

    /** Share of one 20 MHz channel that lies under another, moved by some MHz. */
    private static double overlap(int one, int other, int movedMhz) {
        return Math.max(0, 1 - Math.abs(Channels.centreMhz(one, Band.GHZ_2_4) - Channels.centreMhz(other, Band.GHZ_2_4) - movedMhz)
                / (double) WIDTH_MHZ);
    }

    public boolean change() {
        return own.isPresent() && own.getAsInt() != best && gainDb > WORTH_DB;
    }

    /** The advice in a sentence, with the gain. */
    public String words() {
        if (own.isEmpty()) {
            return "The scan did not hear the house's own name at 2.4 GHz. Of 1, 6 and 11 the quietest is channel " + best + ".";
        }
        if (change()) {
            return "Channel " + best + " is " + Numbers.fixed(gainDb, 0) + " dB quieter than channel " + own.getAsInt()
                    + ". The change makes every device rejoin by itself, once.";
        }
        return own.getAsInt() == best || gainDb == 0 ? "Leave channel " + own.getAsInt() + ": none is quieter."
                : "Leave channel " + own.getAsInt() + ": channel " + best + " would gain only " + Numbers.fixed(gainDb, 1)
                        + " dB, not worth a change under " + Numbers.fixed(WORTH_DB, 0) + " dB.";
    }

    /**
     * For a camera that knows the band of 6 GHz: which of the channels on which things there look for networks first is
     * quietest. They lie 80 MHz apart, so that no two of them overlap (IEEE 802.11ax, preferred scanning channels).
     *
     * @return in a sentence
     */
    public static String sixGhz(List<HeardNetwork> heard, String ownName) {
        List<HeardNetwork> others
                = heard.stream().filter(network -> network.band() == Band.GHZ_6 && !network.name().equals(ownName)).toList();
        boolean own = heard.stream().anyMatch(network -> network.band() == Band.GHZ_6 && network.name().equals(ownName));
        int best = IntStream.iterate(FIRST_SIX, channel -> channel <= LAST_SIX, channel -> channel + SIX_STEP).boxed()
                .min(Comparator.comparingDouble((Integer channel) -> others.stream().filter(other -> other.channel() == channel)
                        .mapToDouble(other -> Math.pow(10, other.rssiDbm() / 10)).sum()).thenComparingInt(channel -> channel))
                .orElseThrow();
        return (others.isEmpty() ? "No other network was heard at 6 GHz" : others.size() == 1 ? "One other network was heard at 6 GHz"
                : others.size() + " other networks were heard at 6 GHz") + "; the quietest first-looked-for channel there is " + best + "."
                + (own ? "" : " The house's own name was not heard there.");
    }

    /** How busy neighbours keep a channel, where a radio there said so. */
    public static OptionalDouble neighbourLoad(List<HeardNetwork> heard, int channel) {
        return heard.stream().filter(network -> network.band() == Band.GHZ_2_4 && network.channel() == channel)
                .map(HeardNetwork::utilisation).flatMap(Optional::stream)
                .mapToDouble(Double::doubleValue).max();
    }
}
