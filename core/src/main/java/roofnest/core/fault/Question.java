package roofnest.core.fault;

import java.util.List;

import roofnest.core.lang.Worded;

/**
 * A question that whoever stands by the camera or holds the phone can answer, with how long that takes and what can be answered. That
 * somebody does not know is an answer to each: {@link #UNKNOWN}.
 */
public enum Question implements Worded {
    WHAT("What is wrong?", 0.5, "no picture at all", "a picture at home but not away", "the phone does not ring", "it rings too often",
            "nothing is recorded", "the picture is bad", "the time is wrong", "sound or light is wrong", "the app asks for a password",
            "the camera is gone"),
    ALL_OR_ONE("Is it one camera or all of them?", 0.5, "one", "all", "there is only one"),
    LIGHT("What does its light do?", 1, "it is dark", "it is steady", "it blinks", "as always", "it cannot be seen"),
    HOME_AND_AWAY("Is there a picture at home, and with the phone’s Wi-Fi off?", 1.5, "both", "only at home", "neither"),
    CHANGED("What has changed of late?", 0.5, "the router or the provider", "a password", "the phone or the app", "something by the camera",
            "nothing that I know of"),
    PERCENT("What percent does the app show for its pack?", 0.5, "under 15 %", "more", "it has no pack, or none is shown"),
    OTHER_THINGS("Does everything else in the house have internet?", 0.5, "yes", "Wi-Fi, but no internet", "no Wi-Fi either"),
    MAY_RING("What do the phone’s settings say of the app’s notifications?", 3, "they are allowed", "they are not allowed",
            "a quiet time is on"),
    OTHER_PHONE("Does another phone ring?", 1, "it does", "it does not", "there is no other"),
    APP_SAYS("Does the app ask for anything?", 1, "to be updated", "to sign in", "to pay for a plan", "nothing"),
    LAST_CLIP("When is the last clip from?", 1, "today", "an earlier day", "there is none"),
    SINCE("How did it begin?", 0.5, "at once", "it comes and goes", "more and more", "on a cold night"),
    PICTURE("What does the picture look like?", 1, "as always", "white or hazy by night", "another view", "a black patch",
            "there is none"),
    HUB_LIGHT("Is the hub’s light on?", 1, "yes", "no", "there is no hub"),
    CLOCK("Is the time in the picture right?", 0.5, "yes", "no", "none is shown"),
    BARS("How many bars does the app show for it?", 1, "three or four", "one or two", "none"),
    THERE("Does it hang as it hung?", 0.5, "yes", "otherwise", "it is gone"),
    RESTART("Switch it off and on again: does it come back?", 4, "yes", "no");

    /** The answer of somebody who does not know. */
    public static final int UNKNOWN = -1;
    /** So many do not know an answer, and so many give another than the right one, of all. */
    public static final double DO_NOT_KNOW = 0.08;
    public static final double WRONG = 0.04;

    private final String words;
    private final double minutes;
    private final List<String> answers;

    Question(String words, double minutes, String... answers) {
        this.words = words;
        this.minutes = minutes;
        this.answers = List.of(answers);
    }

    @Override
    public String words() {
        return words;
    }

    public double minutes() {
        return minutes;
    }

    /** In words, by their numbers from 0. */
    public List<String> answers() {
        return answers;
    }
}
