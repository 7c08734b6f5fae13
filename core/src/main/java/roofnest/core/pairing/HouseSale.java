package roofnest.core.pairing;

import java.util.ArrayList;
import java.util.List;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;

/**
 * What a house that is sold, or given up, still wants, in the order in which it has to be done: cameras before their hub, or the hub
 * keeps their places; screens while the account that links them is there; the account last, because it alone lets a device go.
 */
public final class HouseSale {
    private HouseSale() {}

    /** What a step is done at. */
    public enum At { CAMERA, HUB, SCREEN, ACCOUNT }

    /** @param id of the camera, the hub or the screen; 0 for the account */
    public record Step(At at, long id, String words, String why) {}

    /** @param joined whether it is in somebody's account at all */
    public record Device(long id, String name, DeviceModel model, boolean joined) {}

    public record Hub(long id, String name, HubModel model) {}

    public record Screen(long id, String name) {}

    /** @param accountOf who owns the account; empty when nobody is noted */
    public static List<Step> of(List<Device> cameras, List<Hub> hubs, List<Screen> screens, String accountOf) {
        List<Step> steps = new ArrayList<>();
        cameras.stream().filter(camera -> throughAny(camera, hubs)).forEach(camera -> steps.add(step(camera,
                "Before its hub, which otherwise keeps its place.")));
        cameras.stream().filter(camera -> !throughAny(camera, hubs)).forEach(camera -> steps.add(step(camera,
                camera.joined() ? "As long as it is in the account, the next owner cannot add it." : "It was never joined.")));
        hubs.forEach(hub -> steps.add(new Step(At.HUB, hub.id(), "Take " + hub.name() + " out, reset it, wipe its card or keep it.",
                "After the cameras that join through it.")));
        screens.forEach(screen -> steps.add(new Step(At.SCREEN, screen.id(), "Unlink " + screen.name() + ".",
                "It would look for cameras that are somebody else’s by then.")));
        steps.add(new Step(At.ACCOUNT, 0, "Close the account" + (accountOf.isEmpty() ? "" : " of " + accountOf)
                + " at the maker’s, or empty it: plans, recovery address, clips in the cloud.",
                "Last: only the account lets a device go, and clips in it stay until they run out."));
        return steps;
    }

    private static boolean throughAny(Device camera, List<Hub> hubs) {
        return camera.model().radio().viaHub() && hubs.stream().anyMatch(hub -> hub.model().key().equals(camera.model().hub()));
    }

    private static Step step(Device camera, String why) {
        return new Step(At.CAMERA, camera.id(), "Take " + camera.name() + " out of the account, reset it, wipe its card or keep it.", why);
    }

    /** What the next owner is given of a device, and needs to make it theirs. */
    public static List<String> given(DeviceModel model, String serial) {
        return List.of(model.fullName() + (serial.isBlank() ? ", serial not noted" : ", serial " + serial),
                "Its sticker: " + model.setUp().stickerPlace(), "Reset: " + model.setUp().reset(),
                "Comes with: "
                        + (model.factoryPassword().isBlank() ? "no password; it asks for one" : "its factory password, on the sticker"));
    }
}
