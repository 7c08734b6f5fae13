package roofnest.core.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.access.Access.Role;
import roofnest.core.access.Lesson.Key;
import roofnest.core.access.Lesson.Taught;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;

class LessonTest {
    private static Taught taught(String name, String model, Role role) {
        return new Taught(name, Catalogue.shipped().get(model), role);
    }

    private static List<Key> keys(boolean rings, Taught... cameras) {
        return Lesson.of(List.of(cameras), rings).items().stream().map(Lesson.Item::key).toList();
    }

    @Test
    void who_looks_through_nothing_learns_nothing() {
        assertThat(Lesson.of(List.of(), true).items()).isEmpty();
    }

    @Test
    void each_learns_what_their_cameras_can_do_and_no_more() {
        assertThat(keys(true, taught("Gate eye", "dunmark-post", Role.OWNER)))
                .containsExactly(Key.LOOK, Key.CLIP, Key.SAVE, Key.RING, Key.SNOOZE, Key.CHARGE, Key.LIGHTS, Key.QUIET, Key.HELP);
        assertThat(keys(false, taught("Hen yard", "tarrowby-turn", Role.VIEWER))).as("no pack, no rings, no say in settings")
                .containsExactly(Key.LOOK, Key.CLIP, Key.SAVE, Key.TALK, Key.TURN, Key.LIGHTS, Key.QUIET, Key.HELP);
        assertThat(keys(true, taught("Eave", "cairnlow-eave", Role.MANAGER))).contains(Key.LIGHT, Key.SIREN);
        assertThat(keys(true, taught("Eave", "cairnlow-eave", Role.VIEWER))).doesNotContain(Key.LIGHT, Key.SIREN, Key.SNOOZE);
    }

    @Test
    void the_cameras_are_named_and_a_model_s_lights_are_told_once() {
        Lesson lesson = Lesson.of(List.of(taught("Front", "pellan-swift", Role.OWNER), taught("Back", "pellan-swift", Role.OWNER),
                taught("Desk", "oskarra-sill", Role.OWNER)), true);
        assertThat(item(lesson, Key.CHARGE).alone()).isEqualTo("Takes out, shows and puts back the pack of Front or Back.");
        DeviceModel swift = Catalogue.shipped().get("pellan-swift");
        assertThat(item(lesson, Key.LIGHTS).shown()).containsOnlyOnce(swift.fullName()).contains("Oskarra Sill")
                .contains("“green, steady”: all is well");
        assertThat(item(lesson, Key.SIREN).shown()).contains("never beside a sleeping child");
    }

    private static Lesson.Item item(Lesson lesson, Key key) {
        return lesson.items().stream().filter(each -> each.key() == key).findFirst().orElseThrow();
    }
}
