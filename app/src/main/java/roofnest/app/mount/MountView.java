package roofnest.app.mount;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.cable.CableNet;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Judged;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.CableRun;
import roofnest.core.mount.Fixings;
import roofnest.core.mount.Footing;
import roofnest.core.mount.HeightChoice;
import roofnest.core.mount.PullCheck;
import roofnest.core.mount.SpotLook;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.Wall;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.view.Sightline;

/**
 * How one camera is hung.
 *
 * @param place that its heights are weighed against; empty without a plan
 */
record MountView(
        CameraRepository.Record record, String place, List<HeightRow> heights, String wall, Optional<Fixings> fixings,
        Optional<CableRun> cable, List<String> cautions, String said, String pull, String pullStanding, String footing,
        List<String> footingAgainst, boolean footingSafe, Optional<SpotLook> look, String noCable) {

    /** @param verdict what this height gains and loses, in a few words */
    record HeightRow(
            String height, double heightM, String face, String density, String blind, boolean outOfReach, boolean chosen, String standing,
            String verdict) {}

    static MountView of(Frame frame, CameraRepository.Record record) {
        Camera camera = record.camera();
        Optional<HousePlan> plan = frame.facts().plan();
        // Only what this camera is the one to make out: one at the side is not weighed for the front door.
        Optional<Watched> watched = plan.flatMap(p -> frame.judgement().ofCamera(record.id()).stream()
                .map(Judged::promise)
                .filter(Promise.MakeOut.class::isInstance).map(Promise.MakeOut.class::cast)
                .flatMap(promise -> p.place(promise.placeId()).map(place -> new Watched(place, promise.level())).stream())
                .min(Comparator.comparingDouble(w -> w.place().at().distanceM(camera.pose().onPlan()))));
        List<HeightRow> heights = watched.map(w -> HeightChoice.forPlace(camera.model().lens(), camera.pose(), w.place(),
                frame.facts().practice().of(Figure.OUT_OF_REACH)).stream()
                .map(choice -> row(choice, camera, w.level())).toList()).orElse(List.of());
        Optional<Wall> wall = plan.flatMap(p -> Fixings.wallBehind(p, camera.pose()));
        Optional<Fixings> fixings = record.fixings(plan);
        double overFoot = frame.judge().overFootM(camera);
        Optional<SpotLook> look = camera.look().filter(seen -> seen.isOf(camera.pose()));
        Optional<Footing> footing = frame.judge().house()
                .flatMap(house -> house.footing(camera.pose(), frame.facts().practice().climb(overFoot)))
                .map(foot -> look.map(foot::seen).orElse(foot));
        return new MountView(record, watched.map(w -> w.place().name()).orElse(""), heights,
                wall.map(near -> near.material().words() + " wall")
                        .orElse("no wall within " + Numbers.fixed(Fixings.ON_THE_WALL_M, 0) + " m"),
                fixings, frame.judge().lead(camera, frame.facts().practice()),
                cautions(camera, frame.facts().practice().climb(overFoot), fixings),
                record.wall().map(said -> said.wall().words() + ", as " + said.by() + " saw it").orElse(""),
                fixings.flatMap(Fixings::pull).map(MountView::pull).orElse(""),
                fixings.flatMap(Fixings::pull).map(check -> check.standing().name().toLowerCase(Locale.ROOT)).orElse(""),
                footing.map(MountView::footing).orElse(""),
                footing.map(foot -> foot.against().stream().map(Footing.Against::words).toList()).orElse(List.of()),
                footing.map(Footing::safe).orElse(true), look,
                frame.judge().house().filter(house -> !camera.model().power().onBattery() && fixings.isPresent())
                        .flatMap(house -> house.cables(frame.facts().practice()).why(camera.pose()))
                        .map(CableNet.None::words).orElse("The house has no plan yet."));
    }

    private static String footing(Footing foot) {
        String what = foot.climb() == Climb.LADDER ? "A ladder of " + Numbers.fixed(Math.ceil(foot.ladderM() * 10) / 10, 1)
                + " m or longer, its feet " + Numbers.fixed(foot.outM(), 2) + " m out from the wall"
                : "Steps, "
                        + Numbers.fixed(foot.outM(), 1) + " m before the wall";
        String beside = Math.abs(foot.besideM()) < 0.01 ? ", under the camera"
                : ", " + Numbers.fixed(Math.abs(foot.besideM()), 2) + " m to the " + (foot.besideM() > 0 ? "right" : "left")
                        + " of the camera as one faces the wall";
        return what + beside + (foot.two() ? "; two people" : foot.climb() == Climb.LADDER ? "; somebody to foot it" : "");
    }

    private static String pull(PullCheck check) {
        return Numbers.fixed(check.pullN(), 0) + " N pull at an upper fixing in a storm; one carries " + Numbers.fixed(check.allowedN(), 0)
                + " N there";
    }

    private record Watched(Place place, DetailLevel level) {}

    private static HeightRow row(HeightChoice choice, Camera camera, DetailLevel level) {
        boolean chosen = Math.abs(choice.heightM() - camera.pose().heightM()) < 0.06;
        boolean good = choice.faceAngleDeg() <= Sightline.GOOD_FACE_DEG;
        boolean usable = choice.faceAngleDeg() <= Sightline.USABLE_FACE_DEG;
        boolean sharp = choice.densityPxPerM() >= level.pxPerM();
        String verdict = (!choice.inFrame() ? "place leaves the picture"
                : !sharp ? "too far for " + level.whom() : good ? "faces seen well" : usable ? "faces usable" : "caps hide faces")
                + (choice.outOfReach() ? ", out of reach" : ", within reach");
        String standing = !usable || !sharp || !choice.inFrame() ? "broken" : choice.outOfReach() && good ? "kept" : "thin";
        return new HeightRow(Unit.METRES.format(choice.heightM()), choice.heightM(), Unit.DEGREES.format(choice.faceAngleDeg()),
                Unit.PX_PER_M.format(choice.densityPxPerM()),
                Double.isInfinite(choice.blindGroundM()) ? "all" : Unit.METRES.format(choice.blindGroundM()),
                choice.outOfReach(), chosen, standing, verdict);
    }

    private static List<String> cautions(Camera camera, Climb climb, Optional<Fixings> fixings) {
        List<String> cautions = new ArrayList<>();
        if (climb != Climb.NOTHING) {
            cautions.add((climb == Climb.STEPS ? "Steps" : "Ladder")
                    + " on firm, level ground, tied or footed; three points of contact. Stop in lightning or high wind.");
        }
        fixings.ifPresent(f -> cautions.addAll(f.cautions()));
        if (camera.model().power().onBattery()) {
            cautions.add("Lithium pack: the maker's charger only, never below freezing, never one that is swollen.");
        } else {
            cautions.add("No socket near? Mains work outdoors is for a licensed electrician and the local code.");
            cautions.add("Drip loop before the hole, hole sealed, adapter and joints kept dry.");
        }
        if (!camera.model().mount().outdoors()) {
            cautions.add("This model is for indoors. Keep cords at least a metre from a cot.");
        }
        return cautions;
    }
}
