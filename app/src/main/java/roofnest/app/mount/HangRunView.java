package roofnest.app.mount;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.cable.CableWay;
import roofnest.core.catalogue.Climb;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.CableRun;
import roofnest.core.mount.Fixings;
import roofnest.core.mount.Footing;
import roofnest.core.mount.HangScript.Step;
import roofnest.core.radio.LinkBudget;

/**
 * A run of hanging as its page shows it.
 *
 * @param lines what to do at this step
 * @param events how many the page knows of
 * @param ahead whether it is drawn for a phone without a line, at a step that may follow
 * @param bench what shows on the stand-in; empty in a real run
 * @param debrief of a rehearsal that ended
 */
record HangRunView(String step, String title, List<String> lines, List<Link> links, List<Reply> answers, int events, boolean asksSignal,
        boolean asksPhoto, boolean canUndo, String kept, List<String> history, boolean ended, boolean standIns, Optional<String> bench,
        Optional<String> debrief, boolean ahead) {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    record Link(String words, String path) {}

    record Reply(String id, String label, int key) {}

    static HangRunView of(Frame frame, CameraRepository.Record record, HangRuns.Open now, boolean photo,
            Optional<Step> ahead) {
        HangRuns.Open open = ahead.map(now::at).orElse(now);
        Step step = open.state().step();
        List<Reply> answers = new ArrayList<>();
        if (!open.ended()) {
            open.script().answers(step).forEach(answer -> answers.add(new Reply(answer.id(), answer.label(), answers.size() + 1)));
        }
        boolean standIns = open.run().onStandIns();
        boolean keeps = !standIns && !open.state().answered().isEmpty()
                && List.of(Step.FOOT, Step.HOLD).contains(open.state().answered().get(open.state().answered().size() - 1).step());
        return new HangRunView(step.slug(), step.title(), lines(frame, record, open), links(frame, record, step, standIns), answers,
                open.rows().size(), step == Step.HOLD && !standIns, step == Step.PHOTO && !standIns,
                !open.ended() && !open.state().answered().isEmpty(),
                keeps ? "What was written down with the answer before, a look or a reading, stays until it is changed at Mount or Survey."
                        : photo && step == Step.PHOTO ? "A photo is kept." : "",
                history(open), open.ended(), standIns,
                open.bench().filter(bench -> !open.ended()).map(bench -> bench.shows(step, open.state().answered())
                        + (step == Step.HOLD ? heard(frame, record.camera()) : "")),
                open.bench().filter(bench -> open.ended()).map(bench -> debrief(open)), ahead.isPresent());
    }

    private static String debrief(HangRuns.Open open) {
        long against = open.rows().stream().filter(HangRunRepository.Row::against).count();
        boolean through = open.state().step() == Step.DONE;
        boolean found = open.bench().orElseThrow().found(open.state().answered());
        String hidden = open.bench().orElseThrow().fault().words();
        return (through ? "Hung on stand-ins. " : "Given up before the end. ") + "Hidden in it: " + hidden
                + (found ? ", and it was noticed. "
                        : hidden.startsWith("nothing") ? ". " : ", and it was not noticed. ")
                + (against == 0 ? "No answer went against what was to be seen." : against + (against == 1 ? " answer" : " answers")
                        + " went against what was to be seen.")
                + " Nothing of it counts for the real one.";
    }

    private static List<String> history(HangRuns.Open open) {
        return open.rows().stream().map(row -> TIME.format(row.at()) + " " + row.by() + ": " + row.step().map(step -> step.title() + ", "
                + open.script().answer(step, row.answer()).map(answer -> answer.label()).orElse(row.answer())
                + (row.note().isEmpty() ? "" : ", " + row.note())
                + (row.against() ? " (not what was to be seen)" : "")).orElse("taken back")).toList();
    }

    private static List<Link> links(Frame frame, CameraRepository.Record record, Step step, boolean standIns) {
        String base = frame.path() + "/mount/" + record.id();
        return switch (step) {
            case JOIN -> List.of(new Link("Its run at Pair", frame.path() + "/pair"));
            case NOT_HERE -> List.of(new Link("The wall: another height", base + "/wall"), new Link("Another spot, at Survey",
                    frame.path() + "/survey?camera=" + record.id() + "&panel=spots"));
            case NO_PICTURE -> List.of(new Link("Signal and spots at Survey", frame.path() + "/survey?camera=" + record.id()));
            case MARK -> record.camera().model().mount().holes().isEmpty() ? List.of()
                    : List.of(new Link("Template, A4", base + "/template.pdf"),
                            new Link("Template, Letter", base + "/template.pdf?paper=letter"));
            case OTHER_WALL -> List.of(new Link("Say at Mount what the wall is", frame.path() + "/mount"));
            case FASTEN -> List.of(new Link("What holds without a hole", base + "/wall#bare"));
            case LEAD, TOO_SHORT -> List.of(new Link("The way of the lead", base + "/wall#lead"));
            case STILL -> List.of(new Link("Read its still", base + "/hangs" + (standIns ? "?standIns=true" : "")));
            default -> List.of();
        };
    }

    private static List<String> lines(Frame frame, CameraRepository.Record record, HangRuns.Open open) {
        Camera camera = record.camera();
        Optional<Fixings> fixings = record.fixings(frame.facts().plan());
        Optional<CableWay> way = frame.judge().cable(camera, frame.facts().practice());
        return switch (open.state().step()) {
            case DAY -> List.of("Look outside before anything is carried up: wind, ice, thunder. Nobody can read that here.");
            case NOT_TODAY -> List.of("The work at height waits: in wind that moves branches, on ice, or while thunder is heard. "
                    + "What is done from the ground goes on.");
            case FOOT -> foot(frame, camera);
            case NOT_HERE -> List.of("Overhead lines: stay clear with everything that is carried, and have their operator asked. Soft or "
                    + "sloping ground: another place for the foot, boards under it do not make it level.",
                    "Or hang it where it is worked on from the ground, or elsewhere.");
            case JOIN -> List.of("At its place, on its own power. Nothing is drilled before it is joined.");
            case HOLD -> List.of("Hold it at " + Numbers.fixed(camera.pose().heightM(), 2)
                    + " m, the way it is to look, and look at the live picture.", signal(frame, camera));
            case NO_PICTURE -> List.of("Do not drill. A hand’s width can be enough: higher, out from the pipe, turned from the sun. Or "
                    + "another spot.");
            case MARK -> List.of("Template with its arrow up, level by the bubble. Mark every hole"
                    + (fixings.filter(f -> f.edgeMm() > 0).map(f -> ", " + f.edgeMm() + " mm or more from edges and joints").orElse(""))
                    + ".");
            case DRILL -> drill(fixings);
            case OTHER_WALL ->
                List.of("Say what it really is; anchor, bit and depth follow. Old boards that may hold asbestos stop the drill.");
            case PLUG -> List.of(fixings.map(Fixings::anchor).orElse("Plugs") + ": pushed in by hand and tapped, flush with what carries.");
            case PLUG_TURNS ->
                List.of("The next size, one made for this wall, or another hole ten plug widths away. Filler does not carry.");
            case PLATE -> List.of(fixings.map(f -> f.screws() + " screws").orElse("All screws")
                    + ", the upper ones first; level, arrow up, tight but not sunk in.");
            case FASTEN -> List.of(fixings.map(Fixings::anchor).map(HangRunView::sentence).orElse("Nothing here holds a screw."),
                    "A clamp, strap, plate or legs as the wall’s page says, and a cord to something firm besides.");
            case LEAD -> lead(way, camera);
            case TOO_SHORT -> List.of(way
                    .map(w -> "By the plan it takes " + Numbers.fixed(w.run(camera.model().power().leadM()).lengthM(), 1)
                            + " m with slack, " + Numbers.fixed(w.run(camera.model().power().leadM()).beyondLeadM(), 1)
                            + " m more than its own lead.")
                    .orElse("The plan knows no way for it."), "No joint out of doors without its box; never a plug in the rain.");
            case CLICK -> List.of("Hook it in until it clicks; its light on top, so that the picture stands upright.");
            case TUG -> List.of("Pull with one hand, down and sideways, as hard as a child hanging on it would.");
            case STILL -> List.of("Take a still in its app and read from it how it hangs; turn it as the page draws it.");
            case PHOTO -> List.of("For the call in a year: plate, loop, and what is round it.");
            case DONE -> List.of();
        };
    }

    private static String sentence(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1) + ".";
    }

    private static List<String> foot(Frame frame, Camera camera) {
        Optional<Footing> footing = frame.judge().house()
                .flatMap(house -> house.footing(camera.pose(), frame.facts().practice().climb(house.overFootM(camera.pose()))));
        List<String> lines = new ArrayList<>();
        footing.ifPresent(foot -> {
            lines.add(foot.climb() == Climb.LADDER ? "A ladder of " + Numbers.fixed(Math.ceil(foot.ladderM() * 10) / 10, 1)
                    + " m or longer, its feet " + Numbers.fixed(foot.outM(), 2) + " m out" + (foot.two() ? "; two people." : "; somebody "
                            + "to foot it.")
                    : "Steps, " + Numbers.fixed(foot.outM(), 1) + " m before the wall.");
            foot.against().forEach(against -> lines.add(sentence("The plan: " + against.words())));
        });
        lines.add("Look up for overhead lines within reach of what is carried; look down for firm, dry, level ground.");
        return lines;
    }

    private static String signal(Frame frame, Camera camera) {
        Optional<LinkBudget> link = frame.judge().link(frame.facts(), camera);
        return link.map(budget -> "The plan says " + Numbers.fixed(budget.downDbm(), 0) + " ± " + Numbers.fixed(budget.sigmaDb(), 0)
                + " dBm there; two bars begin at " + Numbers.fixed(LinkBudget.TWO_BARS_DBM, 0)
                + " dBm. Read it with the phone at the lens.")
                .orElse("Read the signal with the phone at the lens.");
    }

    /** What the stand-in's phone reads there: the bars that the plan says. */
    private static String heard(Frame frame, Camera camera) {
        return frame.judge().link(frame.facts(), camera).map(budget -> " The phone reads " + Numbers.fixed(budget.downDbm(), 0) + " dBm.")
                .orElse("");
    }

    private static List<String> drill(Optional<Fixings> fixings) {
        List<String> lines = new ArrayList<>();
        fixings.ifPresent(fix -> {
            lines.add((fix.drillMm() > 0 ? Numbers.plain(fix.drillMm()) + " mm, " : "") + fix.bit() + ", " + fix.depthMm() + " mm deep, "
                    + fix.screws() + " holes.");
            lines.addAll(fix.cautions());
        });
        lines.add("Eyes shielded; nothing live, wet or old behind: if in doubt, do not drill.");
        return lines;
    }

    private static List<String> lead(Optional<CableWay> way, Camera camera) {
        List<String> lines = new ArrayList<>();
        way.ifPresent(w -> lines.add(Numbers.fixed(w.alongM(), 1) + " m from the " + w.socket().name() + ", "
                + Numbers.fixed(w.run(camera.model().power().leadM()).lengthM(), 1) + " m of lead with slack, "
                + (w.bores().isEmpty() ? "no hole." : w.bores().size() == 1 ? "one hole." : w.bores().size() + " holes.")));
        lines.add("Clips every " + Numbers.fixed(100 * CableRun.CLIP_SPACING_M, 0)
                + " cm, the last within a hand’s width of the camera; a loop below it, so that water drips off; holes sealed.");
        return lines;
    }
}
