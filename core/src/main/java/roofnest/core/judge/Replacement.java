package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.footage.FootagePlan;
import roofnest.core.footage.Keeping;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;
import roofnest.core.week.WatchSetting;

/**
 * Another device in the place of one: which of its settings go over to it, and which promises it keeps, breaks or leaves open that the one
 * before did not. It is judged as it would be once it is joined, with its own password, and hung where the plan has it; what was read and
 * tested of the one before says nothing of it.
 *
 * @param camera as it is to be written down: not joined, not hung, with the settings that it takes over
 * @param keeping where its footage goes
 * @param carried what becomes of each setting, in the order in which they are set
 * @param work that it is besides joining and hanging it
 * @param turns promises that stand otherwise with it, those that it breaks first
 * @param again promises that were tested or read on site and rest on the plan again, in words
 */
public record Replacement(Camera camera, Keeping keeping, List<Replacement.Carried> carried, List<Replacement.Work> work,
        List<Replacement.Turn> turns, List<String> again) {
    /** How much of a setting goes over. */
    public enum Over { WHOLE, CHANGED, NOT }

    /** @param why in words; empty where all of it goes over */
    public record Carried(String what, Over over, String why) {}

    /** @param hinders whether it cannot hang there before that is done */
    public record Work(String words, boolean hinders) {}

    /** A promise that stands otherwise. @param reason of the standing that it would have */
    public record Turn(PromiseKey promise, String wording, Standing before, Standing then, String reason) {
        public boolean worse() {
            return order(then) > order(before);
        }

        private static int order(Standing standing) {
            return switch (standing) {
                case KEPT -> 0;
                case THIN -> 1;
                case UNTRIED -> 2;
                case BROKEN -> 3;
            };
        }
    }

    public Replacement {
        carried = List.copyOf(carried);
        work = List.copyOf(work);
        turns = List.copyOf(turns);
        again = List.copyOf(again);
    }

    /**
     * @param judge of the plan that the facts are of
     * @param before a camera of the facts
     * @param planned where the plan has it, which need not be how it was read to hang
     * @param model of the device that comes, as its document has it; may be the same
     * @param hubModels of the hubs that are in the house
     */
    public static Replacement of(HouseholdJudge judge, HouseholdFacts facts, Camera before, CameraPose planned, DeviceModel model,
            Set<String> hubModels) {
        List<Carried> carried = new ArrayList<>();
        Camera.Settings settings = settings(before.settings(), model, carried);
        Camera bare = new Camera(before.id(), before.name(), model, planned, Set.of(), settings, false, false, false, Optional
                .empty());
        Camera set = watching(before, bare, model, carried);
        set = picture(before, set, model, carried);
        set = before.look().map(set::withLook).orElse(set);
        set = before.lead().map(set::withLead).orElse(set);
        boolean samePicture = samePicture(before.model().lens(), model.lens());
        set = set.withMasked(masked(judge, facts, before, set, samePicture, carried)).withZones(zones(before, model, samePicture, carried));
        Keeping keeping = keeping(facts.footage().of(before.id()), model, carried);
        Camera working = new Camera(set.id(), set.name(), set.model(), set.pose(), set.masked(), set.settings(), true, true, true, Optional
                .of(facts.today()), set.zones(), Optional.empty(), set.look(), set.lead(), set.watching(), set.setup());
        Judgement was = judge.again(facts);
        Judgement is = judge.again(withFootage(facts.withCamera(working), before.id(), keeping));
        return new Replacement(set, keeping, carried, work(before.model(), model, hubModels), turns(was, is), again(was, is));
    }

    private static List<Work> work(DeviceModel was, DeviceModel is, Set<String> hubModels) {
        List<Work> work = new ArrayList<>();
        if (was.mount().outdoors() && !is.mount().outdoors()) {
            work.add(new Work(
                    "It is not made for outdoors, and the one before was: it hangs under a roof that keeps rain off, or not at all.",
                    true));
        }
        if (!was.mount().mayHangIndoors() && is.mount().mayHangIndoors() && !is.mount().outdoors()) {
            work.add(new Work("It is made for rooms only.", true));
        }
        if (is.radio().viaHub() && is.hub() != null && !hubModels.contains(is.hub())) {
            work.add(new Work("It joins through a hub of its own kind, and none is in the house: one is brought and joined first.", true));
        }
        if (was.power().onBattery() && !is.power().onBattery()) {
            work.add(new Work("It wants a lead to mains power; the one before ran on its pack.", true));
        }
        if (!was.power().onBattery() && is.power().onBattery()) {
            work.add(new Work("It runs on its pack: who charges it is agreed. The lead of the one before is made dead and blanked off.",
                    false));
        }
        if (!was.key().equals(is.key()) && (was.mount().holes().isEmpty() || !was.mount().holes().equals(is.mount().holes()))) {
            work.add(new Work(was.mount().holes().isEmpty() || is.mount().holes().isEmpty()
                    ? "Whether its plate sits on the holes of the one before was not measured: hold it up first."
                    : "Its plate has other holes: " + is.mount().screws() + " are drilled anew, the old ones are closed.", false));
        }
        return work;
    }

    private static HouseholdFacts withFootage(HouseholdFacts facts, long cameraId, Keeping keeping) {
        Map<Long, Keeping> all = new TreeMap<>(facts.footage().byCamera());
        all.put(cameraId, keeping);
        return facts.withFootage(new FootagePlan(all, facts.footage().hubCardGb(), facts.footage().recorderGb(), facts.footage().upMbps()));
    }

    private static Camera.Settings settings(Camera.Settings was, DeviceModel model, List<Carried> carried) {
        int clip = Math.max(model.recording().clipMinSeconds(), Math.min(model.recording().clipMaxSeconds(), was.clipSeconds()));
        carried.add(figure("clip", was.clipSeconds(), clip, " s"));
        int rest = model.alerts().nearestCoolDownSeconds(was.coolDownSeconds());
        carried.add(figure("rest between clips", was.coolDownSeconds(), rest, " s"));
        Camera.Settings now = was.withClipSeconds(clip).withCoolDownSeconds(rest);
        boolean intoCamera = model.recording().cardMaxGb() > 0;
        int card = intoCamera ? Math.min(model.recording().cardMaxGb(), was.cardGb()) : model.hub() == null ? 0 : was.cardGb();
        if (was.cardGb() > 0) {
            carried.add(card == was.cardGb() ? new Carried("card of " + card + " GB", Over.WHOLE, "")
                    : card == 0 ? new Carried("card of " + was.cardGb() + " GB", Over.NOT, "it takes none")
                            : new Carried("card", Over.CHANGED, "it takes " + card + " GB at most"));
        }
        now = now.withCardGb(card);
        if (model.power().onBattery()) {
            return now;
        }
        if (was.chargeEveryDays() > 0) {
            carried.add(new Carried("days between charges", Over.CHANGED, "it has no pack"));
        }
        return now.withChargeEveryDays(0);
    }

    private static Carried figure(String what, int was, int is, String unit) {
        return was == is ? new Carried(what + " of " + is + unit, Over.WHOLE, "")
                : new Carried(what, Over.CHANGED, was + unit + " before, " + is + unit + " is the nearest that it can");
    }

    /** Steps of a sensor are taken over as a share of all steps, for the names of one model say nothing of those of another. */
    private static Camera watching(Camera before, Camera bare, DeviceModel model, List<Carried> carried) {
        if (before.watching().isEmpty()) {
            return bare;
        }
        Camera.Watching was = before.watching().get();
        int steps = before.model().alerts().sensitivity().size();
        int own = model.alerts().sensitivity().size();
        boolean same = before.model().alerts().sensitivity().equals(model.alerts().sensitivity());
        int step = same || steps == 1 ? Math.min(was.sensitivity(), own - 1)
                : (int) Math.round((double) Math.min(was.sensitivity(), steps - 1) / (steps - 1) * (own - 1));
        carried.add(same ? new Carried("sensor: " + model.alerts().sensitivity().get(step), Over.WHOLE, "")
                : new Carried("sensor", Over.CHANGED, "its step " + (step + 1) + " of " + own + " lies nearest to " + (Math.min(was
                        .sensitivity(), steps - 1) + 1) + " of " + steps + ": try it by walking"));
        Set<AlertSpec.Kind> known = model.alerts().kinds().stream().map(AlertSpec.KindOf::kind).collect(Collectors.toSet());
        Set<AlertSpec.Kind> kinds = was.kinds().stream().filter(known::contains).collect(Collectors.toCollection(TreeSet::new));
        String lost = was.kinds().stream().filter(kind -> !known.contains(kind)).sorted().map(AlertSpec.Kind::words)
                .collect(Collectors.joining(", "));
        if (kinds.isEmpty()) {
            kinds = WatchSetting.usual(model.alerts(), bare.settings().clipSeconds(), bare.settings().coolDownSeconds()).kinds();
        }
        carried.add(lost.isEmpty() ? new Carried("what counts", Over.WHOLE, "") : new Carried("what counts", Over.CHANGED,
                "it does not tell " + lost + " from the rest"));
        return bare.withWatching(new Camera.Watching(step, kinds));
    }

    private static Camera picture(Camera before, Camera set, DeviceModel model, List<Carried> carried) {
        if (before.setup().isEmpty()) {
            return set;
        }
        Camera after = set.withSetup(before.setup().get());
        PictureSetup was = before.setup().get();
        PictureSetup is = after.setup().orElseThrow();
        List<String> differs = new ArrayList<>();
        if (was.light() != is.light()) {
            differs.add("by night it sees by " + is.light().words());
        }
        if (was.widthPx() != is.widthPx() && was.widthPx() > 0) {
            differs.add("its picture is " + (is.widthPx() == 0 ? model.lens().widthPx() : is.widthPx()) + " px wide");
        }
        carried.add(differs.isEmpty() ? new Carried("picture and sound", Over.WHOLE, "")
                : new Carried("picture and sound", Over.CHANGED, String.join("; ", differs)));
        return after;
    }

    /** Whether a cell of the one picture shows what the same cell of the other shows, hung alike. */
    private static boolean samePicture(LensSpec one, LensSpec other) {
        return one.projection() == other.projection() && one.hfovDeg() == other.hfovDeg()
                && (long) one.widthPx() * other.heightPx() == (long) other.widthPx() * one.heightPx();
    }

    /** Cells mean other ground behind another lens: then only what must not be shown is blacked out, reckoned anew. */
    private static Set<MaskCell> masked(HouseholdJudge judge, HouseholdFacts facts, Camera before, Camera set, boolean samePicture,
            List<Carried> carried) {
        if (samePicture && before.model().mask().equals(set.model().mask())) {
            if (!before.masked().isEmpty()) {
                carried.add(new Carried("blacked-out cells", Over.WHOLE, ""));
            }
            return before.masked();
        }
        Set<MaskCell> needed = judge.cellsShowing(facts, set);
        if (before.masked().isEmpty() && needed.isEmpty()) {
            return Set.of();
        }
        if (!set.model().mask().canMask()) {
            carried.add(new Carried("blacked-out cells", Over.NOT, "it can black out nothing"));
            return Set.of();
        }
        carried.add(new Carried("blacked-out cells", Over.CHANGED, "its cells show other ground: " + needed.size()
                + (needed.size() == 1 ? " cell is" : " cells are")
                + " blacked out for what must not be shown; what was blacked out besides is to be chosen again"));
        return needed;
    }

    private static List<Zone> zones(Camera before, DeviceModel model, boolean samePicture, List<Carried> carried) {
        if (before.zones().isEmpty()) {
            return List.of();
        }
        AlertSpec alerts = model.alerts();
        boolean drawnAlike = samePicture && alerts.zoneShape() == before.model().alerts().zoneShape()
                && Objects.equals(alerts.zoneGrid(), before.model().alerts().zoneGrid());
        if (!drawnAlike || alerts.zones() < before.zones().size()) {
            carried.add(new Carried("zones", Over.NOT, alerts.zones() == 0 ? "it has none: all of its picture counts"
                    : !samePicture ? "its picture shows other ground: draw them anew, until then all of it counts"
                            : !drawnAlike ? "its zones are drawn otherwise: draw them anew, until then all of its picture counts"
                                    : "it has room for " + alerts.zones() + ": draw them anew, until then all of its picture counts"));
            return List.of();
        }
        carried.add(new Carried("zones", Over.WHOLE, ""));
        return before.zones();
    }

    private static Keeping keeping(Keeping was, DeviceModel model, List<Carried> carried) {
        if (was.equals(Keeping.USUAL)) {
            return was;
        }
        List<String> lost = new ArrayList<>();
        boolean hours = was.when() == Keeping.When.EVENT || model.recording().continuous();
        boolean recorder = was.toRecorder() && model.recording().streams();
        boolean plan = was.plan().map(paid -> paid.maker().equalsIgnoreCase(model.maker())).orElse(true);
        if (!hours) {
            lost.add("it records only when something counts");
        }
        if (was.toRecorder() && !recorder) {
            lost.add("the recorder cannot take its stream");
        }
        if (!plan) {
            lost.add(was.plan().orElseThrow().name() + " is for another maker’s cameras");
        }
        carried.add(lost.isEmpty() ? new Carried("where footage goes", Over.WHOLE, "")
                : new Carried("where footage goes", Over.CHANGED, String.join("; ", lost)));
        return new Keeping(hours ? was.when() : Keeping.When.EVENT, was.fromHour(), was.toHour(), recorder, was.stopsWhenFull(),
                plan ? was.plan() : Optional.empty());
    }

    private static List<Turn> turns(Judgement was, Judgement is) {
        Map<PromiseKey, Judged> now = is.promises().stream().collect(Collectors.toMap(each -> each.promise().key(), Function.identity()));
        List<Turn> turns = new ArrayList<>();
        for (Judged each : was.promises()) {
            Judged then = now.remove(each.promise().key());
            // One of the promises that every camera brings may have no sense for the other: a pack's on mains.
            if (then != null && then.finding().standing() != each.finding().standing() && !passing(each.promise())) {
                turns.add(new Turn(each.promise().key(), then.wording(), each.finding().standing(), then.finding().standing(), then
                        .finding().reason()));
            }
        }
        now.values().stream().filter(each -> each.finding().standing() != Standing.KEPT && !passing(each.promise())).forEach(each -> turns
                .add(new Turn(each.promise().key(), each.wording(), Standing.KEPT, each.finding().standing(), each.finding().reason())));
        turns.sort(Comparator.comparing((Turn turn) -> !turn.worse()).thenComparing(turn -> turn.then() != Standing.BROKEN).thenComparing(
                Turn::wording));
        return turns;
    }

    /** Joining and its password are work to be done in any case. */
    private static boolean passing(Promise promise) {
        return promise instanceof Promise.Joins || promise instanceof Promise.OwnPassword;
    }

    private static List<String> again(Judgement was, Judgement is) {
        Map<PromiseKey, Evidence> now = is.promises().stream().collect(Collectors.toMap(each -> each.promise().key(), each -> each.finding()
                .evidence()));
        return was.promises().stream().filter(each -> !passing(each.promise()) && each.finding().standing() != Standing.UNTRIED
                && now.containsKey(each.promise().key()) && now.get(each.promise().key()).compareTo(each.finding().evidence()) < 0)
                .map(Judged::wording).sorted().toList();
    }
}
