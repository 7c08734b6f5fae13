package roofnest.app.tune;

import java.time.format.DateTimeFormatter;
import java.util.Locale;

import roofnest.app.records.FootageListRepository;
import roofnest.core.lang.Numbers;

/** A list of files that were given out, as a text that can be printed, and that tools that check SHA-256 sums read. */
final class FootageListFile {
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm:ss xxx", Locale.ENGLISH);

    private FootageListFile() {}

    static String of(FootageListRepository.Kept list, String camera) {
        StringBuilder text = new StringBuilder();
        line(text, "Footage of " + camera + ", given out for " + list.forWhom());
        line(text, "Made by " + list.by() + ", " + AT.format(list.at()));
        line(text, list.clockFastS().isEmpty() ? "Nobody compared the camera's clock."
                : list.clockFastS().getAsDouble() == 0 ? "The camera's clock was right." : "The camera's clock was "
                        + Numbers.plain(Math.abs(list.clockFastS().getAsDouble())).replace('\u2212', '-') + " s "
                        + (list.clockFastS().getAsDouble() > 0 ? "fast." : "slow."));
        line(text, list.files().size() + (list.files().size() == 1 ? " file" : " files") + "; SHA-256 sum and name:");
        // Two spaces and the name are the form that such tools read; a name cannot hold a line's end.
        list.files().forEach(file -> text.append(file.sha256()).append("  ").append(file.name()).append('\n'));
        return text.toString();
    }

    private static void line(StringBuilder text, String words) {
        text.append("# ").append(words.replace('\n', ' ').replace('\r', ' ')).append('\n');
    }
}
