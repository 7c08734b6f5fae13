package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/**
 * What a model records.
 *
 * @param cardMaxGb largest card, decimal gigabytes; 0 when it holds none
 * @param continuous whether it can record all the time; absent for no
 * @param streams whether a recorder in the house can take its stream; absent for no
 */
public record RecordingSpec(double bitrateMbps, int cardMaxGb, int clipMinSeconds, int clipMaxSeconds, Boolean continuous,
        Boolean streams) {
    public RecordingSpec {
        Require.inRange("bit rate in Mbit/s", bitrateMbps, 0.1, 30);
        Require.inRange("largest card in GB", cardMaxGb, 0, 2000);
        Require.inRange("shortest clip in seconds", clipMinSeconds, 1, 600);
        Require.inRange("longest clip in seconds", clipMaxSeconds, clipMinSeconds, 600);
        continuous = continuous != null && continuous;
        streams = streams != null && streams;
    }

    RecordingSpec withBitrate(double mbps) {
        return new RecordingSpec(mbps, cardMaxGb, clipMinSeconds, clipMaxSeconds, continuous, streams);
    }
}
