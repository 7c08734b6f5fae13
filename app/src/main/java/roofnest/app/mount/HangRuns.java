package roofnest.app.mount;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Supplier;

import org.springframework.stereotype.Service;

import roofnest.app.records.MountPhotoRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.ReadingRepository;
import roofnest.app.records.SpotLookRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Photograph;
import roofnest.core.catalogue.Climb;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.mount.Fixings;
import roofnest.core.mount.HangScript;
import roofnest.core.mount.HangScript.Answer;
import roofnest.core.mount.HangScript.Shape;
import roofnest.core.mount.HangScript.Step;
import roofnest.core.mount.SpotLook;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;
import roofnest.core.radio.Reading;
import roofnest.standins.hanging.HangBench;
import roofnest.standins.hanging.HangBench.Hidden;

/**
 * Hanging a camera step by step. What is answered in a real run is written down where everything else finds it: the look at the foot,
 * the signal at the spot, that it hangs. Of a rehearsal nothing is.
 */
@Service
class HangRuns {
    private final Changes changes;
    private final JudgedHouseholds judged;
    private final CameraRepository cameras;
    private final SpotLookRepository looks;
    private final ReadingRepository readings;
    private final PoseReadingRepository poses;
    private final MountPhotoRepository photos;
    private final HangRunRepository runs;

    HangRuns(Changes changes, JudgedHouseholds judged, CameraRepository cameras, SpotLookRepository looks, ReadingRepository readings,
            PoseReadingRepository poses, MountPhotoRepository photos, HangRunRepository runs) {
        this.changes = changes;
        this.judged = judged;
        this.cameras = cameras;
        this.looks = looks;
        this.readings = readings;
        this.poses = poses;
        this.photos = photos;
        this.runs = runs;
    }

    /** A run as it stands. @param bench of a rehearsal */
    record Open(HangRunRepository.Run run, HangScript script, HangScript.State state, List<HangRunRepository.Row> rows,
            Optional<HangBench> bench) {
        boolean ended() {
            return run.endedAt().isPresent();
        }

        /** As it would stand at another step. */
        Open at(Step step) {
            return new Open(run, script, new HangScript.State(step, state.answered()), rows, bench);
        }
    }

    Optional<Open> open(long householdId, long cameraId, boolean standIns) {
        return runs.newest(householdId, cameraId, standIns).map(this::open);
    }

    private Open open(HangRunRepository.Run run) {
        HangScript script = new HangScript(run.shape());
        List<HangRunRepository.Row> rows = runs.rows(run.id());
        return new Open(run, script, script.replay(HangRunRepository.events(rows)), rows,
                run.hidden().map(hidden -> new HangBench(hidden, script)));
    }

    /** What hanging this camera consists of, by what is known of it now. */
    static Shape shape(JudgedHousehold household, CameraRepository.Record record, boolean there) {
        Camera camera = record.camera();
        Optional<Fixings> fixings = record.fixings(household.facts().plan());
        Climb climb = household.facts().practice().climb(household.judge().overFootM(camera));
        boolean drills = fixings.map(fixing -> fixing.screws() > 0).orElse(camera.model().mount().screws() > 0);
        boolean plugs = drills && fixings.map(fixing -> fixing.edgeMm() > 0).orElse(false);
        return new Shape(climb != Climb.NOTHING, drills, plugs, !camera.model().power().onBattery(), there && !camera.joined());
    }

    /** Why a camera may not be joined only at its place; empty where its signal there was read and is strong. */
    static Optional<String> notThere(JudgedHousehold household, Camera camera) {
        boolean strong = household.judgement().promises().stream()
                .anyMatch(each -> each.promise() instanceof Promise.HoldsLink link && link.cameraId() == camera.id()
                        && each.finding().standing() == Standing.KEPT && each.finding().evidence() == Evidence.READ);
        return strong ? Optional.empty() : Optional.of("Its signal there is not read, or not strong: join it beside the router first.");
    }

    /** @param there whether it is joined at its place */
    void begin(HouseholdRef ref, long cameraId, boolean standIns, boolean there, Optional<Hidden> chosen, long seed) {
        work(ref, standIns, () -> {
            JudgedHousehold household = judged.of(ref.id());
            CameraRepository.Record record = household.camera(cameraId);
            if (!standIns && record.camera().mounted()) {
                throw new Conflict(record.camera().name() + " hangs already.");
            }
            if (!standIns && !record.camera().joined()) {
                if (!there) {
                    throw new Conflict(
                            "It is not joined yet. Pair it first; or join it at its place, where its signal was read and is strong.");
                }
                notThere(household, record.camera()).ifPresent(why -> {
                    throw new Conflict(why);
                });
            }
            if (runs.newest(ref.id(), cameraId, standIns).filter(run -> run.endedAt().isEmpty()).isPresent()) {
                throw new Conflict("It is being hung already: go on from there.");
            }
            Shape shape = shape(household, record, there);
            HangScript script = new HangScript(shape);
            Optional<Hidden> hidden = standIns ? chosen.filter(each -> each.fits(script)).or(() -> Optional.of(HangBench.by(seed, script)))
                    : Optional.empty();
            return runs.begin(ref.id(), cameraId, shape, hidden, ref.by());
        });
    }

    /**
     * Takes an answer.
     *
     * @param seen how many events the page knew; empty from a page that was taken along, which is known by its step alone
     * @param dbm read at the spot, if any was
     * @return what the stand-in shows against it; empty when it was taken
     */
    Optional<String> answer(HouseholdRef ref, long cameraId, boolean standIns, String stepSlug, String answerId, OptionalInt seen,
            OptionalDouble dbm) {
        return standIns ? changes.aside(ref.id(), () -> rehearsed(ref, cameraId, stepSlug, answerId, seen))
                : changes.make(ref, Stage.MOUNT, () -> real(ref, cameraId, stepSlug, answerId, seen, dbm));
    }

    private Optional<String> rehearsed(HouseholdRef ref, long cameraId, String stepSlug, String answerId, OptionalInt seen) {
        Open open = going(ref, cameraId, true, seen);
        Answer answer = asked(open, stepSlug, answerId);
        Step step = open.state().step();
        HangBench bench = open.bench().orElseThrow();
        boolean against = bench.against(step, answerId, open.state().answered());
        runs.answered(open.run().id(), open.rows().size() + 1, step, answerId, against, "", ref.by());
        if (!against && answer.next() == Step.DONE) {
            runs.end(open.run().id());
        }
        return against ? Optional.of(bench.shows(step, open.state().answered())) : Optional.empty();
    }

    private Optional<String> real(HouseholdRef ref, long cameraId, String stepSlug, String answerId, OptionalInt seen, OptionalDouble dbm) {
        Open open = going(ref, cameraId, false, seen);
        Answer answer = asked(open, stepSlug, answerId);
        Step step = open.state().step();
        JudgedHousehold household = judged.of(ref.id());
        CameraRepository.Record record = household.camera(cameraId);
        String note = "";
        switch (step) {
            case FOOT -> {
                // Whoever has the camera's page open is told that somebody looked meanwhile.
                cameras.touch(ref.id(), cameraId, record.version());
                looks.keep(ref.id(), cameraId, new SpotLook(answerId.equals("lines"), !answerId.equals("soft"),
                        record.planned().onPlan(), record.planned().heightM(), ref.by()));
            }
            case JOIN -> requireJoined(record);
            case HOLD -> {
                if (answerId.equals("live")) {
                    requireJoined(record);
                    note = read(ref, household, record, dbm);
                }
            }
            case STILL -> {
                boolean read = poses.find(ref.id(), cameraId).filter(row -> row.at().isAfter(open.run().startedAt())
                        && row.stands(record, household.facts().plan())).isPresent();
                if (answerId.equals("read") && !read) {
                    throw new BadInput("No still of this hanging has been read yet, or what was read no longer stands. Read it, or answer "
                            + "“later”.");
                }
            }
            case PHOTO -> {
                boolean taken = photos.find(ref.id(), cameraId).filter(photo -> photo.at().isAfter(open.run().startedAt())).isPresent();
                if (answerId.equals("taken") && !taken) {
                    throw new BadInput("No photo of it was kept in this run yet.");
                }
            }
            default -> {
                // Only that it was answered is kept.
            }
        }
        runs.answered(open.run().id(), open.rows().size() + 1, step, answerId, false, note, ref.by());
        if (answer.next() == Step.DONE) {
            requireJoined(record);
            cameras.markMounted(ref.id(), cameraId);
            runs.end(open.run().id());
        }
        return Optional.empty();
    }

    /** The signal at the spot is a reading like any other, and bends the map. */
    private String read(HouseholdRef ref, JudgedHousehold household, CameraRepository.Record record, OptionalDouble dbm) {
        if (dbm.isEmpty()) {
            return "";
        }
        if (readings.count(ref.id()) >= ReadingRepository.MOST) {
            throw new BadInput("There are " + ReadingRepository.MOST + " readings already: take out old ones at Survey first.");
        }
        readings.add(ref.id(), List.of(Reading.ofFigure(record.planned().lens(), HouseholdJudge.bandOf(record.camera(), household.facts()),
                dbm.getAsDouble())), ref.by());
        return Math.round(dbm.getAsDouble()) + " dBm at the spot";
    }

    /** A rehearsal brings the household no stage farther. */
    private <T> T work(HouseholdRef ref, boolean standIns, Supplier<T> work) {
        return standIns ? changes.aside(ref.id(), work) : changes.unjudged(ref, Stage.MOUNT, work);
    }

    void undo(HouseholdRef ref, long cameraId, boolean standIns, OptionalInt seen) {
        work(ref, standIns, () -> {
            Open open = going(ref, cameraId, standIns, seen);
            if (open.state().answered().isEmpty()) {
                throw new Conflict("Nothing was answered yet.");
            }
            runs.undone(open.run().id(), open.rows().size() + 1, ref.by());
            return null;
        });
    }

    /** Gives a rehearsal up; what was hidden is told. */
    void giveUp(HouseholdRef ref, long cameraId) {
        changes.aside(ref.id(), () -> {
            runs.newest(ref.id(), cameraId, true).filter(run -> run.endedAt().isEmpty()).ifPresent(run -> runs.end(run.id()));
            return null;
        });
    }

    void photo(HouseholdRef ref, long cameraId, byte[] sent) {
        byte[] drawn = Photograph.drawnAnew(sent);
        changes.unjudged(ref, Stage.MOUNT, () -> {
            cameras.get(ref.id(), cameraId);
            photos.keep(ref.id(), cameraId, drawn, ref.by());
            return null;
        });
    }

    private static void requireJoined(CameraRepository.Record record) {
        if (!record.camera().joined()) {
            throw new BadInput("It is not joined yet, so that it shows no picture. Its run at Pair says when it is.");
        }
    }

    private Open going(HouseholdRef ref, long cameraId, boolean standIns, OptionalInt seen) {
        Open open = open(ref.id(), cameraId, standIns).filter(each -> !each.ended())
                .orElseThrow(() -> new Conflict("This run is over. Begin another if it is to be hung again."));
        if (seen.isPresent() && open.rows().size() != seen.getAsInt()) {
            throw new Conflict("The run has moved on meanwhile, on another phone or in another window. It now stands at “"
                    + open.state().step().title() + "”.");
        }
        return open;
    }

    private static Answer asked(Open open, String stepSlug, String answerId) {
        if (!open.state().step().slug().equals(stepSlug)) {
            throw new Conflict("The run now stands at “" + open.state().step().title() + "”.");
        }
        return open.script().answer(open.state().step(), answerId)
                .orElseThrow(() -> new BadInput("That is not one of the answers to this step."));
    }
}
