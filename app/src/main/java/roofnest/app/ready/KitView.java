package roofnest.app.ready;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.app.records.PriceBook;
import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.judge.Camera;
import roofnest.core.kit.KitList;
import roofnest.core.kit.Quotation;
import roofnest.core.plan.HousePlan;

/**
 * The kit of a job.
 *
 * @param title how much of it lies in the van
 */
record KitView(String title, List<Group> groups) {
    record Group(String name, List<Row> rows) {}

    /** @param by who saw it in the van; empty when nobody did */
    record Row(String key, String what, int quantity, String why, boolean inVan, String by) {}

    static List<KitList.Line> kit(Frame frame) {
        Optional<HousePlan> plan = frame.facts().plan();
        return KitList.of(frame.cameras().stream().filter(record -> !record.camera().mounted())
                .map(record -> item(record, plan, frame)).toList(), frame.facts().practice());
    }

    private static KitList.Item item(CameraRepository.Record record, Optional<HousePlan> plan, Frame frame) {
        Camera camera = record.camera();
        return new KitList.Item(camera.name(), camera.model(), camera.settings().cardGb(), frame.judge().overFootM(camera),
                record.fixings(plan), frame.judge().lead(camera, frame.facts().practice()),
                frame.judge().bores(camera, frame.facts().practice()));
    }

    static KitView of(List<KitList.Line> kit, Map<String, String> checked) {
        Map<KitList.Group, List<Row>> rows = new LinkedHashMap<>();
        Arrays.stream(KitList.Group.values()).forEach(group -> rows.put(group, new ArrayList<>()));
        kit.forEach(line -> rows.get(line.group()).add(new Row(line.key(), line.what(), line.quantity(), line.why(),
                checked.containsKey(line.key()), checked.getOrDefault(line.key(), ""))));
        long inVan = kit.stream().filter(line -> checked.containsKey(line.key())).count();
        String title = kit.isEmpty() ? "Nothing to bring: no camera is left to hang"
                : inVan == kit.size() ? "Everything lies in the van" : inVan + " of " + kit.size() + " lie in the van";
        return new KitView(title, rows.entrySet().stream().filter(entry -> !entry.getValue().isEmpty())
                .map(entry -> new Group(entry.getKey().words(), entry.getValue())).toList());
    }
}
