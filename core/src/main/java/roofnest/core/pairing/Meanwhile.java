package roofnest.core.pairing;

import java.util.ArrayList;
import java.util.List;

/** What hands can do while a device boots or joins: waiting is the largest part of a run. */
public final class Meanwhile {
    private Meanwhile() {}

    /**
     * @param serialKnown whether the serial of the camera on the run is noted
     * @param stickerPlace where this model carries its sticker
     * @param waiting names of the cameras whose turn is still to come
     * @param thingsToRejoin other things that have to rejoin, if name or password of the house's Wi-Fi changed; else 0
     */
    public static List<String> of(boolean serialKnown, String stickerPlace, List<String> waiting, int thingsToRejoin) {
        List<String> jobs = new ArrayList<>();
        if (!serialKnown) {
            jobs.add("Photograph the sticker (" + stickerPlace + ") and read its serial.");
        }
        if (!waiting.isEmpty()) {
            jobs.add("Unpack " + waiting.get(0) + " and look whether its pack is full.");
        }
        if (thingsToRejoin > 0) {
            jobs.add("Rejoin what the new Wi-Fi name cut off: " + thingsToRejoin + (thingsToRejoin == 1 ? " thing." : " things."));
        }
        return jobs;
    }
}
