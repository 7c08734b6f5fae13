package roofnest.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import roofnest.core.scan.ChannelAdvice;
import roofnest.core.scan.Scan;
import roofnest.core.scan.ScanText;

/** A scan, read and advised upon: of five thousand networks, and of as many as a page takes at all, a million characters. */
@State(Scope.Thread)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class ScanBench {
    private static final int NETWORKS = 5000;
    private static final int MOST_CHARACTERS = 1_000_000;
    private static final int LONGEST_LINE = 300;

    @Param({"iw", "terse", "csv"}) private String scanner;
    @Param({"5000 networks", "a million characters"}) private String size;
    private String text;
    private int networks;

    @Setup
    public void print() {
        Random random = new Random(20261125);
        StringBuilder printed = new StringBuilder(scanner.equals("csv") ? "ssid,bssid,channel,signal,security\n" : "");
        boolean largest = !size.startsWith("5000");
        for (int i = 0; largest ? printed.length() < MOST_CHARACTERS - LONGEST_LINE : i < NETWORKS; i++) {
            networks = i + 1;
            String mac = String.format("02:00:%02x:%02x:%02x:%02x", random.nextInt(256), random.nextInt(256), i >> 8, i & 255);
            int channel = 1 + random.nextInt(13);
            int dbm = -40 - random.nextInt(50);
            printed.append(switch (scanner) {
                case "iw" ->
                    "BSS " + mac + "(on wlan0)\n\tfreq: " + (2407 + 5 * channel) + "\n\tsignal: " + dbm + ".00 dBm\n\tSSID: house " + i
                            + "\n\tDS Parameter set: channel " + channel + "\n\tRSN:\t * Version: 1\n\t\t * Authentication suites: PSK\n";
                case "terse" -> " :" + mac.replace(":", "\\:") + ":house " + i + ":Infra:" + channel + ":130 Mbit/s:"
                        + Math.min(100, 2 * (dbm + 100)) + ":____:WPA2\n";
                default -> "house " + i + "," + mac + "," + channel + "," + dbm + ",WPA2\n";
            });
        }
        text = printed.toString();
    }

    @Benchmark
    public ChannelAdvice readAndAdvise() {
        Scan scan = ScanText.read(text);
        if (scan.heard().size() != networks) {
            throw new IllegalStateException("read " + scan.heard().size());
        }
        return ChannelAdvice.of(scan.heard(), "house 17");
    }
}
