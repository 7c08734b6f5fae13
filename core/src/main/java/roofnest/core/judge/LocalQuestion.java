package roofnest.core.judge;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

import roofnest.core.access.Access;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Area;

/**
 * Something that is ruled differently from place to place, and has to be asked where the house stands: only where it applies, with
 * what makes it apply.
 *
 * @param why what of this house makes it apply, a sentence
 * @param ask what to ask, a sentence
 */
public record LocalQuestion(Topic topic, String why, String ask) {
    public enum Topic {
        NEIGHBOURS("Neighbours"), STREET("Street and path"), SOUND("Sound"), ROOMS("Rooms and children"), TENANTS("Tenants"),
        STAFF("People at work");

        private final String words;

        Topic(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param eye what a camera sees, asked only where there is a plan */
    static List<LocalQuestion> of(HouseholdFacts facts, HouseholdJudge judge, Function<Camera, CameraEye> eye) {
        List<LocalQuestion> questions = new ArrayList<>();
        shown(facts, eye, Area.Kind.NEIGHBOUR)
                .ifPresent(why -> questions.add(new LocalQuestion(Topic.NEIGHBOURS, why,
                        "May it be shown at all? Black it out, or have their word for it in writing.")));
        shown(facts, eye, Area.Kind.ROAD).ifPresent(why -> questions.add(new LocalQuestion(Topic.STREET, why,
                "May a household record a public way, for how long may it keep that, and is a sign asked for?")));
        named(facts.cameras().stream().filter(camera -> camera.model().can().contains(DeviceModel.Ability.TALK)).map(Camera::name).toList(),
                " can hear.").ifPresent(
                        why -> questions.add(new LocalQuestion(Topic.SOUND, why,
                                "Talk is ruled more strictly than pictures, and often may not be recorded without everybody’s consent. "
                                        + "Where nobody can say, sound stays off.")));
        judge.house().flatMap(house -> named(facts.cameras().stream()
                .filter(camera -> house.crossings().shell().room(camera.pose().onPlan(), camera.pose().heightM()).isPresent())
                .map(Camera::name).toList(), " hangs indoors."))
                .ifPresent(why -> questions.add(new LocalQuestion(Topic.ROOMS, why,
                        "Never where people wash or sleep. Children, their friends and their parents are told where it is.")));
        people(facts, Access.Tie.RENTS_HERE, " rents here.").ifPresent(why -> questions.add(new LocalQuestion(Topic.TENANTS, why,
                "A landlord may watch little of what a tenant rents, and nothing without saying so: what, and who may look?")));
        people(facts, Access.Tie.COMES_HERE, " comes to work here.").ifPresent(why -> questions.add(new LocalQuestion(Topic.STAFF, why,
                "Whoever works in a house is told before the first day; in places they have to agree in writing.")));
        return questions;
    }

    private static Optional<String> shown(HouseholdFacts facts, Function<Camera, CameraEye> eye, Area.Kind kind) {
        List<String> shown = facts.plan().stream().flatMap(plan -> plan.areas().stream()).filter(area -> area.kind() == kind)
                .flatMap(area -> facts.cameras().stream().filter(camera -> eye.apply(camera).exposure(area).sharePercent() > 0)
                        .map(camera -> camera.name() + " shows " + area.name()))
                .distinct().toList();
        return named(shown, ".");
    }

    private static Optional<String> people(HouseholdFacts facts, Access.Tie tie, String does) {
        return named(facts.access().people().stream().filter(person -> person.tie() == tie).map(Access.Person::name).toList(), does);
    }

    private static Optional<String> named(List<String> names, String end) {
        return names.isEmpty() ? Optional.empty() : Optional.of(String.join(", ", names) + end);
    }
}
