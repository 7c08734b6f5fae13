package roofnest.core.network;

/**
 * One reason why a model may not join.
 *
 * @param field what it is about
 * @param blocks whether it certainly fails; otherwise it joins if something is done first
 * @param sentence in plain words, with the figure and the limit
 * @param remedy what to do about it
 */
public record FitIssue(Field field, boolean blocks, String sentence, String remedy) {
    public enum Field { NAME, PASSWORD, BAND, SECURITY, HIDDEN, ISOLATION }
}
