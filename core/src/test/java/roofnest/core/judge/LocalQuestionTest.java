package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.judge.LocalQuestion.Topic;
import roofnest.core.plan.Area;
import roofnest.core.plan.PlanPoint;
import roofnest.core.view.CameraPose;

class LocalQuestionTest {
    private static final Access.Person CLEANER = new Access.Person(1, "Rowena", Access.Tie.COMES_HERE, Optional.empty());

    private static List<LocalQuestion> asked(Access access, Camera... cameras) {
        HouseholdFacts facts = Judging.facts(WeirSteps.plan(), List.of(), cameras);
        HouseholdFacts with = new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 0, access, List.of(),
                facts.climate(), facts.today(), false);
        return HouseholdJudge.of(with).localQuestions(with);
    }

    private static Camera camera(String model, CameraPose pose) {
        return new Camera(7, "Eye", Catalogue.shipped().get(model), pose, Set.of(), Camera.Settings.DEFAULT, true, true, true,
                Optional.empty());
    }

    @Test
    void nothing_is_asked_where_nothing_applies() {
        assertThat(asked(Judging.nobody())).isEmpty();
        Camera blind = camera("dunmark-post", new CameraPose(11.4, 2.0, 2.4, 121, 12));
        assertThat(asked(Judging.nobody(), blind.withMasked(Judging.allCells(blind.model())))).as("it hears nothing and shows nothing")
                .isEmpty();
    }

    @Test
    void what_applies_is_said_with_what_makes_it_apply() {
        List<LocalQuestion> questions = asked(new Access(List.of(CLEANER), List.of()),
                camera("oskarra-sill", new CameraPose(5, 4, 2.0, 180, 10)));
        assertThat(questions).extracting(LocalQuestion::topic).contains(Topic.SOUND, Topic.ROOMS, Topic.STAFF);
        assertThat(questions).filteredOn(each -> each.topic() == Topic.STAFF).extracting(LocalQuestion::why)
                .containsExactly("Rowena comes to work here.");
        assertThat(questions).filteredOn(each -> each.topic() == Topic.ROOMS).extracting(LocalQuestion::why)
                .containsExactly("Eye hangs indoors.");
    }

    @Test
    void a_picture_of_the_neighbours_is_a_question_until_it_is_blacked_out() {
        PlanPoint corner = WeirSteps.plan().areas().stream().filter(area -> area.kind() == Area.Kind.NEIGHBOUR).findFirst().orElseThrow()
                .outline().get(0);
        Camera over = camera("dunmark-post", new CameraPose(corner.xM(), corner.yM(), 5, 0, 90));
        assertThat(asked(Judging.nobody(), over)).filteredOn(each -> each.topic() == Topic.NEIGHBOURS).singleElement()
                .satisfies(each -> assertThat(each.why()).startsWith("Eye shows "));
        assertThat(asked(Judging.nobody(), over.withMasked(Judging.allCells(over.model())))).extracting(LocalQuestion::topic)
                .doesNotContain(Topic.NEIGHBOURS);
    }
}
