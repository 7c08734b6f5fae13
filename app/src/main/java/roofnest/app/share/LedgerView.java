package roofnest.app.share;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.app.household.Frame;
import roofnest.app.records.LedgerRepository;
import roofnest.core.access.Access;
import roofnest.core.access.Kit;
import roofnest.core.access.Secret;
import roofnest.core.judge.Camera;

/**
 * Who can look, and by what, as it stands.
 *
 * @param ended what was known and is not any more, the newest first
 */
record LedgerView(List<Line> lines, List<String> logins, List<ScreenLine> screens, List<Choice> secrets, List<Choice> people,
        List<Choice> cameras, List<String> ended) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final int SHOWN_ENDED = 12;

    record Choice(String value, String words) {}

    /** @param learns whether they may look, and are to learn it. @param flag why that has to end; empty when it may stay */
    record Line(long id, String name, String tie, boolean learns, String flag, List<WayLine> ways) {}

    /** @param knownId of what may have been noted by mistake; 0 for what was given by name */
    record WayLine(String words, String source, long knownId) {}

    record ScreenLine(long id, String name, String words) {}

    static LedgerView of(Frame frame, List<LedgerRepository.Row> history, List<Secret> secrets) {
        Access access = frame.facts().access();
        List<Kit> kit = frame.facts().kit();
        Map<Long, String> flags = frame.facts().intruders().stream()
                .collect(Collectors.toMap(intruder -> intruder.person().id(), Access.Intruder::why));
        List<Line> lines = new ArrayList<>();
        for (Access.Person person : access.people()) {
            List<Access.Way> ways = access.waysOf(person.id(), kit);
            List<WayLine> said = new ArrayList<>(ways.stream().filter(way -> way.secret().isEmpty())
                    .map(way -> new WayLine(way.how(), "", 0)).toList());
            history.stream().filter(row -> row.residentId() == person.id() && row.endedOn() == null).forEach(row -> {
                boolean opens = ways.stream().anyMatch(way -> way.secret().filter(row.secret()::is).isPresent());
                said.add(new WayLine("knows " + row.secret().name() + (opens ? "" : nothing(row.secret())),
                        row.how() + ", " + row.since().format(DAY) + ", noted by " + row.notedBy(), row.id()));
            });
            lines.add(new Line(person.id(), person.name(), person.tie().words(),
                    !ways.isEmpty() && !flags.containsKey(person.id()) && person.tie() != Access.Tie.FIRM,
                    flags.getOrDefault(person.id(), ""),
                    said));
        }
        return new LedgerView(lines, logins(access), access.screens().stream().map(screen -> screen(screen, frame, access)).toList(),
                secrets.stream().map(each -> new Choice(Knowing.key(each), each.name())).toList(),
                access.people().stream().map(each -> new Choice(String.valueOf(each.id()), each.name())).toList(),
                frame.facts().cameras().stream().map(each -> new Choice(String.valueOf(each.id()), each.name())).toList(),
                ended(history, access));
    }

    private static String nothing(Secret secret) {
        return secret.kind() == Secret.Kind.WIFI ? ": onto the network, into no camera" : ": opens no camera as it is";
    }

    private static List<String> logins(Access access) {
        return access.sharedLogins().stream()
                .map(login -> login.whose().name() + "’s log-in is used by "
                        + login.others().stream().map(Access.Person::name).collect(Collectors.joining(", "))
                        + " too: nobody of them can be shut out alone. Invite each under a name of their own, then change its password.")
                .toList();
    }

    private static ScreenLine screen(Access.Screen screen, Frame frame, Access access) {
        Set<Long> shown = screen.cameraIds();
        String cameras = frame.facts().cameras().stream().filter(camera -> shown.contains(camera.id())).map(Camera::name)
                .collect(Collectors.joining(", "));
        String by = access.people().stream().filter(person -> person.id() == screen.linkedBy()).map(Access.Person::name).findFirst()
                .orElse("somebody who was taken out");
        return new ScreenLine(screen.id(), screen.name(), "Whoever stands in the " + screen.room() + " can look through " + cameras
                + "; linked by " + by + "’s log-in.");
    }

    private static List<String> ended(List<LedgerRepository.Row> history, Access access) {
        Map<Long, String> names = access.people().stream().collect(Collectors.toMap(Access.Person::id, Access.Person::name));
        return history.stream().filter(row -> row.endedOn() != null && names.containsKey(row.residentId())).limit(SHOWN_ENDED)
                .map(row -> names.get(row.residentId()) + " knew " + row.secret().name() + " from " + day(row.since()) + " to "
                        + day(row.endedOn()) + ": " + row.endedHow() + ", " + row.endedBy())
                .toList();
    }

    private static String day(LocalDate day) {
        return day.format(DAY);
    }
}
