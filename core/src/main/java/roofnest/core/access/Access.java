package roofnest.core.access;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

import roofnest.core.lang.Require;

/**
 * Who can look through the cameras of a house, as it is: what was given by name, what somebody knows, which screens show them, and
 * what tries to look have shown.
 *
 * @param looks the newest try of each person at each camera
 */
public record Access(List<Person> people, List<Grant> grants, List<Known> known, List<Screen> screens, List<Look> looks) {
    public enum Tie {
        LIVES_HERE("lives here"), FAMILY("family, elsewhere"), RENTS_HERE("rents here"), COMES_HERE("comes here, such as a cleaner"),
        LEFT("has left"),
        FIRM("the firm");

        private final String words;

        Tie(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public enum Role {
        OWNER("owner"), MANAGER("manager"), VIEWER("viewer"), GUEST("guest");

        private final String words;

        Role(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    /** @param leftOn when somebody moved out; empty while they have not */
    public record Person(long id, String name, Tie tie, Optional<LocalDate> leftOn) {
        public Person {
            name = Require.text("name", name, 80);
        }
    }

    /**
     * What was given to somebody by name.
     *
     * @param from first day of a guest; empty when it is from now on
     * @param until last day of a guest; empty when there is no end
     * @param alerts whether their phone is rung too
     */
    public record Grant(long personId, long cameraId, Role role, Optional<LocalDate> from, Optional<LocalDate> until, boolean alerts) {
        /** From now on, and rung like everybody. */
        public Grant(long personId, long cameraId, Role role, Optional<LocalDate> until) {
            this(personId, cameraId, role, Optional.empty(), until, true);
        }
    }

    /** @param how somebody came to know it, in words */
    public record Known(long personId, Secret secret, LocalDate since, String how) {}

    /**
     * A display, a voice assistant or a television that shows cameras: whoever stands in its room can look.
     *
     * @param linkedBy whose account it is linked by
     */
    public record Screen(long id, String name, String room, Set<Long> cameraIds, long linkedBy) {
        public Screen {
            name = Require.text("name of a screen", name, 60);
            room = Require.text("room of a screen", room, 60);
            cameraIds = Set.copyOf(cameraIds);
        }
    }

    /** A try to look. @param refused whether it was refused; otherwise there was a picture */
    public record Look(long personId, long cameraId, boolean refused, LocalDate on) {}

    /**
     * One way by which somebody can look.
     *
     * @param cameraIds through which, rising
     * @param how in words: "owner of Front eye", "knows the password of Hen yard"
     * @param secret by which; empty for what was given by name or seen in a try
     * @param from first day; empty when it is open now
     */
    public record Way(Set<Long> cameraIds, String how, Optional<Secret> secret, Optional<LocalDate> from) {
        public Way {
            cameraIds = Set.copyOf(cameraIds);
        }
    }

    /** Somebody who can still look although they should not, why not, and by what. */
    public record Intruder(Person person, String why, List<Way> ways) {
        public Intruder {
            ways = List.copyOf(ways);
        }
    }

    /** One log-in that several people use. */
    public record SharedLogin(Person whose, List<Person> others) {
        public SharedLogin {
            others = List.copyOf(others);
        }
    }

    public Access {
        people = List.copyOf(people);
        grants = List.copyOf(grants);
        known = List.copyOf(known);
        screens = List.copyOf(screens);
        looks = List.copyOf(looks);
    }

    /** Where nobody knows a secret and no screen shows a camera. */
    public Access(List<Person> people, List<Grant> grants) {
        this(people, grants, List.of(), List.of(), List.of());
    }

    /** Every way by which somebody can look: what was given, what they know, and what a try has shown beyond both. */
    public List<Way> waysOf(long personId, List<Kit> kit) {
        List<Way> ways = new ArrayList<>();
        Set<Long> open = new TreeSet<>();
        Map<String, List<Kit>> byRole = new LinkedHashMap<>();
        Map<String, Grant> first = new HashMap<>();
        for (Kit each : kit) {
            // Kit without invitations takes nobody off by name: what was given there is what they know.
            grant(personId, each.cameraId()).filter(grant -> !each.toldSecret()).ifPresent(grant -> {
                String as = grant.role().words() + grant.from().map(from -> ", from " + from.format(DAY) + " on,").orElse("");
                byRole.computeIfAbsent(as, role -> new ArrayList<>()).add(each);
                first.putIfAbsent(as, grant);
            });
        }
        byRole.forEach((as, cameras) -> {
            ways.add(new Way(ids(cameras), as + " of " + names(cameras), Optional.empty(), first.get(as).from()));
            open.addAll(ids(cameras));
        });
        for (Known each : knownBy(personId)) {
            List<Kit> opened = opened(each.secret(), kit);
            if (!opened.isEmpty()) {
                ways.add(new Way(ids(opened), "knows " + each.secret().name(), Optional.of(each.secret()), Optional.empty()));
                open.addAll(ids(opened));
            }
        }
        List<Kit> seen = kit.stream().filter(each -> !open.contains(each.cameraId())).filter(each -> stillLooks(personId, each.cameraId()))
                .toList();
        if (!seen.isEmpty()) {
            ways.add(new Way(ids(seen), "a try to look at " + names(seen) + " was not refused", Optional.empty(),
                    Optional.empty()));
        }
        return ways;
    }

    /** Cameras that a secret alone opens. */
    List<Kit> opened(Secret secret, List<Kit> kit) {
        return kit.stream().filter(each -> each.opensTo(secret, this)).toList();
    }

    List<Known> knownBy(long personId) {
        return known.stream().filter(each -> each.personId() == personId).toList();
    }

    boolean knows(long personId, Secret secret) {
        return knownBy(personId).stream().anyMatch(each -> each.secret().is(secret));
    }

    private boolean stillLooks(long personId, long cameraId) {
        return looks.stream().anyMatch(look -> look.personId() == personId && look.cameraId() == cameraId && !look.refused());
    }

    /** Cameras that refused somebody's try, rising; none when any of them let them in at the last one. */
    public Set<Long> refusedAt(long personId) {
        List<Look> tried = looks.stream().filter(look -> look.personId() == personId).toList();
        return tried.stream().allMatch(Look::refused) ? tried.stream().map(Look::cameraId).collect(Collectors.toCollection(TreeSet::new))
                : Set.of();
    }

    /**
     * Everyone with a way in that has to end: people who left, guests past their day and, once the house is handed over, the firm
     * itself.
     */
    public List<Intruder> intruders(LocalDate today, boolean handedOver, List<Kit> kit) {
        List<Intruder> intruders = new ArrayList<>();
        for (Person person : people) {
            List<Way> ways = waysOf(person.id(), kit);
            if (!ways.isEmpty()) {
                why(person, today, handedOver).ifPresent(why -> intruders.add(new Intruder(person, why, ways)));
            }
        }
        return intruders;
    }

    private Optional<String> why(Person person, LocalDate today, boolean handedOver) {
        if (person.tie() == Tie.LEFT) {
            return Optional.of("has left");
        }
        if (person.tie() == Tie.FIRM && handedOver) {
            return Optional.of("the job is handed over");
        }
        boolean expired = grants.stream().anyMatch(grant -> grant.personId() == person.id()
                && grant.until().filter(until -> until.isBefore(today)).isPresent());
        return expired ? Optional.of("guest time is over") : Optional.empty();
    }

    /** Everyone who can look by any way today; a guest to come cannot yet. */
    public List<Person> lookers(LocalDate today, List<Kit> kit) {
        return people.stream().filter(person -> waysOf(person.id(), kit).stream()
                .anyMatch(way -> way.from().filter(from -> from.isAfter(today)).isEmpty())).toList();
    }

    /** Members of the household who can look through one camera today, by any way. */
    public List<Person> membersAt(long cameraId, LocalDate today, List<Kit> kit) {
        return people.stream().filter(Access::member).filter(person -> waysOf(person.id(), kit).stream()
                .anyMatch(way -> way.cameraIds().contains(cameraId) && way.from().filter(from -> from.isAfter(today)).isEmpty()
                        && !over(person.id(), cameraId, today)))
                .toList();
    }

    /** Members of the household whose phones one camera rings today. */
    public List<Person> rungBy(long cameraId, LocalDate today) {
        return people.stream().filter(Access::member).filter(person -> grant(person.id(), cameraId).filter(grant -> grant.alerts()
                && grant.from().filter(from -> from.isAfter(today)).isEmpty()).isPresent() && !over(person.id(), cameraId, today)).toList();
    }

    private static boolean member(Person person) {
        return person.tie() != Tie.LEFT && person.tie() != Tie.FIRM;
    }

    private boolean over(long personId, long cameraId, LocalDate today) {
        return grant(personId, cameraId).flatMap(Grant::until).filter(until -> until.isBefore(today)).isPresent();
    }

    /** Log-ins that more than their owner uses: nobody of them can be shut out alone. */
    public List<SharedLogin> sharedLogins() {
        return people.stream().map(whose -> new SharedLogin(whose, people.stream().filter(other -> other.id() != whose.id())
                .filter(other -> knows(other.id(), new Secret(Secret.Kind.ACCOUNT, whose.id(), whose.name()))).toList()))
                .filter(login -> !login.others().isEmpty()).toList();
    }

    public Optional<Grant> grant(long personId, long cameraId) {
        return grants.stream().filter(grant -> grant.personId() == personId && grant.cameraId() == cameraId).findFirst();
    }

    static Set<Long> ids(List<Kit> kit) {
        return kit.stream().map(Kit::cameraId).collect(Collectors.toCollection(TreeSet::new));
    }

    static String names(List<Kit> kit) {
        return kit.stream().map(Kit::name).collect(Collectors.joining(", "));
    }
}
