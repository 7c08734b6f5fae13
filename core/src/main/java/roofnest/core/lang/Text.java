package roofnest.core.lang;

/** What may stand in a text that people read. */
public final class Text {
    private Text() {}

    /**
     * Whether a text holds signs that nothing shows: controls other than tabs and line ends, half a surrogate
     * pair, or one of the code points that are no character and that no paper can hold (Unicode Standard 16.0, 23.7).
     */
    public static boolean hasControls(String text) {
        return text.codePoints().anyMatch(Text::isControl);
    }

    /** The text without them. */
    public static String cleaned(String text) {
        if (!hasControls(text)) {
            return text;
        }
        StringBuilder clean = new StringBuilder();
        text.codePoints().filter(sign -> !isControl(sign)).forEach(clean::appendCodePoint);
        return clean.toString();
    }

    private static boolean isControl(int sign) {
        return Character.isISOControl(sign) && sign != '\t' && sign != '\n' && sign != '\r'
                || sign >= Character.MIN_SURROGATE && sign <= Character.MAX_SURROGATE || (sign & 0xFFFE) == 0xFFFE
                || sign >= 0xFDD0 && sign <= 0xFDEF;
    }
}
