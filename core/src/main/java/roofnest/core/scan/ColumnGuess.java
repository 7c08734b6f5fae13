package roofnest.core.scan;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import com.google.re2j.Pattern;
import java.util.stream.IntStream;

import roofnest.core.scan.Columns.Role;

/**
 * Tells what the columns of a table hold from all of their values together, with the headings as hints. A role goes to the one
 * column whose values fit it; where two fit as well and nothing settles it, nothing is taken and the columns are asked about.
 */
final class ColumnGuess {
    /** One value in five may be odd before a column is taken for something else. */
    private static final double MOST_EXCEPTIONS = 0.2;
    /** A scanner lists the loudest first; so many rows in that order are no accident. */
    private static final int ROWS_IN_ORDER = 6;
    private static final Pattern WHOLE = Pattern.compile("\\d{1,3}");
    private static final Pattern NOISE
            = Pattern.compile("\\*?|Infra|Ad-Hoc|Mesh|AP(\\[\\d+\\])?|[\u2581-\u2588_* ]+|\\d+([.,]\\d+)? [MGk]?bit/s"
                    + "|\\d+ MHz|yes|no|/org/\\S*|(wl|en|eth|wlan)\\w*|([a-z0-9]+_)+[a-z0-9]+( .*)?|\\(none\\)|-?\\d{1,3} dBm|\\d{1,3} ?%");
    private static final Pattern HEX = Pattern.compile("([0-9A-Fa-f]{2})+");

    /** First letters of words that head a column, in the languages that scanners speak most. */
    private static final Map<Role, List<String>> HEADINGS = Map.of(
            Role.NAME,
            List.of("ssid", "essid", "name", "network", "netz", "netzn", "netzw", "nom", "r\u00e9seau", "reseau", "nombre", "red", "nome",
                    "rete",
                    "naam", "netwerk", "nazwa", "sie\u0107", "namn", "n\u00e4tverk", "navn", "nimi"),
            Role.BSSID, List.of("bssid", "mac", "address", "adresse", "direcci", "indirizzo", "endere", "adres", "adress", "osoite"),
            Role.SIGNAL, List.of("signal", "rssi", "level", "dbm", "quality", "st\u00e4rke", "staerke", "pegel", "puissance", "niveau",
                    "se\u00f1al", "senal", "potenc", "segnale", "sinal", "sterkte", "si\u0142a", "sygna\u0142", "styrka", "signaali"),
            Role.CHANNEL, List.of("chan", "channel", "ch", "kanal", "canal", "canale", "kanaal", "kana\u0142", "kanava"),
            Role.FREQUENCY, List.of("freq", "mhz", "frequen", "fr\u00e9quence", "frecuenc", "cz\u0119stotl", "taajuus", "frekv"),
            Role.BAND, List.of("band", "bande", "banda", "pasmo", "taajuusalue", "frekvensband"),
            Role.SECURITY,
            List.of("secur", "encrypt", "auth", "authent", "sicher", "verschl", "s\u00e9curit", "securit", "segurid", "cifra", "sicurezza",
                    "seguran", "beveil", "zabezp", "s\u00e4kerh", "sikker", "suojaus"));
    /** A width is no channel, whatever else its heading says. */
    private static final Pattern WIDTH
            = Pattern.compile("(?i).*(width|breite|largeur|ancho|larghezza|largura|breedte|szeroko|bredd|bredde|leveys).*");

    private final List<List<String>> rows;
    private final Role[] hints;
    private final Role[] roles;

    /**
     * @param columns as far as they are told
     * @param open what a column may be, of those that could not be told; empty when all is clear
     */
    record Told(Columns columns, List<Set<Role>> open) {
        boolean sure() {
            return open.stream().allMatch(Set::isEmpty);
        }
    }

    /** @param heading empty when there is none; else as many words as there are columns */
    private ColumnGuess(List<List<String>> rows, List<String> heading, int width) {
        this.rows = rows;
        this.hints = new Role[width];
        this.roles = new Role[width];
        for (int column = 0; column < Math.min(width, heading.size()); column++) {
            hints[column] = hint(heading.get(column));
        }
    }

    static Told of(List<List<String>> rows, List<String> heading, int width) {
        return new ColumnGuess(rows.stream().filter(row -> row.size() == width).toList(), heading, width).tell();
    }

    /** The role that a heading names; null when it names none, {@link Role#OTHER} when it names something else for certain. */
    static Role hint(String heading) {
        String word = heading.strip().toLowerCase(Locale.ROOT);
        if (WIDTH.matcher(word).matches()) {
            return Role.OTHER;
        }
        for (Role role : List.of(Role.BSSID, Role.FREQUENCY, Role.SECURITY, Role.SIGNAL, Role.NAME, Role.BAND)) {
            if (begins(word, HEADINGS.get(role))) {
                return role == Role.FREQUENCY && word.startsWith("frekvensband") || word.startsWith("taajuusalue") ? Role.BAND : role;
            }
        }
        return begins(word, HEADINGS.get(Role.CHANNEL)) ? Role.CHANNEL : null;
    }

    private static boolean begins(String word, List<String> stems) {
        String bare = word.replaceAll("^[^\\p{L}]+", "");
        return stems.stream()
                .anyMatch(stem -> stem.length() <= 4 ? bare.matches(Pattern.quote(stem) + "([^\\p{L}].*)?") : bare.startsWith(stem));
    }

    private Told tell() {
        sole(Role.BSSID, cell -> Values.MAC.matcher(cell).matches());
        sole(Role.FREQUENCY, cell -> Values.frequency(cell).isPresent());
        sole(Role.BAND, cell -> Values.band(cell).isPresent() && Values.frequency(cell).isEmpty());
        List<Set<Role>> open = channelAndSignal();
        sole(Role.SECURITY, cell -> Values.isSecurity(cell));
        name();
        List<Role> told = new ArrayList<>();
        for (Role role : roles) {
            told.add(role == null ? Role.OTHER : role);
        }
        return new Told(new Columns(told), open);
    }

    /** The hinted column that fits, else the first that does and is not hinted to be something else. */
    private void sole(Role role, Predicate<String> fits) {
        candidates(role, fits).stream().findFirst().ifPresent(column -> roles[column] = role);
    }

    private List<Integer> candidates(Role role, Predicate<String> fits) {
        List<Integer> free = IntStream.range(0, roles.length).filter(column -> roles[column] == null && fit(column, fits)).boxed().toList();
        List<Integer> hinted = free.stream().filter(column -> hints[column] == role).toList();
        return !hinted.isEmpty() ? hinted : free.stream().filter(column -> hints[column] == null).toList();
    }

    private boolean fit(int column, Predicate<String> fits) {
        List<String> filled = rows.stream().map(row -> row.get(column).strip()).filter(cell -> !cell.isEmpty()).toList();
        long exceptions = filled.stream().filter(fits.negate()).count();
        return !filled.isEmpty() && exceptions <= MOST_EXCEPTIONS * filled.size();
    }

    private List<Set<Role>> channelAndSignal() {
        int frequency = at(Role.FREQUENCY);
        int band = at(Role.BAND);
        List<Integer> channels = new ArrayList<>(candidates(Role.CHANNEL, cell -> WHOLE.matcher(cell).matches()
                && (band >= 0 ? Integer.parseInt(cell) <= 233 : Channels.of(Integer.parseInt(cell)).isPresent())));
        if (frequency >= 0) {
            channels.removeIf(column -> !agrees(column, frequency));
        }
        List<Integer> decibels = candidates(Role.SIGNAL, cell -> Values.isDbm(cell));
        List<Integer> signals = new ArrayList<>(decibels.isEmpty() ? candidates(Role.SIGNAL, cell -> Values.isPercent(cell)) : decibels);
        if (frequency >= 0 && !channels.isEmpty()) {
            // What says the same as the frequency is the channel; the first, if a column is there twice.
            roles[channels.get(0)] = Role.CHANNEL;
            signals.removeIf(channels::contains);
            channels.clear();
        }
        List<int[]> pairs = new ArrayList<>();
        for (int signal : signals) {
            if (frequency >= 0) {
                pairs.add(new int[] {-1, signal});
            }
            for (int channel : channels) {
                if (frequency < 0 && channel != signal) {
                    pairs.add(new int[] {channel, signal});
                }
            }
        }
        if (pairs.size() > 1) {
            List<int[]> ordered = pairs.stream().filter(pair -> loudestFirst(pair[1])).toList();
            pairs = ordered.size() == 1 ? ordered : pairs;
        }
        if (pairs.size() == 1) {
            roles[pairs.get(0)[1]] = Role.SIGNAL;
            if (pairs.get(0)[0] >= 0) {
                roles[pairs.get(0)[0]] = Role.CHANNEL;
            }
            return List.of();
        }
        List<Set<Role>> open = new ArrayList<>(Collections.nCopies(roles.length, Set.of()));
        for (int[] pair : pairs) {
            open.set(pair[1], with(open.get(pair[1]), Role.SIGNAL));
            if (pair[0] >= 0) {
                open.set(pair[0], with(open.get(pair[0]), Role.CHANNEL));
            }
        }
        return open;
    }

    private static Set<Role> with(Set<Role> roles, Role role) {
        Set<Role> more = roles.isEmpty() ? EnumSet.noneOf(Role.class) : EnumSet.copyOf(roles);
        more.add(role);
        return more;
    }

    private boolean agrees(int channel, int frequency) {
        List<List<String>> both = rows.stream().filter(row -> Values.frequency(row.get(frequency).strip()).isPresent()).toList();
        long same = both.stream().filter(row -> row.get(channel).strip()
                .equals(String.valueOf(Values.frequency(row.get(frequency).strip()).orElseThrow().number()))).count();
        return same >= (1 - MOST_EXCEPTIONS) * both.size() && same > 0;
    }

    private boolean loudestFirst(int column) {
        List<Double> values = rows.stream().map(row -> Values.number(row.get(column))).filter(value -> value.isPresent())
                .map(value -> value.getAsDouble()).toList();
        return values.size() >= ROWS_IN_ORDER && values.stream().distinct().count() > 2
                && IntStream.range(1, values.size()).allMatch(i -> values.get(i) <= values.get(i - 1));
    }

    /** What is left and is no scanner's own word; before names of digits alone come others. */
    private void name() {
        List<Integer> hinted
                = IntStream.range(0, roles.length).filter(column -> roles[column] == null && hints[column] == Role.NAME).boxed()
                        .toList();
        Optional<Integer> chosen = hinted.stream().findFirst();
        if (chosen.isEmpty()) {
            List<Integer> left = IntStream.range(0, roles.length)
                    .filter(column -> roles[column] == null && hints[column] == null && fit(column, cell -> !NOISE.matcher(cell).matches())
                            && !spelledOut(column))
                    .boxed().toList();
            chosen = left.stream().filter(column -> !fit(column, cell -> cell.matches("\\d+"))).findFirst()
                    .or(() -> left.stream().findFirst());
        }
        chosen.ifPresent(column -> roles[column] = Role.NAME);
    }

    /** Whether a column is another one in hexadecimal bytes. */
    private boolean spelledOut(int column) {
        return fit(column, cell -> HEX.matcher(cell).matches() && cell.length() > 2)
                && IntStream.range(0, roles.length).anyMatch(other -> other != column && rows.stream()
                        .filter(row -> !row.get(column).isBlank()).limit(3).allMatch(row -> row.get(column).strip().length() == 2
                                * row.get(other).strip().getBytes(StandardCharsets.UTF_8).length));
    }

    private int at(Role role) {
        return IntStream.range(0, roles.length).filter(column -> roles[column] == role).findFirst().orElse(-1);
    }

    /** What the values of a table look like, column by column: tables of one shape are read alike. */
    static String shape(String source, List<List<String>> rows, int width) {
        ColumnGuess guess = new ColumnGuess(rows.stream().filter(row -> row.size() == width).toList(), List.of(), width);
        StringBuilder shape = new StringBuilder(source).append(' ');
        for (int column = 0; column < width; column++) {
            shape.append(guess.fit(column, cell -> Values.MAC.matcher(cell).matches()) ? 'a'
                    : guess.fit(column, cell -> Values.frequency(cell).isPresent()) ? 'f' : guess.fit(column, Values::isDbm) ? 'd'
                            : guess.fit(column, cell -> WHOLE.matcher(cell).matches()) ? 'n'
                                    : guess.fit(column, Values::isSecurity) ? 's' : guess.fit(column, cell -> NOISE.matcher(cell).matches())
                                            ? 'x' : 't');
        }
        return shape.toString();
    }
}
