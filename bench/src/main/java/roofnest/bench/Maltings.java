package roofnest.bench;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import roofnest.core.access.Access;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.document.DocumentRefused;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.view.CameraPose;

/** The demo's largest house: 3 storeys, 140 walls, 8 cameras, 20 places, 10 paths, 33 written promises. */
final class Maltings {
    private Maltings() {}

    static HousePlan plan() {
        try {
            return new PlanDocument().read(text("/demo/plans/maltings.json"));
        } catch (DocumentRefused e) {
            throw new IllegalStateException(e);
        }
    }

    static HouseholdFacts facts() {
        return new HouseholdFacts(Optional.of(plan()), cameras(), written(), Optional.empty(), 0, new Access(List.of(), List.of()),
                List.of(),
                Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false);
    }

    private static List<Camera> cameras() {
        Catalogue catalogue = Catalogue.shipped();
        List<Camera> cameras = new ArrayList<>();
        for (JsonNode cam : cast().path("cameras")) {
            JsonNode p = cam.path("pose");
            CameraPose pose = new CameraPose(p.path(0).asDouble(), p.path(1).asDouble(), p.path(2).asDouble(), p.path(3).asDouble(),
                    p.path(4).asDouble());
            cameras.add(
                    new Camera(cameras.size() + 1, cam.path("name").asString(), catalogue.get(cam.path("model").asString()), pose, Set.of(),
                            Camera.Settings.DEFAULT, false, false, false, Optional.of(LocalDate.of(2026, 11, 1))));
        }
        return cameras;
    }

    private static List<Promise> written() {
        List<Promise> written = new ArrayList<>();
        cast().path("makeOut").forEach(wish -> written.add(new Promise.MakeOut(PromiseKey.written(written.size() + 1),
                DetailLevel.valueOf(wish.path(0).asString()), wish.path(1).asString(), Light.valueOf(wish.path(2).asString()))));
        cast().path("recordedBefore").forEach(wish -> written.add(new Promise.RecordedBefore(PromiseKey.written(written.size() + 1),
                DetailLevel.valueOf(wish.path(0).asString()), wish.path(1).asString(), wish.path(2).asString())));
        cast().path("neverShows")
                .forEach(area -> written.add(new Promise.NeverShows(PromiseKey.written(written.size() + 1), area.asString())));
        return written;
    }

    private static JsonNode cast() {
        return new JsonMapper().readTree(text("/demo/maltings-cast.json"));
    }

    private static String text(String resource) {
        try (InputStream in = Maltings.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
