package roofnest.app.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;

import tools.jackson.databind.json.JsonMapper;

import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.Judges;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.document.DocumentRefused;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Judgement;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;

/**
 * Variants of a household's plan and cameras: kept, judged again on today's promises, taken back. A camera is told by its
 * id, so that one that was only moved is the same camera in every column.
 */
@Service
class Variants {
    private final VariantRepository variants;
    private final CameraRepository cameras;
    private final PlanSteps steps;
    private final PlanDocument documents;
    private final Models models;
    private final Judges judges;
    private final JudgedHouseholds households;
    private final Changes changes;
    private final JsonMapper json = new JsonMapper();

    Variants(
            VariantRepository variants, CameraRepository cameras, PlanSteps steps, PlanDocument documents, Models models,
            Judges judges, JudgedHouseholds households, Changes changes) {
        this.variants = variants;
        this.cameras = cameras;
        this.steps = steps;
        this.documents = documents;
        this.models = models;
        this.judges = judges;
        this.households = households;
        this.changes = changes;
    }

    /** One camera of a kept variant. */
    record Kept(long id, String name, String model, CameraPose pose, List<String> masked, List<Zone> zones) {
        static Kept of(Camera camera) {
            return new Kept(camera.id(), camera.name(), camera.model().key(), camera.pose(),
                    camera.masked().stream().sorted().map(MaskCell::toString).toList(), camera.zones());
        }
    }

    /** @param id empty for what stands now */
    record Judged(Optional<Long> id, String name, HousePlan plan, List<Camera> cameras, Judgement judgement) {}

    /** Keeps what stands now. What is wrong with the name, or one variant too many, goes to the field; asked under the lock. */
    void keep(HouseholdRef ref, String name, Form form) {
        HouseholdFacts facts = households.of(ref.id()).facts();
        String plan = documents.write(facts.plan().orElseThrow(() -> new BadInput("The house has no plan yet.")));
        changes.run(ref, Stage.SURVEY, () -> {
            List<VariantRepository.Name> names = variants.names(ref.id());
            if (names.stream().anyMatch(other -> other.name().equalsIgnoreCase(name))) {
                form.fault("variantName", "A variant has this name already; choose another.");
            } else if (names.size() >= VariantRepository.MOST) {
                form.fault("variantName", "A house keeps " + VariantRepository.MOST + " variants; take one out first.");
            } else {
                variants.keep(ref.id(), name, plan, json.writeValueAsString(facts.cameras().stream().map(Kept::of).toList()), ref.by());
            }
        });
    }

    /** What stands now first, then each variant in the order it was kept, all judged on the same promises. */
    List<Judged> judged(long householdId, JudgedHousehold household) {
        List<Judged> judged = new ArrayList<>();
        HouseholdFacts facts = household.facts();
        judged.add(new Judged(Optional.empty(), "As it stands", facts.plan().orElseThrow(NoSuchPage::new), facts.cameras(),
                household.judgement()));
        for (VariantRepository.Variant variant : variants.of(householdId)) {
            HousePlan plan = plan(variant);
            List<Camera> then = cameras(variant, facts.cameras());
            HouseholdFacts changed = facts.withPlanAndCameras(plan, then);
            judged.add(new Judged(Optional.of(variant.id()), variant.name(), plan, then, judges.of(changed).again(changed)));
        }
        return judged;
    }

    /** Makes the variant what stands: its plan, and of its cameras those that still exist. */
    void take(HouseholdRef ref, long id) {
        VariantRepository.Variant variant = variants.find(ref.id(), id).orElseThrow(NoSuchPage::new);
        steps.take(ref.id(), documents.write(plan(variant)), "the variant “" + variant.name() + "” taken", ref.by(),
                steps.state(ref.id()).version());
        List<CameraRepository.Record> now = cameras.records(ref.id());
        List<Camera> stored = now.stream().map(CameraRepository.Record::camera).toList();
        for (Camera camera : cameras(variant, stored)) {
            now.stream().filter(record -> record.id() == camera.id()).findFirst().ifPresent(record -> {
                int aimed = cameras.aim(ref.id(), camera.id(), camera.pose(), record.version());
                int masked = cameras.mask(ref.id(), camera.id(), camera.masked(), aimed);
                cameras.zone(ref.id(), camera.id(), camera.zones(), masked);
            });
        }
    }

    private HousePlan plan(VariantRepository.Variant variant) {
        try {
            return documents.read(variant.plan());
        } catch (DocumentRefused e) {
            throw new IllegalStateException("a stored variant no longer reads", e);
        }
    }

    private List<Camera> cameras(VariantRepository.Variant variant, List<Camera> now) {
        return List.of(json.readValue(variant.cameras(), Kept[].class)).stream().map(kept -> camera(kept, now)).toList();
    }

    /** With the settings of the camera that is there now, since those belong to the camera and not to the spot. */
    private Camera camera(Kept kept, List<Camera> now) {
        Set<MaskCell> masked = kept.masked().stream().map(MaskCell::parse).collect(Collectors.toSet());
        return now.stream().filter(camera -> camera.id() == kept.id()).findFirst()
                .map(camera -> camera.withPose(kept.pose()).withMasked(masked).withZones(kept.zones()))
                .orElseGet(() -> new Camera(kept.id(), kept.name(), models.get(kept.model()), kept.pose(), masked, Camera.Settings.DEFAULT,
                        false, false, false, Optional.empty(), kept.zones()));
    }
}
