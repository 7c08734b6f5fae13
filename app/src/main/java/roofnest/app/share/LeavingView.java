package roofnest.app.share;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

import roofnest.app.records.LeavingRepository;
import roofnest.core.access.Kit;
import roofnest.core.access.LeavingPlan;
import roofnest.core.lang.Numbers;

/**
 * How somebody is shut out, as a page.
 *
 * @param id of the leaving; 0 while it has not begun
 * @param total what all of it costs, in words
 * @param open what stands against saying that they are out; empty when nothing does
 */
record LeavingView(long person, String name, long id, boolean onStandIns, String begun, boolean theyHelp, boolean outOfWifi, String total,
        List<String> holes, List<StepLine> steps, List<Follow> following, List<String> done, List<TryLine> tries, List<String> ask,
        String open) {
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.ENGLISH);

    /** @param then what follows from it, in words */
    record StepLine(String key, String words, String how, List<String> then) {}

    record Follow(long id, String words, String link) {}

    /** @param refused null when it was not tried since the last change */
    record TryLine(long camera, String name, Boolean refused, String words) {}

    static LeavingView of(LeavingDesk.State state, boolean onStandIns, ZoneId zone) {
        LeavingPlan plan = state.plan();
        List<StepLine> steps = state.changes().stream().map(change -> new StepLine(change.key(), change.words(),
                change.where().words() + ", about " + Numbers.fixed(change.minutes(), 0) + " min",
                change.after().stream().map(after -> after.words() + " About " + Numbers.fixed(after.minutes(), 0) + " min.").toList()))
                .toList();
        List<String> done = state.done().stream().filter(step -> step.doneAt() != null)
                .map(step -> step.words() + " " + step.doneAt().atZoneSameInstant(zone).format(AT) + ", " + step.doneBy()).toList();
        return new LeavingView(plan.who().id(), plan.who().name(), state.leaving().map(LeavingRepository.Leaving::id).orElse(0L),
                onStandIns,
                state.leaving()
                        .map(each -> "Since " + each.begunAt().atZoneSameInstant(zone).format(AT) + ", begun by " + each.begunBy() + ".")
                        .orElse(""),
                state.wish().theyHelp(), state.wish().outOfWifi(), total(plan, state.changes().isEmpty()),
                plan.holes().stream().map(LeavingPlan.Hole::how).distinct().toList(), steps,
                state.following().stream().map(step -> new Follow(step.id(), step.words(), link(step))).toList(), done, tries(state),
                plan.ask(), state.open());
    }

    private static String link(LeavingRepository.Step step) {
        return step.kind().equals(LeavingPlan.Need.REJOIN.name()) ? "/pair/rejoin" : "";
    }

    private static String total(LeavingPlan plan, boolean nothingLeft) {
        if (nothingLeft) {
            return "";
        }
        String steps = plan.changes().size() == 1 ? "One step" : plan.changes().size() + " steps";
        return steps + ", about " + Numbers.fixed(plan.minutes(), 0) + " min with what follows. "
                + (plan.proved() ? "No other set of changes that closes every way costs less."
                        : "It may not be the least: the search ran out of time.");
    }

    private static List<TryLine> tries(LeavingDesk.State state) {
        Set<Long> due = new HashSet<>(state.leaving().map(LeavingRepository.Leaving::cameraIds).orElse(Set.of()));
        due.addAll(state.plan().tries());
        return state.kit().stream().filter(each -> due.contains(each.cameraId())).map(each -> tryLine(each, state)).toList();
    }

    private static TryLine tryLine(Kit camera, LeavingDesk.State state) {
        return state.tries().stream().filter(each -> each.cameraId() == camera.cameraId()).findFirst()
                .map(each -> new TryLine(camera.cameraId(), camera.name(), each.refused(),
                        (each.refused() ? "refused" : "they still see it") + (each.said().isBlank() ? "" : ": " + each.said())
                                + ", noted by "
                                + each.by()))
                .orElse(new TryLine(camera.cameraId(), camera.name(), null, "not tried since the last change"));
    }

    /** Names of the cameras, for a heading. */
    String cameras() {
        return new TreeSet<>(tries.stream().map(TryLine::name).collect(Collectors.toSet())).stream().collect(Collectors.joining(", "));
    }
}
