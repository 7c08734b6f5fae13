package roofnest.core.scan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import com.google.re2j.Matcher;
import com.google.re2j.Pattern;

import roofnest.core.catalogue.WifiSecurity;

/** {@code iw dev <interface> scan}: one block a radio, each headed by a line {@code BSS <address>(on <interface>)}. */
final class IwReader implements ScanReader {
    private static final Pattern HEAD = Pattern.compile("^BSS (" + Values.MAC.pattern() + ")(\\(on .*| -- .*|$)");
    private static final Pattern DETAIL = Pattern.compile("^\\s+(\\*\\s*)?([^:]{1,60}):(.*)$");
    /** Lists that run on, and flags without a value. */
    private static final Pattern MORE = Pattern.compile("^(\\s+\\*\\s*\\S.*|\\s{2,}[\\w .,/()+-]+)$");

    @Override
    public Scan.Source source() {
        return Scan.Source.IW;
    }

    @Override
    public boolean knows(List<String> lines) {
        return lines.stream().anyMatch(line -> HEAD.matcher(line).find());
    }

    /** What is known of the block being read. */
    private static final class Block {
        private final int line;
        private final String bssid;
        private String name = "";
        private OptionalDouble dbm = OptionalDouble.empty();
        private Optional<Channels.Channel> channel = Optional.empty();
        private HeardNetwork.Second second = HeardNetwork.Second.NONE;
        private final StringBuilder security = new StringBuilder();
        private boolean privacy;
        private Optional<Double> utilisation = Optional.empty();

        private Block(int line, String bssid) {
            this.line = line;
            this.bssid = bssid;
        }
    }

    @Override
    public void read(List<String> lines, Findings findings) {
        Block block = null;
        String section = "";
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i);
            Matcher head = HEAD.matcher(line);
            if (head.find()) {
                close(block, findings);
                block = new Block(i, Values.mac(head.group(1)));
                findings.read(i);
                continue;
            }
            Matcher detail = DETAIL.matcher(line);
            if (block == null) {
                continue;
            }
            if (detail.matches()) {
                boolean inSection = detail.group(1) != null;
                String key = detail.group(2).strip();
                if (!inSection) {
                    section = key;
                }
                if (take(block, section, inSection ? key : "", detail.group(3).strip())) {
                    findings.read(i);
                } else {
                    findings.passOver(i);
                }
            } else if (MORE.matcher(line).matches()) {
                findings.passOver(i);
            }
        }
        close(block, findings);
    }

    /** @param key within the section; empty on the section's own line */
    private static boolean take(Block block, String section, String key, String value) {
        switch (key.isEmpty() ? section : section + "/" + key) {
            case "SSID" -> block.name = Values.unescaped(value);
            case "signal" -> block.dbm = Values.dbm(value);
            case "freq" -> Values.number(value).ifPresent(mhz -> block.channel = Channels.ofMhz(mhz));
            case "DS Parameter set" -> channel(block, value);
            case "HT operation/primary channel" -> channel(block, value);
            case "HT operation/secondary channel offset" -> block.second = value.startsWith("above") ? HeardNetwork.Second.ABOVE
                    : value.startsWith("below") ? HeardNetwork.Second.BELOW : HeardNetwork.Second.NONE;
            case "RSN", "WPA" -> block.security.append(section.equals("RSN") ? " WPA2 " : " WPA ");
            case "RSN/Authentication suites" -> suites(block, value);
            case "capability" -> block.privacy = value.contains("Privacy");
            case "BSS Load/channel utilisation" ->
                Values.number(value).ifPresent(busy -> block.utilisation = Optional.of(Math.min(1, Math.max(0, busy / 255))));
            default -> {
                return false;
            }
        }
        return true;
    }

    private static void channel(Block block, String value) {
        Values.number(value).ifPresent(number -> {
            int channel = (int) number;
            if (block.channel.isEmpty()) {
                block.channel = Channels.of(channel);
            }
        });
    }

    private static void suites(Block block, String value) {
        if (value.contains("SAE") && !value.contains("PSK")) {
            block.security.setLength(0);
        }
        block.security.append(' ').append(value);
    }

    private static void close(Block block, Findings findings) {
        if (block == null) {
            return;
        }
        if (block.dbm.isEmpty() || block.channel.isEmpty()) {
            findings.notUnderstood(block.line);
            return;
        }
        Channels.Channel channel = block.channel.get();
        Optional<WifiSecurity> security
                = block.security.isEmpty() && block.privacy ? Optional.empty() : Values.security(block.security.toString());
        findings.heard(new HeardNetwork(block.name, block.bssid, block.dbm.getAsDouble(), channel.number(), channel.band(), block.second,
                security, block.utilisation));
    }
}
