package roofnest.core.alert;

import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.BellSpec;
import roofnest.core.lang.Require;

/**
 * How a bell is answered.
 *
 * @param chime that rings in the house
 * @param message that it speaks to whoever rang and got no answer; empty for none
 * @param messageAfterS when it does, seconds after the bell was pressed
 * @param replies short answers kept ready for a tap on the phone
 */
public record Bell(BellSpec.Chime chime, Optional<String> message, int messageAfterS, List<String> replies) {
    public static final int MOST_MESSAGE_CHARS = 200;
    public static final int MOST_AFTER_S = 120;
    /** Taking the phone and looking who it is takes so long, seconds. */
    public static final double TAKES_PHONE_S = 8;

    public Bell {
        message = message.map(text -> Require.text("message of a bell", text, MOST_MESSAGE_CHARS));
        Require.inRange("seconds before its message", messageAfterS, 0, MOST_AFTER_S);
        replies = replies.stream().map(text -> Require.text("answer of a bell", text, BellSpec.MOST_REPLY_CHARS)).toList();
        Require.inRange("answers kept ready", replies.size(), 0, BellSpec.MOST_REPLIES);
    }

    /** As it comes out of its box. */
    public static Bell usual(BellSpec spec) {
        return new Bell(spec.chimes().get(0), Optional.empty(), 20, List.of());
    }

    /**
     * How soon somebody can speak to whoever rang: a pressed button is noticed at once, so that only the waking and the message are left.
     *
     * @param ring of the words alone
     * @return nine in ten, seconds
     */
    public static double answeredS(RingDelay ring) {
        return new RingDelay(0, ring.wakeS(), 0, ring.pushS()).nineInTenS() + TAKES_PHONE_S;
    }
}
