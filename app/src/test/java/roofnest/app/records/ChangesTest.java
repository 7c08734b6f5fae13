package roofnest.app.records;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.stream.Collectors;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.promise.Stage;

@AppTest
class ChangesTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private PromiseRepository promises;
    @Autowired private JudgedHouseholds judged;
    @Autowired private DemoPlaces demo;

    @Test
    void what_the_front_page_counts_is_what_the_judge_says_of_every_demo_household() {
        for (String name : new String[] {"Quiller", "Tansley", "Brannock", "Verrall", "Peverell", "Thorne"}) {
            long id = demo.household(name);
            assertThat(stored(id)).as(name).isEqualTo(judged(id));
        }
    }

    @Test
    void a_change_is_judged_before_anyone_sees_it() {
        HouseholdRef ref = demo.ref("Tansley", "jory");
        changes.run(ref, Stage.BRIEF, () -> promises.keepsDays(ref.id(), 7));
        assertThat(stored(ref.id())).isEqualTo(judged(ref.id())).hasSize(2);
    }

    @Test
    void a_change_that_fails_leaves_nothing_behind() {
        HouseholdRef ref = demo.ref("Verrall", "jory");
        Map<String, String> before = stored(ref.id());
        assertThatThrownBy(() -> changes.run(ref, Stage.CARE, () -> {
            promises.keepsDays(ref.id(), 30);
            throw new IllegalStateException("in the middle");
        })).hasMessage("in the middle");
        assertThat(stored(ref.id())).isEqualTo(before);
        assertThat(households.get(ref.id()).stage()).isEqualTo(Stage.READY);
        assertThat(promises.of(ref.id())).hasSize(2);
    }

    @Test
    void work_never_moves_back_by_itself() {
        HouseholdRef ref = demo.ref("Osgood", "jory");
        Stage before = households.get(ref.id()).stage();
        assertThat(before).isGreaterThan(Stage.BRIEF);
        changes.run(ref, Stage.BRIEF, () -> {});
        assertThat(households.get(ref.id()).stage()).isEqualTo(before);
    }

    private Map<String, String> stored(long id) {
        return demo.jdbc().sql("select promise_key, standing from finding where household_id = :id").param("id", id)
                .query((row, n) -> Map.entry(row.getString(1), row.getString(2))).list().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private Map<String, String> judged(long id) {
        return HouseholdJudge.judge(judged.of(id).facts()).promises().stream()
                .collect(Collectors.toMap(each -> each.promise().key().value(), each -> each.finding().standing().name()));
    }
}
