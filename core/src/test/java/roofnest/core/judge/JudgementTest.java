package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;

class JudgementTest {
    private static final Limit LIMIT = Limit.atLeast(10, 2, Unit.DAYS);

    @Test
    void it_counts_by_standing_and_broken_ones_by_the_stage_that_decides_them() {
        Judgement judgement = new Judgement(List.of(
                judged(new Promise.KeepsDays(PromiseKey.written(1), 14), 5), judged(new Promise.KeepsDays(PromiseKey.written(2), 14), 11),
                judged(new Promise.HoldsLink(PromiseKey.ofCamera(7, "link"), 7), 3),
                judged(new Promise.OnlyThese(PromiseKey.written(3)), 30)));
        assertThat(judgement.count(Standing.BROKEN)).isEqualTo(2);
        assertThat(judgement.count(Standing.THIN)).isEqualTo(1);
        assertThat(judgement.count(Standing.KEPT)).isEqualTo(1);
        assertThat(judgement.countsInWords()).isEqualTo("1\u00a0kept · 1\u00a0thin · 2\u00a0broken · 0\u00a0not\u00a0tried");
        assertThat(judgement.brokenByStage()).containsOnlyKeys(Stage.TUNE, Stage.SURVEY).containsEntry(Stage.TUNE, 1);
    }

    @Test
    void it_finds_what_bears_on_one_camera() {
        Judged ofSeven = new Judged(new Promise.HoldsLink(PromiseKey.ofCamera(7, "link"), 7), "link",
                finding(PromiseKey.ofCamera(7, "link"), 3), Optional.of(7L));
        Judged ofEight = new Judged(new Promise.HoldsLink(PromiseKey.ofCamera(8, "link"), 8), "link",
                finding(PromiseKey.ofCamera(8, "link"), 3), Optional.of(8L));
        assertThat(new Judgement(List.of(ofSeven, ofEight)).ofCamera(7)).containsExactly(ofSeven);
    }

    @Test
    void every_stage_has_its_number_and_its_address() {
        assertThat(Stage.values()).extracting(Stage::number).containsExactly(1, 2, 3, 4, 5, 6, 7, 8, 9);
        assertThat(Stage.SURVEY.title()).isEqualTo("Survey");
        assertThat(Stage.SURVEY.slug()).isEqualTo("survey");
    }

    private static Judged judged(Promise promise, double measured) {
        return new Judged(promise, "a promise", finding(promise.key(), measured), Optional.empty());
    }

    private static Finding finding(PromiseKey key, double measured) {
        return Finding.of(key, measured, LIMIT, Evidence.PREDICTED, "why", List.of());
    }
}
