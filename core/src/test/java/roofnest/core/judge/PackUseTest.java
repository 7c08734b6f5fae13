package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.PackFit;
import roofnest.core.power.UseShares;
import roofnest.core.view.CameraPose;

/** What a camera's pack goes on, what would spare it, and why it is empty early. */
class PackUseTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 51);

    private static Camera post(Camera.Settings settings) {
        return new Camera(7, "Post", Judging.model("dunmark-post"), new CameraPose(0, 0, 2.4, 0, 10), Set.of(), settings, true, true, true,
                Optional.empty());
    }

    private static PackUse use(Camera camera) {
        HouseholdFacts facts = Judging.facts(FIELD, List.of(), camera);
        return HouseholdJudge.of(facts).packUse(facts, camera);
    }

    @Test
    void eachSavingIsWhatTheSettingWouldBring() {
        Camera.Settings set = new Camera.Settings(20, 0, 64, 60, 8, 0.7, 90);
        PackUse use = use(post(set));
        assertThat(use.saves()).isNotEmpty().isSortedAccordingTo((a, b) -> Double.compare(b.days(), a.days()));
        PackUse shorter = use(post(set.withClipSeconds(10)));
        assertThat(use.saves()).filteredOn(saving -> saving.what().startsWith("Clips of 10 s")).singleElement()
                .satisfies(saving -> assertThat(saving.days()).isCloseTo(shorter.days() - use.days(), within(1e-9)));
        assertThat(use.coldestDays()).isLessThanOrEqualTo(use.days());
    }

    @Test
    void waysOfWorkingAreTrades() {
        PackUse use = use(post(Camera.Settings.DEFAULT));
        PackUse.Trade life = use.trades().get(0);
        PackUse.Trade clips = use.trades().get(1);
        PackUse.Trade own = use.trades().get(2);
        assertThat(life.days()).isGreaterThanOrEqualTo(own.days()).isGreaterThan(clips.days());
        assertThat(clips.recordedMinutes()).isGreaterThan(life.recordedMinutes());
        assertThat(own.days()).isCloseTo(use.days(), within(1e-9));
    }

    /** One every minute is as many as sixty times one an hour, and no clip is as cheap as that. */
    @Test
    void snapshotsAreSetAgainstClips() {
        PackUse use = use(post(Camera.Settings.DEFAULT));
        assertThat(use.snapshots()).extracting(PackUse.Snapshots::everyMinutes).containsExactly(1, 5, 15, 60);
        assertThat(use.snapshots().get(0).mahADay()).isCloseTo(60 * use.snapshots().get(3).mahADay(), within(1e-9));
        assertThat(use.snapshots().get(0).days()).isLessThan(use.snapshots().get(3).days());
        assertThat(use.snapshots()).allSatisfy(each -> assertThat(each.days()).isLessThan(use.days()));
    }

    @Test
    void aPackThatIsEmptyEarlyIsExplainedByWhatEachCauseWouldComeTo() {
        // Without a panel: with one it could as well be the sun.
        Camera post = new Camera(7, "Bell", Judging.model("pellan-knock"), new CameraPose(0, 0, 1.2, 0, 0), Set.of(),
                new Camera.Settings(30, 5, 0, 60, 20, 0.7, 90), true, true, true, Optional.empty());
        HouseholdFacts facts = Judging.facts(FIELD, List.of(), post);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        LocalDate first = LocalDate.of(2026, 6, 1);
        int half = (int) Math.round(judge.packUse(facts, post).days() / 2);
        List<PackFit.Reading> usual = List.of(new PackFit.Reading(first, 100, true), new PackFit.Reading(first.plusDays(half), 63, false));
        assertThat(judge.emptyEarly(facts, post, judge.packFit(facts, post, usual))).isEmpty();
        List<PackFit.Reading> early = List.of(new PackFit.Reading(first, 100, true), new PackFit.Reading(first.plusDays(half), 5, false));
        PackFit.Fit fit = judge.packFit(facts, post, early);
        assertThat(fit.draw()).isGreaterThan(1.4);
        List<String> why = judge.emptyEarly(facts, post, fit);
        assertThat(why).anySatisfy(word -> assertThat(word).startsWith("More clips than reckoned"));
        assertThat(why).anySatisfy(word -> assertThat(word).contains("one that holds " + Math.round(100 / fit.draw()) + " %"));
        assertThat(why).as("no link is said to have been read that was not").noneMatch(word -> word.contains("was read"));
        Camera bent = post.powered(post.model().power().bent(fit.draw(), fit.sun()));
        assertThat(judge.packUse(facts, bent).days()).isLessThan(judge.packUse(facts, post).days());
        assertThat(judge.packUse(facts, bent).now().mah(UseShares.Cause.STANDBY)).isCloseTo(fit.draw() * judge.packUse(facts, post).now()
                .mah(UseShares.Cause.STANDBY), within(1e-6));
    }

    @Test
    void readingsBendTheCurrentsAndNothingElse() {
        PowerSpec stated = Judging.model("dunmark-post").power();
        PowerSpec bent = stated.bent(1.5, 0.5);
        assertThat(bent.capacityMah()).isEqualTo(stated.capacityMah());
        assertThat(bent.recordMa()).isCloseTo(1.5 * stated.recordMa(), within(1e-9));
        assertThat(bent.warnPercent()).isEqualTo(stated.warnPercent());
        assertThat(post(Camera.Settings.DEFAULT).packMark()).isEqualTo(post(Camera.Settings.DEFAULT).powered(bent).packMark())
                .isNotEqualTo(post(Camera.Settings.DEFAULT.withClipSeconds(30)).packMark());
    }
}
