package roofnest.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Component;

import tools.jackson.databind.json.JsonMapper;

import roofnest.app.firm.Staff;
import roofnest.app.records.RouterRepository;
import roofnest.app.records.ReadingRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Stage;
import roofnest.core.radio.Reading;
import roofnest.core.view.CameraPose;

/** The largest house of the demo: three storeys, 140 walls, eight cameras, its signal read on site. */
@Component
class DemoMaltings {
    private final DemoTools tools;
    private final ReadingRepository readings;

    DemoMaltings(DemoTools tools, ReadingRepository readings) {
        this.tools = tools;
        this.readings = readings;
    }

    /** @param makeOut level, place, light; {@code recordedBefore}: level, place, path */
    private record Cast(List<Cam> cameras, List<List<String>> makeOut, List<List<String>> recordedBefore, List<String> neverShows) {}

    /** @param pose x, y, height, heading, tilt */
    private record Cam(String name, String model, double[] pose) {}

    void make(Staff staff, LocalDate today) {
        Cast cast = cast();
        HouseholdRef ref = tools.household(staff, "Merrin", "The Old Maltings", today.plusDays(9), "survey, a whole day");
        tools.plan(ref, "maltings");
        tools.changes.run(ref, Stage.BRIEF, () -> {
            cast.makeOut().forEach(
                    wish -> tools.promises.makeOut(ref.id(), DetailLevel.valueOf(wish.get(0)), wish.get(1), Light.valueOf(wish.get(2))));
            cast.recordedBefore()
                    .forEach(wish -> tools.promises.recordedBefore(ref.id(), DetailLevel.valueOf(wish.get(0)), wish.get(1), wish.get(2),
                            Light.BOTH));
            cast.neverShows().forEach(area -> tools.promises.neverShows(ref.id(), area));
        });
        tools.changes.run(ref, Stage.SURVEY, () -> {
            for (Cam cam : cast.cameras()) {
                double[] p = cam.pose();
                tools.cameras.add(ref.id(), cam.name(), cam.model(), new CameraPose(p[0], p[1], p[2], p[3], p[4]), Camera.Settings.DEFAULT);
            }
            tools.person(ref, "Rowan Merrin", "rowan@merrin.example", Access.Tie.LIVES_HERE, null);
            read(ref, staff);
        });
        tools.network(ref, Stage.SURVEY, "maltings", "nine-swallows-home", Set.of(Band.GHZ_2_4, Band.GHZ_5), WifiSecurity.WPA2_WPA3);
        tools.changes.run(ref, Stage.SURVEY, () -> tools.networks.save(ref.id(), 0,
                new HomeNetwork("maltings guests", "a-bed-for-the-night", Set.of(Band.GHZ_2_4, Band.GHZ_5), WifiSecurity.WPA2, false, true),
                0, ref.by()));
        tools.router(ref, new RouterRepository.Router("Brill R2", true, true,
                Optional.of(new RouterRepository.Addresses("192.168.20.1/24", "192.168.20.100", "192.168.20.131", 27)), Optional.of(18.0),
                Optional.empty(), 0));
    }

    /** What a phone showed while walking round: thick stone here takes more than its usual share. */
    private void read(HouseholdRef ref, Staff staff) {
        double[][] seen = {{14, 13.2, 1.2, -61}, {24, 13.4, 1.2, -63}, {33, 4.4, 1.2, -66}, {7.5, -1.2, 1.2, -68}, {22.5, -1.2, 1.2, -67},
            {-1.2, 6, 1.2, -64}, {35, -7, 1.2, -79}, {-4, 16.8, 1.2, -76}};
        readings.add(ref.id(),
                Arrays.stream(seen).map(r -> Reading.ofFigure(new SpacePoint(r[0], r[1], r[2]), Band.GHZ_2_4, r[3])).toList(),
                staff.name());
    }

    private static Cast cast() {
        try (InputStream in = DemoMaltings.class.getResourceAsStream("/demo/maltings-cast.json")) {
            return new JsonMapper().readValue(in, Cast.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
