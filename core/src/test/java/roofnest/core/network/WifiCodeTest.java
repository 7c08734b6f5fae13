package roofnest.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Set;

import org.junit.jupiter.api.Test;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.LuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.GlobalHistogramBinarizer;
import com.google.zxing.qrcode.QRCodeReader;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.StringLength;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

class WifiCodeTest {
    private static final int SCALE = 4;
    private static final int QUIET = 4;

    @Test
    void special_characters_are_escaped() {
        assertThat(WifiCode.text(network("a;b:c,d\"e\\f", "p;w,12345", WifiSecurity.WPA2, false)))
                .isEqualTo("WIFI:T:WPA;S:a\\;b\\:c\\,d\\\"e\\\\f;P:p\\;w\\,12345;;");
        assertThat(WifiCode.text(network("weir", "", WifiSecurity.OPEN, true))).isEqualTo("WIFI:T:nopass;S:weir;H:true;;");
    }

    @Test
    void other_text_is_no_network() {
        assertThat(WifiCode.read("https://ladderhall.example")).isEmpty();
        assertThat(WifiCode.read("WIFI:T:WPA;P:only a password;;")).isEmpty();
        assertThat(WifiCode.read("")).isEmpty();
    }

    @Test
    void a_longer_text_makes_finer_modules() {
        // 27 bytes at level M take version 3, 29 modules a side; 78 take version 5, 37.
        assertThat(WifiCode.moduleMm("WIFI:T:WPA;S:a;P:12345678;;", 60)).isCloseTo(60.0 / (29 + 8), within(1e-9));
        assertThat(WifiCode.moduleMm("WIFI:T:WPA;S:a;P:" + "x".repeat(60) + ";;", 60)).isCloseTo(60.0 / (37 + 8), within(1e-9));
    }

    @Property(tries = 200)
    void what_is_written_another_reader_reads_back(
            @ForAll @StringLength(min = 1, max = 16) @Chars({';', ':', ',', '"', '\\', ' ', 'é'}) @CharRange(from = 'a',
                    to = 'z') String name,
            @ForAll @StringLength(min = 8, max = 40) @Chars({';', ':', ',', '"', '\\', '$'}) @CharRange(from = '0',
                    to = 'z') String password,
            @ForAll boolean hidden) throws ReaderException {
        HomeNetwork network = network(name, password, WifiSecurity.WPA2, hidden);
        BinaryBitmap picture = new BinaryBitmap(new GlobalHistogramBinarizer(new Picture(WifiCode.modules(WifiCode.text(network)))));
        String seen = new QRCodeReader().decode(picture, Map.of(DecodeHintType.PURE_BARCODE, true)).getText();
        assertThat(WifiCode.read(seen)).contains(network);
    }

    private static HomeNetwork network(String name, String password, WifiSecurity security, boolean hidden) {
        return new HomeNetwork(name, password, Set.of(Band.GHZ_2_4), security, hidden);
    }

    /** The symbol as a camera would see it, straight on. */
    private static final class Picture extends LuminanceSource {
        private final boolean[][] modules;

        private Picture(boolean[][] modules) {
            super((modules.length + 2 * QUIET) * SCALE, (modules.length + 2 * QUIET) * SCALE);
            this.modules = modules;
        }

        @Override
        public byte[] getRow(int y, byte[] row) {
            byte[] pixels = row == null || row.length < getWidth() ? new byte[getWidth()] : row;
            for (int x = 0; x < getWidth(); x++) {
                int column = x / SCALE - QUIET;
                int line = y / SCALE - QUIET;
                boolean dark = column >= 0 && line >= 0 && column < modules.length && line < modules.length && modules[line][column];
                pixels[x] = (byte) (dark ? 0 : 255);
            }
            return pixels;
        }

        @Override
        public byte[] getMatrix() {
            byte[] all = new byte[getWidth() * getHeight()];
            for (int y = 0; y < getHeight(); y++) {
                System.arraycopy(getRow(y, null), 0, all, y * getWidth(), getWidth());
            }
            return all;
        }
    }
}
