package roofnest.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ClimbTest {
    @ParameterizedTest
    @CsvSource({"0,NOTHING", "2.1,NOTHING", "2.11,STEPS", "2.8,STEPS", "2.81,LADDER", "9,LADDER", "-1,NOTHING"})
    void one_rule_says_what_one_stands_on(double overFootM, Climb climb) {
        assertThat(Climb.to(overFootM)).isEqualTo(climb);
    }
}
