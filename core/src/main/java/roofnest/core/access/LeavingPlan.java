package roofnest.core.access;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import roofnest.core.access.Access.Grant;
import roofnest.core.access.Access.Known;
import roofnest.core.access.Access.Person;
import roofnest.core.access.Access.Role;
import roofnest.core.access.Access.Screen;
import roofnest.core.access.Access.Tie;
import roofnest.core.cover.SetCover;
import roofnest.core.lang.Require;

/**
 * Shuts somebody out: of all sets of changes after which they can look through nothing any more, the one that costs the household
 * least time, found exactly as a weighted set cover, in the order in which it is done, with what has to be told and given anew
 * because of it, and the tries that prove it.
 *
 * @param holes ways by which they can look, each closed by one of the changes
 * @param changes the least set, in order
 * @param after what the changes make necessary for those who stay, in order
 * @param tries cameras at which their try to look has to fail
 * @param ask what nobody has noted that they know, and they may
 * @param minutes of changes and what follows them
 * @param proved whether no cheaper set exists
 */
public record LeavingPlan(
        Person who, List<Hole> holes, List<Change> changes, List<After> after, Set<Long> tries, List<String> ask, double minutes,
        boolean proved) {
    static final double TAKE_BACK_MINUTES = 1;
    static final double ACCOUNT_OVER_MINUTES = 6;
    static final double DEVICE_PASSWORD_MINUTES = 3;
    static final double HUB_PASSWORD_MINUTES = 4;
    static final double ACCOUNT_PASSWORD_MINUTES = 4;
    static final double WIFI_PASSWORD_MINUTES = 4;
    static final double OWN_PASSWORD_MINUTES = 4;
    static final double UNLINK_MINUTES = 2;
    static final double TELL_MINUTES = 2;
    static final double INVITE_MINUTES = 2;
    static final double RESET_MINUTES = 3;

    /** What one change is. */
    public enum Kind {
        TAKE_BACK, UNLINK, ACCOUNT_OVER, ACCOUNT_PASSWORD, HUB_PASSWORD, DEVICE_PASSWORD, OWN_PASSWORD, WIFI_PASSWORD, RESET
    }

    /** Where one has to be for it. */
    public enum Where {
        PHONE("on the owner's phone"), WITH_THEM("together with them"), HOUSE("in the house"), CAMERA("at the camera");

        private final String words;

        Where(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param id of the camera, the secret's holder or the screen
     * @param words what to do, a sentence
     * @param minutes without what follows
     * @param after what it makes necessary for those who stay
     */
    public record Change(Kind kind, long id, String words, Where where, double minutes, List<After> after) {
        public Change {
            after = List.copyOf(after);
        }

        private double withAfter() {
            return minutes + after.stream().mapToDouble(After::minutes).sum();
        }

        /** Its place among the changes of a household. */
        public String key() {
            return kind + "-" + id;
        }
    }

    /**
     * What a change makes necessary.
     *
     * @param person it is for; 0 when it is for a thing
     * @param role that is given again; empty where nothing is given
     */
    public record After(String because, long person, long id, Need need, Optional<Role> role, String words, double minutes) {
        /** Its place among what follows. */
        public String key() {
            return need + "-" + person + "-" + id;
        }
    }

    /** In the order in which they are done: a log-in of one's own shows what its giver can see by then. */
    public enum Need {
        REJOIN, TELL_WIFI, GIVE_AGAIN, SIGN_IN, TELL_DEVICE, TELL_HUB
    }

    /** One camera that they can look through by one way. */
    public record Hole(Optional<Long> camera, String how) {}

    /**
     * What is wished beyond shutting them out of every picture.
     *
     * @param theyHelp whether they are there and give an account over that is theirs
     * @param outOfWifi whether they are to be out of the Wi-Fi as well
     */
    public record Wish(boolean theyHelp, boolean outOfWifi) {}

    /** What a new Wi-Fi password would cost. @param minutes to let everything rejoin; @param words what rejoins */
    public record Rejoin(double minutes, String words) {
        public Rejoin {
            Require.inRange("minutes to rejoin", minutes, 0, 6000);
        }
    }

    public LeavingPlan {
        holes = List.copyOf(holes);
        changes = List.copyOf(changes);
        after = List.copyOf(after);
        tries = Set.copyOf(tries);
        ask = List.copyOf(ask);
    }

    /** @throws IllegalArgumentException when there is no such person */
    public static LeavingPlan of(Access access, long personId, List<Kit> kit, Rejoin rejoin, Wish wish) {
        Person who = access.people().stream().filter(person -> person.id() == personId).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("nobody has the id " + personId));
        Search search = new Search(access, who, kit, rejoin, wish);
        search.grants();
        search.secrets();
        search.tries();
        List<Choice> offered = List.copyOf(search.choices.values());
        SetCover.Answer answer = SetCover.cheapest(
                IntStream.range(0, search.holes.size()).boxed().collect(Collectors.toSet()),
                offered.stream().map(choice -> new SetCover.Choice(choice.covers, choice.change.withAfter())).toList());
        List<Choice> chosen = answer.chosen().stream().map(offered::get)
                .sorted(Comparator.comparing((Choice choice) -> choice.change.kind()).thenComparingLong(choice -> choice.change.id()))
                .toList();
        Map<String, After> after = new LinkedHashMap<>();
        chosen.stream().flatMap(choice -> choice.change.after().stream()).sorted(Comparator.comparing(After::need))
                .forEach(each -> after.putIfAbsent(each.key(), each));
        double minutes = chosen.stream().mapToDouble(choice -> choice.change.minutes()).sum()
                + after.values().stream().mapToDouble(After::minutes).sum();
        Set<Long> cameras = search.holes.stream().flatMap(hole -> hole.camera().stream()).collect(Collectors.toCollection(TreeSet::new));
        return new LeavingPlan(who, search.holes, chosen.stream().map(choice -> choice.change).toList(), List.copyOf(after.values()),
                cameras, search.ask(), minutes, answer.proved());
    }

    /** Who takes an account over: the first who lives there and stays. */
    public static Optional<Person> heir(Access access, long leaver) {
        return access.people().stream().filter(person -> person.id() != leaver && person.tie() == Tie.LIVES_HERE).findFirst();
    }

    private static final class Choice {
        private final Change change;
        private final Set<Integer> covers = new TreeSet<>();

        private Choice(Change change) {
            this.change = change;
        }
    }

    private static final class Search {
        private final Access access;
        private final Person who;
        private final List<Kit> kit;
        private final Rejoin rejoin;
        private final Wish wish;
        private final List<Hole> holes = new ArrayList<>();
        private final Map<String, Choice> choices = new TreeMap<>();

        private Search(Access access, Person who, List<Kit> kit, Rejoin rejoin, Wish wish) {
            this.access = access;
            this.who = who;
            this.kit = kit;
            this.rejoin = rejoin;
            this.wish = wish;
        }

        private void hole(Optional<Long> camera, String how, List<Choice> closedBy) {
            int number = holes.size();
            holes.add(new Hole(camera, how));
            closedBy.forEach(choice -> choice.covers.add(number));
        }

        private Choice choice(Kind kind, long id, String words, Where where, double minutes, List<After> after) {
            return choices.computeIfAbsent(kind + "-" + id, key -> new Choice(new Change(kind, id, words, where, minutes, after)));
        }

        private void grants() {
            for (Kit camera : kit) {
                access.grant(who.id(), camera.cameraId()).filter(grant -> !camera.toldSecret()).ifPresent(grant -> {
                    String how = grant.role().words() + " of " + camera.name();
                    List<Choice> ways = new ArrayList<>();
                    ways.add(grant.role() == Role.OWNER ? reset(camera) : choice(Kind.TAKE_BACK, camera.cameraId(),
                            "Take " + who.name() + " off " + camera.name() + ".", Where.PHONE, TAKE_BACK_MINUTES, dependents(camera)));
                    // With the account goes all that it could see.
                    if (wish.theyHelp() && kit.stream().anyMatch(each -> each.maker().equals(camera.maker()) && owns(each))) {
                        heir().ifPresent(heir -> ways.add(accountOver(heir, camera.maker())));
                    }
                    hole(Optional.of(camera.cameraId()), how, ways);
                });
            }
            for (Screen screen : access.screens()) {
                if (screen.linkedBy() == who.id()) {
                    hole(Optional.empty(), screen.name() + " in " + screen.room() + " is linked by their account",
                            List.of(choice(Kind.UNLINK, screen.id(), "Unlink " + screen.name() + " in " + screen.room()
                                    + ", and link it again by somebody who stays, if it is to stay.", Where.HOUSE, UNLINK_MINUTES,
                                    List.of())));
                }
            }
        }

        private void secrets() {
            for (Known known : access.knownBy(who.id())) {
                Secret secret = known.secret();
                List<Kit> opened = access.opened(secret, kit);
                for (Kit camera : opened) {
                    List<Choice> ways = new ArrayList<>(List.of(newPassword(secret)));
                    if (secret.kind() == Secret.Kind.WIFI) {
                        ways.add(ownPassword(camera));
                    }
                    if (secret.kind() == Secret.Kind.DEVICE || secret.kind() == Secret.Kind.WIFI) {
                        ways.add(reset(camera));
                    }
                    hole(Optional.of(camera.cameraId()), "knows " + secret.name(), ways);
                }
                if (secret.kind() == Secret.Kind.ACCOUNT && opened.isEmpty()) {
                    // It opens nothing today; it will once its owner is given something, be it by this very plan.
                    hole(Optional.empty(), "knows " + secret.name(), List.of(newPassword(secret)));
                }
                if (secret.kind() == Secret.Kind.WIFI && wish.outOfWifi()) {
                    hole(Optional.empty(), "knows " + secret.name() + ", to come onto the network", List.of(newPassword(secret)));
                }
            }
        }

        /** A try that was not refused though nobody knows by what: only a reset is sure to end it. */
        private void tries() {
            Set<Long> open = holes.stream().flatMap(hole -> hole.camera().stream()).collect(Collectors.toSet());
            for (Kit camera : kit) {
                if (!open.contains(camera.cameraId()) && access.looks().stream().anyMatch(
                        look -> look.personId() == who.id() && look.cameraId() == camera.cameraId() && !look.refused())) {
                    hole(Optional.of(camera.cameraId()), "a try to look at " + camera.name() + " was not refused", List.of(reset(camera)));
                }
            }
        }

        private boolean owns(Kit camera) {
            return access.grant(who.id(), camera.cameraId()).filter(grant -> grant.role() == Role.OWNER && !camera.toldSecret())
                    .isPresent();
        }

        private Optional<Person> heir() {
            return LeavingPlan.heir(access, who.id());
        }

        private Stream<Person> staying() {
            return access.people().stream().filter(person -> person.id() != who.id() && person.tie() != Tie.LEFT);
        }

        /** One account holds all cameras of a maker. */
        private Choice accountOver(Person heir, String maker) {
            long first = kit.stream().filter(each -> each.maker().equals(maker) && owns(each)).mapToLong(Kit::cameraId).min().orElseThrow();
            return choice(Kind.ACCOUNT_OVER, first, who.name() + " gives the " + maker + " account over to " + heir.name()
                    + ": its e-mail address and its password become theirs, and it is signed out on every other phone.",
                    Where.WITH_THEM, ACCOUNT_OVER_MINUTES,
                    kit.stream().filter(each -> each.maker().equals(maker)).flatMap(each -> dependents(each).stream())
                            .filter(each -> each.person() != heir.id()).toList());
        }

        /** Whoever else could look has to be given it again: a reset camera knows nobody. */
        private Choice reset(Kit camera) {
            List<After> after = new ArrayList<>();
            staying().forEach(person -> {
                if (camera.toldSecret()) {
                    if (access.knows(person.id(), device(camera))) {
                        after.add(tell(camera.name() + " was reset", person, device(camera)));
                    }
                } else {
                    access.grant(person.id(), camera.cameraId()).ifPresent(grant -> after.add(giveAgain(camera, person, grant)));
                }
            });
            after.addAll(dependents(camera));
            return choice(Kind.RESET, camera.cameraId(), "Reset " + camera.name() + " and join it anew under "
                    + (camera.toldSecret() ? "a new password of its own." : "an account of somebody who stays."), Where.CAMERA,
                    RESET_MINUTES + camera.rejoinMinutes(), after);
        }

        /** Whoever looks by the leaver's log-in loses the camera with them, and gets it under one of their own. */
        private List<After> dependents(Kit camera) {
            Secret login = new Secret(Secret.Kind.ACCOUNT, who.id(), who.name() + "’s log-in");
            if (camera.toldSecret() || access.grant(who.id(), camera.cameraId()).isEmpty()) {
                return List.of();
            }
            return staying().filter(person -> access.knows(person.id(), login))
                    .filter(person -> access.grant(person.id(), camera.cameraId()).isEmpty())
                    .map(person -> new After(who.name() + "’s log-in is closed", person.id(), camera.cameraId(), Need.GIVE_AGAIN,
                            Optional.of(Role.VIEWER),
                            "Give " + camera.name() + " to " + person.name() + " under a log-in of their own: so far they used "
                                    + who.name() + "’s.",
                            INVITE_MINUTES))
                    .toList();
        }

        private static Secret device(Kit camera) {
            return new Secret(Secret.Kind.DEVICE, camera.cameraId(), "the ID and password of " + camera.name());
        }

        private static After giveAgain(Kit camera, Person person, Grant grant) {
            return new After(camera.name() + " was reset", person.id(), camera.cameraId(), Need.GIVE_AGAIN,
                    Optional.of(grant.role()),
                    "Give " + camera.name() + " to " + person.name() + " again, as " + grant.role().words() + ".", INVITE_MINUTES);
        }

        private Choice ownPassword(Kit camera) {
            return choice(Kind.OWN_PASSWORD, camera.cameraId(), "Give " + camera.name()
                    + " a password of its own: with the one it came with, everybody on the Wi-Fi gets in.", Where.HOUSE,
                    OWN_PASSWORD_MINUTES, List.of());
        }

        private Choice newPassword(Secret secret) {
            List<After> after = new ArrayList<>();
            staying().filter(person -> access.knows(person.id(), secret)).forEach(person -> after.add(tell(title(secret), person, secret)));
            String change = "Change " + secret.name();
            return switch (secret.kind()) {
                case DEVICE -> choice(Kind.DEVICE_PASSWORD, secret.id(), change + ".", Where.HOUSE, DEVICE_PASSWORD_MINUTES, after);
                case HUB -> choice(Kind.HUB_PASSWORD, secret.id(), change + ".", Where.HOUSE, HUB_PASSWORD_MINUTES, after);
                case ACCOUNT -> choice(Kind.ACCOUNT_PASSWORD, secret.id(), change + ", and sign out on all phones in the same place.",
                        Where.PHONE, ACCOUNT_PASSWORD_MINUTES, after);
                case WIFI -> {
                    after.add(0,
                            new After(title(secret), 0, secret.id(), Need.REJOIN, Optional.empty(),
                                    "Let everything rejoin: " + rejoin.words() + ".",
                                    rejoin.minutes()));
                    yield choice(Kind.WIFI_PASSWORD, secret.id(), change + ".", Where.HOUSE, WIFI_PASSWORD_MINUTES, after);
                }
            };
        }

        private static String title(Secret secret) {
            return Character.toUpperCase(secret.name().charAt(0)) + secret.name().substring(1) + " is new";
        }

        private static After tell(String because, Person person, Secret secret) {
            return switch (secret.kind()) {
                case DEVICE -> new After(because, person.id(), secret.id(), Need.TELL_DEVICE, Optional.empty(),
                        "Tell " + person.name() + " " + secret.name() + ".", TELL_MINUTES);
                case HUB -> new After(because, person.id(), secret.id(), Need.TELL_HUB, Optional.empty(),
                        "Tell " + person.name() + " " + secret.name() + ".",
                        TELL_MINUTES);
                case WIFI -> new After(because, person.id(), secret.id(), Need.TELL_WIFI, Optional.empty(),
                        "Type it into " + person.name() + "'s phone.",
                        TELL_MINUTES);
                case ACCOUNT -> new After(because, person.id(), secret.id(), Need.SIGN_IN, Optional.empty(),
                        "Give " + person.name() + " a log-in of their own instead of telling it again.", INVITE_MINUTES);
            };
        }

        /** Secrets that lead to cameras and that nobody has noted they know: not noted is not the same as not known. */
        private List<String> ask() {
            Set<String> names = new LinkedHashSet<>();
            access.known().stream().filter(known -> known.personId() != who.id() && !access.knows(who.id(), known.secret()))
                    .forEach(known -> names.add(known.secret().name()));
            kit.stream().filter(Kit::toldSecret).map(Search::device).filter(secret -> !access.knows(who.id(), secret))
                    .forEach(secret -> names.add(secret.name()));
            return List.copyOf(names);
        }
    }
}
