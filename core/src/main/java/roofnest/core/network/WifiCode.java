package roofnest.core.network;

import java.util.Optional;
import java.util.Set;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.Result;
import com.google.zxing.client.result.WifiParsedResult;
import com.google.zxing.client.result.WifiResultParser;

import io.nayuki.qrcodegen.QrCode;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

/**
 * The {@code WIFI:} text that phones read from a code, and its QR symbol (ISO/IEC 18004). Written by one library and read
 * by another, so that neither only agrees with itself.
 */
public final class WifiCode {
    /** More does not fit into the largest QR code (ISO/IEC 18004). */
    private static final int MOST_CHARACTERS = 4_296;

    private WifiCode() {}

    /** Whether a network is joined by a code: not one where everybody logs in by name. */
    public static boolean has(HomeNetwork network) {
        return network.security() != WifiSecurity.ENTERPRISE;
    }

    /**
     * Backslash, semicolon, comma, colon and double quote are escaped by a backslash.
     *
     * @throws IllegalArgumentException for a network that {@link #has} no code
     */
    public static String text(HomeNetwork network) {
        String kind = switch (network.security()) {
            case OPEN, OWE -> "nopass";
            case WPA3 -> "SAE";
            case WPA2, WPA2_WPA3 -> "WPA";
            case ENTERPRISE -> throw new IllegalArgumentException("an enterprise network is not joined by a code");
        };
        return "WIFI:T:" + kind + ";S:" + escaped(network.name()) + ";"
                + (!network.security().asksPassword() ? "" : "P:" + escaped(network.password()) + ";")
                + (network.hidden() ? "H:true;" : "") + ";";
    }

    private static String escaped(String text) {
        return text.replaceAll("([\\\\;,:\"])", "\\\\$1");
    }

    /** The modules of the symbol, rows from the top, true is dark; without the quiet zone. */
    public static boolean[][] modules(String text) {
        QrCode code = QrCode.encodeText(text, QrCode.Ecc.MEDIUM);
        boolean[][] modules = new boolean[code.size][code.size];
        for (int y = 0; y < code.size; y++) {
            for (int x = 0; x < code.size; x++) {
                modules[y][x] = code.getModule(x, y);
            }
        }
        return modules;
    }

    /** Width of one module, millimetres, when the symbol with its quiet zone of four modules fills so wide a screen. */
    public static double moduleMm(String text, double screenMm) {
        return screenMm / (QrCode.encodeText(text, QrCode.Ecc.MEDIUM).size + 8);
    }

    /** Reads such a text; empty when it is none. The code does not say on which bands the network is: 2.4 GHz is taken. */
    public static Optional<HomeNetwork> read(String text) {
        if (text.length() > MOST_CHARACTERS) {
            return Optional.empty();
        }
        // Asked of the one reader that is meant: others look through the whole text for addresses, over and over.
        WifiParsedResult wifi = new WifiResultParser().parse(new Result(text, null, null, BarcodeFormat.QR_CODE));
        if (wifi == null || wifi.getSsid() == null || wifi.getSsid().isEmpty()) {
            return Optional.empty();
        }
        String password = wifi.getPassword() == null ? "" : wifi.getPassword();
        String kind = wifi.getNetworkEncryption() == null ? "nopass" : wifi.getNetworkEncryption();
        WifiSecurity security = switch (kind) {
            case "nopass" -> WifiSecurity.OPEN;
            case "SAE" -> WifiSecurity.WPA3;
            default -> WifiSecurity.WPA2;
        };
        return Optional.of(new HomeNetwork(wifi.getSsid(), password, Set.of(Band.GHZ_2_4), security, wifi.isHidden()));
    }
}
