package roofnest.core.judge;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.Reading;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/**
 * What the tests of the rules share: a house, an open field where a lens of 1920 pixels across 104° draws 750 pixels a metre at
 * one metre, cameras that hang there, and one promise judged.
 */
final class Judging {
    static final LocalDate TODAY = LocalDate.of(2026, 12, 3);
    static final PromiseKey KEY = PromiseKey.written(1);
    static final double PX_AT_ONE_METRE = 960 / Math.tan(Math.toRadians(52));
    static final HousePlan HOUSE = WeirSteps.plan();
    static final HousePlan FIELD = HOUSE.withStoreys(List.of(HOUSE.storeys().get(0))).withWalls(List.of()).withPaths(List.of());

    private Judging() {}

    static Optional<LinkBudget> link(CameraPose pose) {
        Camera camera = post(pose);
        HouseholdFacts facts = facts(HOUSE, List.of(), camera);
        return HouseholdJudge.of(facts).link(facts, camera);
    }

    static Finding madeOut(double distanceM, DetailLevel level, Light light) {
        return finding(facts(field(distanceM), List.of(new Promise.MakeOut(KEY, level, "spot", light)), post(east(1.6))), KEY);
    }

    static Finding only(Access access) {
        HouseholdFacts facts = facts(HOUSE, List.of(new Promise.OnlyThese(KEY)), post(door()));
        return finding(new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 0, access, List.of(),
                facts.climate(), TODAY, false), KEY);
    }

    /** An open field with one place, so far to the east of where the camera stands. */
    static HousePlan field(double distanceM) {
        return FIELD.withPlaces(List.of(new Place("spot", "spot", new PlanPoint(distanceM, 0), 0)));
    }

    static CameraPose east(double heightM) {
        return new CameraPose(0, 0, heightM, 90, 0);
    }

    static CameraPose door() {
        return new CameraPose(11.4, 2.0, 2.4, 60, 12);
    }

    static Camera post(CameraPose pose) {
        return new Camera(7, "Eye", model("dunmark-post"), pose, Set.of(), Camera.Settings.DEFAULT, false, false, false, Optional.empty());
    }

    static Camera camera(long id, String model, CameraPose pose) {
        return new Camera(id, id == 7 ? "Eye" : "Eye " + id, model(model), pose, Set.of(), Camera.Settings.DEFAULT, false, false, false,
                Optional.empty());
    }

    static Camera joined(boolean ownPassword) {
        return new Camera(7, "Eye", model("dunmark-post"), door(), Set.of(), Camera.Settings.DEFAULT, true, ownPassword, false,
                Optional.empty());
    }

    static Camera.Settings settings(int clipSeconds, int cardGb, double visitsPerDay) {
        return new Camera.Settings(clipSeconds, 0, cardGb, visitsPerDay, 4, 0.7, 90);
    }

    static DeviceModel model(String key) {
        return Catalogue.shipped().get(key);
    }

    static Set<MaskCell> allCells(DeviceModel model) {
        Set<MaskCell> cells = new HashSet<>();
        for (int column = 0; column < model.mask().columns(); column++) {
            for (int row = 0; row < model.mask().rows(); row++) {
                cells.add(new MaskCell(column, row));
            }
        }
        return cells;
    }

    static Access nobody() {
        return new Access(List.of(), List.of());
    }

    static PromiseKey of(String kind) {
        return PromiseKey.ofCamera(7, kind);
    }

    static HouseholdFacts facts(HousePlan plan, List<Promise> written, Camera... cameras) {
        return facts(plan, written, List.of(), cameras);
    }

    static HouseholdFacts facts(HousePlan plan, List<Promise> written, List<Reading> readings, Camera... cameras) {
        HomeNetwork network = new HomeNetwork("weirhouse", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false);
        return new HouseholdFacts(Optional.of(plan), new ArrayList<>(List.of(cameras)), written, Optional.of(network), 9, nobody(),
                List.of(), Climate.MILD_COAST, TODAY, false, readings);
    }

    static Finding finding(HouseholdFacts facts, PromiseKey key) {
        return judged(facts, key).finding();
    }

    static Judged judged(HouseholdFacts facts, PromiseKey key) {
        return HouseholdJudge.judge(facts).promises().stream().filter(judged -> judged.promise().key().equals(key)).findFirst()
                .orElseThrow();
    }
}
