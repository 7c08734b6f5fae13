package roofnest.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import com.google.re2j.Matcher;
import com.google.re2j.Pattern;

import roofnest.core.catalogue.DeviceModel;

/**
 * What the code on a device's sticker says. Makers write what they like into theirs, so it is read by what commonly
 * stands there: named values, however they are parted, or one bare number.
 *
 * @param serial empty when the code does not say
 * @param deviceId by which an app reaches it
 * @param initialPassword as it left its maker; a secret
 * @param model the maker's word for the model
 * @param unread the rest, so that nothing the code says is lost
 */
public record DeviceLabel(Optional<String> serial, Optional<String> deviceId, Optional<String> initialPassword, Optional<String> model,
        List<String> unread) {
    /** Longest text of a code that is read, characters; a label's holds a few dozen. */
    public static final int MOST_CHARACTERS = 2000;
    private static final int LONGEST_VALUE = 40;
    private static final Pattern PARTS = Pattern.compile("[;,&\\n\\r\\t|?{}]+");
    private static final Pattern NAMED = Pattern.compile("\\s*\"?([A-Za-z][A-Za-z /_.-]{0,20}?)\"?\\s*[:=]\\s*\"?(.*?)\"?\\s*");
    private static final Pattern BARE = Pattern.compile("[A-Za-z0-9-]{6,40}");

    public DeviceLabel {
        unread = List.copyOf(unread);
    }

    public static DeviceLabel read(String code) {
        Builder label = new Builder();
        String text = code.length() > MOST_CHARACTERS ? code.substring(0, MOST_CHARACTERS) : code;
        for (String part : PARTS.split(text.strip())) {
            Matcher named = NAMED.matcher(part);
            if (part.isBlank()) {
                continue;
            }
            if (!named.matches() || named.group(2).startsWith("//") || !label.take(named.group(1), named.group(2))) {
                label.unread.add(part.strip());
            }
        }
        // A code that holds one bare number holds the serial.
        if (label.serial == null && label.unread.size() == 1 && BARE.matcher(label.unread.get(0)).matches()) {
            label.serial = label.unread.remove(0);
        }
        return new DeviceLabel(Optional.ofNullable(label.serial), Optional.ofNullable(label.deviceId), Optional.ofNullable(label.password),
                Optional.ofNullable(label.model), label.unread);
    }

    private static final class Builder {
        private String serial;
        private String deviceId;
        private String password;
        private String model;
        private final List<String> unread = new ArrayList<>();

        /** @return whether the name is one that is known, and its value one that can stand there */
        private boolean take(String name, String value) {
            if (value.isBlank() || value.length() > LONGEST_VALUE) {
                return false;
            }
            switch (name.toLowerCase(Locale.ROOT).replaceAll("[ /_.-]", "")) {
                case "sn", "serial", "serialno", "serialnumber" -> serial = value;
                case "id", "uid", "did", "deviceid" -> deviceId = value;
                case "pw", "pwd", "pass", "password", "key" -> password = value;
                case "model", "type", "product", "m" -> model = value;
                default -> {
                    return false;
                }
            }
            return true;
        }
    }

    public boolean saysAnything() {
        return serial.isPresent() || deviceId.isPresent();
    }

    /** Whether the label can be of this model: it names it, or names none. */
    public boolean fits(DeviceModel candidate) {
        if (model.isEmpty()) {
            return true;
        }
        String said = plain(model.get());
        return said.equals(plain(candidate.name())) || said.equals(plain(candidate.fullName())) || said.equals(plain(candidate.key()));
    }

    private static String plain(String words) {
        return words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "");
    }

    /** Whether an ID typed from a label can be misread: it holds 0 or O, 1, I or l. */
    public static boolean easilyMisread(String id) {
        return id.chars().anyMatch(c -> "0O1Il".indexOf(c) >= 0);
    }
}
