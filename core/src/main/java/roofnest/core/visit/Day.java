package roofnest.core.visit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import roofnest.core.lang.Require;

/**
 * A visit under way: what hands are on, what goes on by itself, what to do now and when it will be over, planned anew
 * from what is really done.
 *
 * @param inHand begun and not yet let go
 * @param byItself let go, with the minute at which each should be over; one that is past asks to be looked at
 * @param now what to begin next, in the order of the new plan; as many as there are free hands, and nothing where waiting a
 *     moment for what goes on by itself ends sooner
 * @param left the rest in the order of the new plan, minutes from the beginning of the visit
 * @param finishMinute expected, of the whole visit
 * @param plannedFinishMinute as it was planned at the beginning
 */
public record Day(List<Task> inHand, List<Running> byItself, List<Task> now, List<Timeline.Placed> left, int finishMinute,
        int plannedFinishMinute) {
    private static final String HANDS = " hands";

    public Day {
        inHand = List.copyOf(inHand);
        byItself = List.copyOf(byItself);
        now = List.copyOf(now);
        left = List.copyOf(left);
    }

    /** A task that goes on by itself. */
    public record Running(Task task, int untilMinute) {}

    /**
     * How far a task really is, minutes from the beginning of the visit; each step only after the one before.
     *
     * @param begun empty while nobody has touched it
     * @param handsOff when hands were taken off it
     * @param done when it was over
     */
    public record Mark(Optional<Integer> begun, Optional<Integer> handsOff, Optional<Integer> done) {
        public static final Mark UNTOUCHED = new Mark(Optional.empty(), Optional.empty(), Optional.empty());

        public Mark {
            if (handsOff.isPresent() && begun.isEmpty() || done.isPresent() && handsOff.isEmpty()
                    || handsOff.filter(off -> off < begun.get()).isPresent() || done.filter(over -> over < handsOff.get()).isPresent()) {
                throw new IllegalArgumentException("a task is begun, then let go, then over");
            }
        }
    }

    /** @param planned as at the beginning @param marks by id of the task */
    public static Day at(List<Timeline.Placed> planned, Map<String, Mark> marks, int nowMinute, int installers) {
        Require.inRange("minute of the visit", nowMinute, 0, 24 * 60);
        int plannedFinish = planned.stream().mapToInt(Timeline.Placed::endMinute).max().orElse(0);
        List<Task> inHand = new ArrayList<>();
        List<Running> byItself = new ArrayList<>();
        Map<String, Task> open = new LinkedHashMap<>();
        Set<String> over = new HashSet<>();
        for (Timeline.Placed placed : planned) {
            Task task = placed.task();
            Mark mark = marks.getOrDefault(task.id(), Mark.UNTOUCHED);
            if (mark.done().isPresent()) {
                over.add(task.id());
            } else if (mark.handsOff().isPresent()) {
                int until = mark.handsOff().get() + task.handsFreeMinutes();
                byItself.add(new Running(task, until));
                open.put(task.id(), left(task, 0, Math.max(0, until - nowMinute)));
            } else if (mark.begun().isPresent()) {
                inHand.add(task);
                open.put(task.id(),
                        left(task, Math.max(1, task.handsOnMinutes() - (nowMinute - mark.begun().get())), task.handsFreeMinutes()));
            } else {
                open.put(task.id(), task);
            }
        }
        List<Task> ahead = open.values().stream().map(task -> after(task, over)).toList();
        Timeline anew = goingOnFirst(ahead, inHand, installers);
        List<Timeline.Placed> left = anew.placed().stream()
                .map(placed -> new Timeline.Placed(placed.task(), nowMinute + placed.startMinute(), placed.installer())).toList();
        return new Day(inHand, byItself, next(anew, open, over, inHand, byItself, installers),
                left.stream().filter(placed -> isAhead(placed.task(), inHand, byItself)).toList(),
                nowMinute + anew.finishMinutes(), plannedFinish);
    }

    /** What is in hand stays in hand: everything that would take the same hands waits for it. */
    private static Timeline goingOnFirst(List<Task> ahead, List<Task> inHand, int installers) {
        if (inHand.isEmpty()) {
            return Timeline.shortest(ahead, installers);
        }
        Set<String> held = new HashSet<>(inHand.stream().map(Task::id).toList());
        Map<String, Task> byId = new HashMap<>();
        ahead.forEach(task -> byId.put(task.id(), task));
        boolean allHands = inHand.size() >= installers;
        List<Task> pinned = new ArrayList<>();
        for (Task task : ahead) {
            Set<String> waits = new HashSet<>(task.after());
            for (String id : held) {
                boolean sharesNeed = byId.get(id).needs().stream().anyMatch(task.needs()::contains);
                // Only what it holds with hands is waited for: a task that goes on by itself afterwards frees them.
                if (!held.contains(task.id()) && task.handsOnMinutes() > 0 && (allHands || sharesNeed)) {
                    waits.add(id + HANDS);
                }
            }
            pinned.add(new Task(task.id(), task.about(), task.row(), task.what(), task.handsOnMinutes(), task.handsFreeMinutes(), waits,
                    task.needs()));
        }
        List<Task> split = new ArrayList<>();
        for (Task task : pinned) {
            if (held.contains(task.id())) {
                split.add(new Task(task.id() + HANDS, task.about(), task.row(), task.what(), task.handsOnMinutes(), 0, task.after(),
                        task.needs()));
                split.add(new Task(task.id(), task.about(), task.row(), task.what(), 0, task.handsFreeMinutes(), Set.of(task.id() + HANDS),
                        Set.of()));
            } else {
                split.add(task);
            }
        }
        return Timeline.shortest(split, installers);
    }

    private static List<Task> next(Timeline anew, Map<String, Task> open, Set<String> over, List<Task> inHand, List<Running> byItself,
            int installers) {
        int free = installers - inHand.size();
        return anew.placed().stream().filter(placed -> placed.startMinute() == 0 && isAhead(placed.task(), inHand, byItself))
                .map(placed -> open.get(placed.task().id()))
                .filter(task -> task.handsOnMinutes() > 0 && over.containsAll(task.after())).limit(Math.max(0, free)).toList();
    }

    private static boolean isAhead(Task task, List<Task> inHand, List<Running> byItself) {
        return !task.id().endsWith(HANDS) && inHand.stream().noneMatch(other -> other.id().equals(task.id()))
                && byItself.stream().noneMatch(other -> other.task().id().equals(task.id()));
    }

    /** What is begun waits for nothing any longer, in whatever order it was begun. */
    private static Task left(Task task, int handsOnMinutes, int handsFreeMinutes) {
        return new Task(task.id(), task.about(), task.row(), task.what(), handsOnMinutes, handsFreeMinutes, Set.of(),
                handsOnMinutes == 0 ? Set.of() : task.needs());
    }

    private static Task after(Task task, Set<String> over) {
        Set<String> waits = new HashSet<>(task.after());
        waits.removeAll(over);
        return new Task(task.id(), task.about(), task.row(), task.what(), task.handsOnMinutes(), task.handsFreeMinutes(), waits,
                task.needs());
    }

    /** How much later than planned it ends, minutes; negative when earlier. */
    public int lateMinutes() {
        return finishMinute - plannedFinishMinute;
    }
}
