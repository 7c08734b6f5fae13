package roofnest.app.survey;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

import roofnest.app.web.Says;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.BadInput;
import roofnest.app.web.StaleEdit;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.judge.Camera;
import roofnest.core.plan.PlanPoint;
import roofnest.core.promise.Stage;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Projection;
import roofnest.core.view.Zone;
import roofnest.core.view.ZoneShapes;

/** The chosen camera on the board: poses tried and saved, cells masked, zones drawn. Each answers with the moving part. */
@Controller
@RequestMapping("/households/{household}/survey/cameras/{camera}")
class AimController {
    private static final int LONGEST_TOKEN = 64;

    private final Changes changes;
    private final CameraRepository cameras;
    private final Boards boards;
    private final JudgedHouseholds households;

    AimController(Changes changes, CameraRepository cameras, Boards boards, JudgedHouseholds households) {
        this.changes = changes;
        this.cameras = cameras;
        this.boards = boards;
        this.households = households;
    }

    @ModelAttribute
    void path(HouseholdRef ref, Model model) {
        model.addAttribute("householdPath", ref.path());
    }

    /** A cell to black out, or to show again. @param token of the save */
    record Cell(String cell, boolean masked, int version, String token, Map<String, String> look) {}

    /**
     * A zone, drawn in the picture or on the plan.
     *
     * @param corners as shares of the picture, [across, down]
     * @param outline on the plan in metres, [x, y] with y downwards
     * @param remove the zone to take out, by its place in the list
     * @param of how many zones the list had
     * @param whole all zones as they are to be, for undoing
     * @param token of the save
     */
    record ZoneDrawn(List<double[]> corners, List<double[]> outline, Integer remove, Integer of, List<Whole> whole, int version,
            String token,
            Map<String, String> look) {}

    record Whole(String name, List<double[]> corners) {}

    /** Judges a pose that is being tried; saves nothing. */
    @PostMapping("/try")
    String tryPose(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestBody Boards.Tried tried, Model model) {
        model.addAttribute("live", boards.tried(ref, cameraId, tried.pose(), tried.asked()));
        return "survey :: live";
    }

    /** Saves a pose, unless somebody else saved the camera since this page took it. */
    @PutMapping("/pose")
    String savePose(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestBody Boards.Tried tried, Model model) {
        save(ref, cameraId, tried.token(), () -> cameras.aimOnPlan(ref.id(), cameraId, tried.pose(), tried.version()));
        return live(ref, cameraId, tried.asked(), model);
    }

    /** Blacks out what shows a place that is promised never to be shown, or takes the mask off again. */
    @PostMapping("/mask")
    @Says("The picture is masked as asked.")
    String mask(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestParam boolean on) {
        JudgedHousehold household = households.of(ref.id());
        CameraRepository.Record stored = household.camera(cameraId);
        Set<MaskCell> cells = on ? boards.masked(household, stored.camera()) : Set.of();
        changes.run(ref, Stage.SURVEY, () -> cameras.mask(ref.id(), cameraId, cells, stored.version()));
        return "redirect:" + ref.path() + "/survey?camera=" + cameraId;
    }

    @PutMapping("/cell")
    String cell(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestBody Cell asked, Model model) {
        save(ref, cameraId, asked.token(), () -> {
            Camera camera = cameras.get(ref.id(), cameraId).camera();
            Set<MaskCell> cells = new HashSet<>(camera.masked());
            MaskCell cell = cell(camera, asked.cell());
            if (asked.masked()) {
                cells.add(cell);
            } else {
                cells.remove(cell);
            }
            cameras.mask(ref.id(), cameraId, cells, asked.version());
        });
        return live(ref, cameraId, Look.of(asked.look()), model);
    }

    @PutMapping("/zones")
    String zones(HouseholdRef ref, @PathVariable("camera") long cameraId, @RequestBody ZoneDrawn drawn, Model model) {
        save(ref, cameraId, drawn.token(), () -> {
            Camera camera = cameras.get(ref.id(), cameraId).camera();
            cameras.zone(ref.id(), cameraId, zones(camera, drawn), drawn.version());
        });
        return live(ref, cameraId, Look.of(drawn.look()), model);
    }

    /** A save whose answer was lost is sent again with its token; it is made once all the same. */
    private void save(HouseholdRef ref, long cameraId, String token, Runnable change) {
        if (token != null && token.length() > LONGEST_TOKEN) {
            throw new BadInput("That save cannot be told from others. Reload the page.");
        }
        changes.step(ref, Stage.SURVEY, () -> {
            try {
                change.run();
            } catch (StaleEdit | BadInput refused) {
                if (cameras.isSaved(ref.id(), cameraId, token)) {
                    return false;
                }
                throw refused;
            }
            cameras.signSave(ref.id(), cameraId, token, ref.by());
            return true;
        });
    }

    private static List<Zone> zones(Camera camera, ZoneDrawn drawn) {
        AlertSpec alerts = camera.model().alerts();
        if (drawn.whole() != null) {
            if (drawn.whole().contains(null) || drawn.whole().size() > ZoneShapes.most(alerts)) {
                throw new BadInput("Those are not zones that this model has. Reload the page.");
            }
            return ZoneShapes.fitted(alerts, drawn.whole().stream().map(whole -> zone(whole.name(), whole.corners())).toList());
        }
        List<Zone> zones = new ArrayList<>(camera.zones());
        if (drawn.remove() != null) {
            boolean another = drawn.of() != null && drawn.of() != zones.size();
            if (another || drawn.remove() < 0 || drawn.remove() >= zones.size()) {
                throw new BadInput("That zone is no longer there. Reload the page.");
            }
            zones.remove((int) drawn.remove());
            return zones;
        }
        if (alerts.zones() == 0) {
            throw new BadInput(camera.model().fullName() + " has no zones.");
        }
        zones.add(zone(camera, drawn, "zone " + (zones.size() + 1)));
        if (zones.size() > ZoneShapes.most(alerts)) {
            throw new BadInput("This model has " + alerts.zones() + (alerts.zones() == 1 ? " zone" : " zones") + "; take one out first.");
        }
        List<Zone> fitted = ZoneShapes.fitted(alerts, zones);
        if (fitted.equals(camera.zones())) {
            throw new BadInput("No more of its cells has its middle in there; draw it larger.");
        }
        return fitted;
    }

    private static MaskCell cell(Camera camera, String name) {
        try {
            MaskCell cell = MaskCell.parse(name);
            if (cell.column() < camera.model().mask().columns() && cell.row() < camera.model().mask().rows()) {
                return cell;
            }
        } catch (IllegalArgumentException e) {
            // Told below.
        }
        throw new BadInput(camera.model().mask().canMask() ? "The picture has no cell of that name."
                : camera.model().fullName() + " cannot black out parts of its picture.");
    }

    private static Zone zone(Camera camera, ZoneDrawn drawn, String name) {
        try {
            if (drawn.corners() != null) {
                return zone(name, drawn.corners());
            }
            List<PlanPoint> outline
                    = drawn.outline() == null ? List.of() : drawn.outline().stream().map(pair -> new PlanPoint(pair[0], -pair[1])).toList();
            Optional<Zone> zone = outline.size() < 3 ? Optional.empty()
                    : Zone.fromPlan(name, outline, new Projection(camera.model().lens(), camera.pose()));
            return zone.orElseThrow(
                    () -> new BadInput("That piece of ground is not in this camera's picture; turn the camera or draw it elsewhere."));
        } catch (IllegalArgumentException e) {
            throw BadInput.of(e);
        } catch (ArrayIndexOutOfBoundsException e) {
            throw new BadInput("A corner is two numbers.");
        }
    }

    private String live(HouseholdRef ref, long cameraId, Look look, Model model) {
        model.addAttribute("live", boards.stored(ref, cameraId, look));
        return "survey :: live";
    }

    private static Zone zone(String name, List<double[]> corners) {
        try {
            return new Zone(name, corners.stream().map(pair -> new Zone.Corner(pair[0], pair[1])).toList());
        } catch (IllegalArgumentException e) {
            throw BadInput.of(e);
        } catch (ArrayIndexOutOfBoundsException | NullPointerException e) {
            throw new BadInput("A corner is two numbers.");
        }
    }
}
