package roofnest.core.plan;

/** An edit that cannot be made of a plan as it is; the message says why and what would do. Nothing was changed. */
public final class EditRefused extends Exception {
    EditRefused(String sentence) {
        super(sentence);
    }
}
