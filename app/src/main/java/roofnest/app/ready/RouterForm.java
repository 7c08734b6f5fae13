package roofnest.app.ready;

import java.util.Optional;

import roofnest.app.records.RouterRepository;
import roofnest.app.web.Form;

/** Reads what is known of the router. Addresses are given all four or not at all. */
final class RouterForm {
    private static final int LONGEST_ADDRESS = 50;

    private RouterForm() {}

    /** Empty when something is at fault; the form then says what. */
    static Optional<RouterRepository.Router> read(Form form) {
        String model = form.optionalText("model", 60);
        Optional<Double> up = decimal(form, "upMbps", "what goes up the line", 0.1, 10_000, "Mbit/s");
        Optional<Double> sim = decimal(form, "simGb", "the plan's data", 0.1, 100_000, "GB a month");
        Optional<RouterRepository.Addresses> addresses = addresses(form);
        return form.ok()
                ? Optional.of(new RouterRepository.Router(model, form.has("pushButton"), form.has("makesNames"), addresses, up, sim,
                        form.version()))
                : Optional.empty();
    }

    private static Optional<Double> decimal(Form form, String field, String what, double min, double max, String unit) {
        return form.raw(field).isBlank() ? Optional.empty() : Optional.of(form.decimal(field, what, min, max, unit));
    }

    private static Optional<RouterRepository.Addresses> addresses(Form form) {
        if (form.raw("address").isBlank() && form.raw("poolFrom").isBlank() && form.raw("poolTo").isBlank()) {
            return Optional.empty();
        }
        String router = form.text("address", "the router's address", LONGEST_ADDRESS);
        String from = form.text("poolFrom", "the first address given out", LONGEST_ADDRESS);
        String to = form.text("poolTo", "the last address given out", LONGEST_ADDRESS);
        int leases = form.whole("leases", "addresses in use", 0, 65_536, "addresses");
        if (!form.ok()) {
            return Optional.empty();
        }
        RouterRepository.Addresses addresses = new RouterRepository.Addresses(router, from, to, leases);
        try {
            addresses.plan();
        } catch (IllegalArgumentException e) {
            form.fault("address", e.getMessage());
        }
        return Optional.of(addresses);
    }
}
