package roofnest.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;

import org.junit.jupiter.api.Test;

import roofnest.core.alert.DeviceRule.Act;
import roofnest.core.alert.DeviceRule.At;
import roofnest.core.catalogue.AlertSpec.Kind;

class RuleCirclesTest {
    private static final RuleCircles.Notices ALL = notices((camera, of) -> true);
    private static final RuleCircles.Notices NONE = notices((camera, of) -> false);
    /** Each takes its own light for movement, and no other. */
    private static final RuleCircles.Notices ITSELF = notices(Object::equals);

    private static RuleCircles.Notices notices(BiPredicate<Long, Long> any) {
        return new RuleCircles.Notices() {
            @Override
            public boolean light(long camera, long ofCamera) {
                return any.test(camera, ofCamera);
            }

            @Override
            public boolean siren(long camera, long ofCamera) {
                return any.test(camera, ofCamera);
            }
        };
    }

    private static DeviceRule light(long when, long then, At at) {
        return new DeviceRule(when, Kind.ANY, at, Act.LIGHT, then);
    }

    @Test
    void twoLightsThatNoticeEachOtherGoOnForEver() {
        List<DeviceRule> rules = List.of(light(1, 2, At.DARK), light(2, 1, At.ALWAYS), new DeviceRule(1, Kind.ANY, At.DARK, Act.RECORD, 2));
        assertThat(RuleCircles.of(rules, ALL)).contains(List.of(0));
        assertThat(RuleCircles.of(rules, ITSELF)).containsExactly(List.of(0, 1));
    }

    @Test
    void aLightThatNobodyNoticesMakesNoCircle() {
        assertThat(RuleCircles.of(List.of(light(1, 2, At.DARK), light(2, 1, At.DARK)), NONE)).isEmpty();
        assertThat(RuleCircles.of(List.of(), ALL)).isEmpty();
    }

    @Test
    void rulesThatHoldAtOtherHoursDoNotMeet() {
        assertThat(RuleCircles.of(List.of(light(1, 2, At.DARK), light(2, 1, At.LIGHT)), ITSELF)).isEmpty();
        assertThat(RuleCircles.of(List.of(light(1, 2, At.DARK), light(2, 1, At.ALWAYS)), ITSELF)).hasSize(1);
    }

    @Test
    void peopleAreNotMistakenForALight() {
        List<DeviceRule> rules = List.of(new DeviceRule(1, Kind.PERSON, At.DARK, Act.LIGHT, 1));
        assertThat(RuleCircles.of(rules, ALL)).isEmpty();
    }

    @Test
    void aSirenSetsOffWhatListens() {
        List<DeviceRule> rules = List.of(new DeviceRule(1, Kind.SOUND, At.ALWAYS, Act.SIREN, 2));
        assertThat(RuleCircles.of(rules, ALL)).containsExactly(List.of(0));
    }

    @Test
    void asManyRulesAsThereCanBeAreSearchedAtOnce() {
        List<DeviceRule> rules = new ArrayList<>();
        for (int i = 0; i < AlertPlan.MOST_RULES; i++) {
            rules.add(light(i, i + 1, At.ALWAYS));
        }
        assertThat(RuleCircles.of(rules, ALL)).hasSize(1);
    }

    @Test
    void aCameraThatNoticesRecordsAlready() {
        assertThatThrownBy(() -> new DeviceRule(1, Kind.ANY, At.ALWAYS, Act.RECORD, 1)).hasMessageContaining("records already");
    }
}
