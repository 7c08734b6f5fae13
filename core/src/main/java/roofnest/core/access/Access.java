package roofnest.core.access;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import roofnest.core.lang.Require;

/** The people around a house and what each can do with its cameras. */
public record Access(List<Person> people, List<Grant> grants) {
    public enum Tie {
        LIVES_HERE("lives here"), FAMILY("family, elsewhere"), LEFT("has left"), FIRM("the firm");

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

    /** @param leftOn when somebody moved out; empty while they have not */
    public record Person(long id, String name, Tie tie, Optional<LocalDate> leftOn) {
        public Person {
            name = Require.text("name", name, 80);
        }
    }

    /** @param until last day of a guest; empty when there is no end */
    public record Grant(long personId, long cameraId, Role role, Optional<LocalDate> until) {}

    /** Somebody who can still look although they should not, and why not. */
    public record Intruder(Person person, String why) {}

    public Access {
        people = List.copyOf(people);
        grants = List.copyOf(grants);
    }

    /**
     * Everyone with access that has to end: people who left, guests past their day and, once the house is handed over,
     * the firm itself.
     */
    public List<Intruder> intruders(LocalDate today, boolean handedOver) {
        return people.stream()
                .filter(person -> grants.stream().anyMatch(grant -> grant.personId() == person.id()))
                .flatMap(person -> why(person, today, handedOver).map(why -> new Intruder(person, why)).stream())
                .toList();
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

    public Optional<Grant> grant(long personId, long cameraId) {
        return grants.stream().filter(grant -> grant.personId() == personId && grant.cameraId() == cameraId).findFirst();
    }
}
