package roofnest.app.ready;

import java.io.Serializable;

import roofnest.core.network.WifiCode;

/**
 * A QR symbol to draw.
 *
 * @param side modules, with the quiet zone
 * @param path of the dark modules
 * @param moduleMm width of one on a phone's screen
 */
record CodePicture(int side, String path, double moduleMm) implements Serializable {
    private static final int QUIET = 4;
    /** Across the screen of an ordinary phone, millimetres. */
    private static final double PHONE_MM = 62;

    static CodePicture of(String text) {
        boolean[][] modules = WifiCode.modules(text);
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < modules.length; y++) {
            for (int x = 0; x < modules.length; x++) {
                if (modules[y][x]) {
                    path.append('M').append(x + QUIET).append(' ').append(y + QUIET).append("h1v1h-1z");
                }
            }
        }
        return new CodePicture(modules.length + 2 * QUIET, path.toString(), WifiCode.moduleMm(text, PHONE_MM));
    }
}
