package roofnest.standins.looking;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import roofnest.core.access.Access;
import roofnest.core.access.Access.Grant;
import roofnest.core.access.Access.Known;
import roofnest.core.access.Access.Person;
import roofnest.core.access.Access.Role;
import roofnest.core.access.Access.Tie;
import roofnest.core.access.Kit;
import roofnest.core.access.LeavingPlan;
import roofnest.core.access.Secret;

/** Leaving plans of random houses, done on phones that know nothing of any ledger. */
class LeavingLawTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);

    private record House(Access access, List<Kit> kit) {}

    private static House house(Random random) {
        List<Kit> kit = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(5); i++) {
            boolean told = random.nextInt(3) == 0;
            kit.add(new Kit(10 + i, "camera " + i, random.nextBoolean() ? "Oskarra" : "Pellan", told, true, random.nextInt(4) > 0,
                    random.nextBoolean() ? Optional.of("hub") : Optional.empty(), 5 + random.nextInt(20)));
        }
        List<Person> people = new ArrayList<>();
        for (int i = 1; i <= 4; i++) {
            people.add(new Person(i, "person " + i, i == 1 ? Tie.LEFT : i == 2 ? Tie.LIVES_HERE : Tie.FAMILY, Optional.empty()));
        }
        List<Grant> grants = new ArrayList<>();
        List<Known> known = new ArrayList<>();
        for (Person person : people) {
            for (Kit each : kit) {
                if (each.toldSecret() && random.nextInt(2) == 0) {
                    known.add(knows(person, new Secret(Secret.Kind.DEVICE, each.cameraId(), "the password of " + each.name())));
                } else if (!each.toldSecret() && random.nextInt(2) == 0) {
                    grants.add(new Grant(person.id(), each.cameraId(), Role.values()[random.nextInt(3)], Optional.empty()));
                }
            }
            if (random.nextInt(2) == 0) {
                known.add(knows(person, new Secret(Secret.Kind.WIFI, 3, "the Wi-Fi password")));
            }
            if (random.nextInt(3) == 0) {
                known.add(knows(person, new Secret(Secret.Kind.HUB, 5, "the hub's password", "hub")));
            }
            long other = 1 + random.nextInt(4);
            if (random.nextInt(4) == 0 && other != person.id()) {
                known.add(knows(person, new Secret(Secret.Kind.ACCOUNT, other, "the log-in of person " + other)));
            }
        }
        return new House(new Access(people, grants, known, List.of(), List.of()), kit);
    }

    private static Known knows(Person person, Secret secret) {
        return new Known(person.id(), secret, TODAY, "told");
    }

    private static Set<Long> open(LookingHouse phones, House house, long person) {
        return house.kit().stream().map(Kit::cameraId).filter(camera -> phones.look(person, camera).isPresent())
                .collect(Collectors.toSet());
    }

    private static Set<Long> openByLedger(House house, long person) {
        return house.access().waysOf(person, house.kit()).stream().flatMap(way -> way.cameraIds().stream()).collect(Collectors.toSet());
    }

    @Property(tries = 150)
    void the_ledger_says_of_everyone_just_what_their_phone_shows(@ForAll long seed) {
        House house = house(new Random(seed));
        LookingHouse phones = new LookingHouse(house.access(), house.kit());
        house.access().people()
                .forEach(person -> assertThat(openByLedger(house, person.id())).isEqualTo(open(phones, house, person.id())));
    }

    @Property(tries = 150)
    void a_plan_shuts_the_leaver_out_and_no_step_of_it_can_be_left_away(@ForAll long seed) {
        Random random = new Random(seed);
        House house = house(random);
        LeavingPlan plan = plan(house, random);
        assertThat(open(done(house, plan, null), house, 1)).isEmpty();
        for (LeavingPlan.Change left : plan.changes()) {
            boolean nothingYet = left.kind() == LeavingPlan.Kind.ACCOUNT_PASSWORD
                    && house.kit().stream().noneMatch(each -> house.access().grant(left.id(), each.cameraId()).isPresent());
            assertThat(!open(done(house, plan, left), house, 1).isEmpty() || nothingYet).as("without %s", left.words()).isTrue();
        }
    }

    @Property(tries = 150)
    void nobody_who_stays_loses_a_camera_that_was_theirs(@ForAll long seed) {
        Random random = new Random(seed);
        House house = house(random);
        LeavingPlan plan = plan(house, random);
        LookingHouse phones = done(house, plan, null);
        house.access().people().stream().filter(person -> person.id() != 1)
                .forEach(person -> assertThat(open(phones, house, person.id())).containsAll(theirs(house, person.id())));
    }

    /** What opens to the factory password is nobody's by right. */
    private static Set<Long> theirs(House house, long person) {
        List<Kit> own = house.kit().stream().map(each -> new Kit(each.cameraId(), each.name(), each.maker(), each.toldSecret(),
                each.joined(), true, each.hub(), each.rejoinMinutes())).toList();
        return openByLedger(new House(house.access(), own), person);
    }

    @Property(tries = 60)
    void help_never_costs_and_more_asked_never_costs_less(@ForAll long seed) {
        Random random = new Random(seed);
        House house = house(random);
        LeavingPlan inWifi = LeavingPlan.of(house.access(), 1, house.kit(), rejoin(seed), new LeavingPlan.Wish(true, false));
        LeavingPlan alone = LeavingPlan.of(house.access(), 1, house.kit(), rejoin(seed), new LeavingPlan.Wish(false, false));
        LeavingPlan out = LeavingPlan.of(house.access(), 1, house.kit(), rejoin(seed), new LeavingPlan.Wish(true, true));
        assertThat(LeavingPlan.of(house.access(), 1, house.kit(), rejoin(seed), new LeavingPlan.Wish(true, false)).changes())
                .as("asked again, the same").isEqualTo(inWifi.changes());
        assertThat(inWifi.minutes()).as("help never costs").isLessThanOrEqualTo(alone.minutes() + 1e-9);
        assertThat(out.minutes()).as("more is asked").isGreaterThanOrEqualTo(inWifi.minutes() - 1e-9);
    }

    private static LeavingPlan.Rejoin rejoin(long seed) {
        return new LeavingPlan.Rejoin(new Random(seed).nextInt(60), "9 other things");
    }

    private static LeavingPlan plan(House house, Random random) {
        return LeavingPlan.of(house.access(), 1, house.kit(), rejoin(random.nextLong()),
                new LeavingPlan.Wish(random.nextBoolean(), false));
    }

    private static LookingHouse done(House house, LeavingPlan plan, LeavingPlan.Change left) {
        LookingHouse phones = new LookingHouse(house.access(), house.kit());
        plan.changes().stream().filter(change -> change != left).forEach(change -> phones.apply(change.kind(), change.id(), 1, 2));
        plan.after().forEach(each -> phones.apply(each.need(), each.person(), each.id(), house.access()));
        return phones;
    }
}
