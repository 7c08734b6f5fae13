package roofnest.app.mount;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.app.web.Form;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.mount.BellWires;
import roofnest.core.mount.Hold;
import roofnest.core.mount.WallFace;
import roofnest.core.mount.Wedge;

/**
 * What is asked of holds without a hole and of an old bell's wires: it stands in the address and is kept nowhere.
 *
 * @param held by the surface that was chosen; empty before one was, and where none takes hold
 * @param asked whether a surface was chosen
 * @param bell of a doorbell alone
 */
record WithoutHoles(List<Line> held, boolean asked, Optional<Bell> bell) {
    private static final int MOST_DAYS = 3650;

    record Line(String name, String standing, String word, String why, List<String> cautions) {}

    /** @param fed empty before anything was said of the wires */
    record Bell(Optional<Line> fed, String wedge) {}

    static WithoutHoles of(Camera camera, Optional<House> house, Form form) {
        Optional<Hold.Surface> surface = Arrays.stream(Hold.Surface.values()).filter(each -> each.slug().equals(form.raw("surface")))
                .findFirst();
        List<Line> held = List.of();
        if (surface.isPresent()) {
            OptionalDouble warmth = optional(form, "surfaceC", "the surface’s temperature", -40, 90, "°C");
            int days = form.raw("days").isBlank() ? MOST_DAYS : form.whole("days", "for how many days", 1, MOST_DAYS, "days");
            held = form.ok() ? Hold.on(surface.get(), camera.model().mount(), warmth, days).stream().map(WithoutHoles::line).toList()
                    : held;
        }
        boolean bell = camera.model().body() == DeviceModel.Body.BELL;
        return new WithoutHoles(held, surface.isPresent() && form.ok(), bell ? Optional.of(bell(camera, house, form)) : Optional.empty());
    }

    private static Bell bell(Camera camera, Optional<House> house, Form form) {
        OptionalDouble volts = optional(form, "volts", "the volts", 0, 500, "V");
        OptionalDouble va = optional(form, "va", "the volt-amperes", 0, 1000, "VA");
        BellWires.Chime chime = form.raw("chime").isBlank() ? BellWires.Chime.UNKNOWN
                : form.choice("chime", "what rings", BellWires.Chime.class);
        boolean said = volts.isPresent() || va.isPresent() || chime != BellWires.Chime.UNKNOWN;
        Optional<Line> fed = said && form.ok() ? Optional.of(new BellWires(volts, va, chime).feed(camera.model().power()))
                .map(each -> new Line("", each.standing().name().toLowerCase(Locale.ROOT), each.standing().word(), each.why(),
                        each.advice()))
                : Optional.empty();
        String wedge = house.flatMap(h -> WallFace.behind(h.plan(), h.crossings().shell(), camera.pose()))
                .map(face -> Wedge.of(camera.pose(), face).words()).orElse("");
        return new Bell(fed, wedge);
    }

    private static OptionalDouble optional(Form form, String field, String what, double min, double max, String unit) {
        return form.raw(field).isBlank() ? OptionalDouble.empty() : OptionalDouble.of(form.decimal(field, what, min, max, unit));
    }

    private static Line line(Hold.Held held) {
        return new Line(held.hold().words(), held.standing().name().toLowerCase(Locale.ROOT), held.standing().word(), held.why(),
                held.cautions());
    }
}
