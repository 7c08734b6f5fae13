package roofnest.standins;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.DeviceState;

/**
 * Camera, phone and router of one run, laid side by side. Made by replaying its acts up to a moment of the virtual
 * clock; nothing else is kept.
 */
public final class Bench {
    private final DeviceModel model;
    private final RouterStandIn router;
    private final Set<Fault> pending = EnumSet.noneOf(Fault.class);
    private CameraStandIn camera;
    private PhoneStandIn phone = PhoneStandIn.atHome();
    private String phoneSays = "Ready to add a camera";
    private long nowMs;

    private Bench(DeviceModel model, RouterStandIn router) {
        this.model = model;
        this.router = router;
        this.camera = CameraStandIn.unpowered(model.setUp());
    }

    /** The bench after its acts, as it is at {@code nowMs}; never earlier than its last act. */
    public static Bench replay(DeviceModel model, RouterStandIn router, List<BenchAct> acts, long nowMs) {
        Bench bench = new Bench(model, router);
        for (BenchAct act : acts) {
            bench.windTo(act.atMs());
            bench.take(act);
        }
        bench.windTo(nowMs);
        return bench;
    }

    private void windTo(long ms) {
        nowMs = Math.max(nowMs, ms);
        camera = camera.at(nowMs);
    }

    private void take(BenchAct act) {
        if (act instanceof BenchAct.Set set) {
            pending.add(set.fault());
        } else if (act instanceof BenchAct.Hands hands) {
            switch (hands.act()) {
                case POWER_ON -> camera = camera.powered(nowMs);
                case JOIN_HOTSPOT -> joinHotspot();
                case STOP_AUTO_JOIN -> {
                    phone = phone.withAutoJoin(false);
                    joinHotspot();
                }
                case REMOVE_HALF_ADDED -> phoneSays = "Camera removed. Add a camera";
                case SEND_DETAILS -> sendDetails();
                case PHONE_HOME -> phoneHome();
            }
        }
    }

    private void joinHotspot() {
        if (camera.state() != DeviceState.READY) {
            phone = phone.on(PhoneStandIn.Wifi.HOME);
            phoneSays = "No camera network in the list";
        } else if (phone.autoJoin() && pending.remove(Fault.PHONE_FALLS_BACK)) {
            phone = phone.on(PhoneStandIn.Wifi.HOME);
            phoneSays = "No internet there. Back on " + router.networkName();
        } else {
            phone = phone.on(PhoneStandIn.Wifi.HOTSPOT);
            phoneSays = "Connected to the camera";
        }
    }

    private void sendDetails() {
        if (phone.wifi() != PhoneStandIn.Wifi.HOTSPOT) {
            phoneSays = "Not connected to the camera";
            return;
        }
        boolean rightPassword = !pending.remove(Fault.PASSWORD_MISTYPED);
        camera = camera.told(router.admits(rightPassword), nowMs);
        phoneSays = "Sent. Waiting for the camera";
        // The camera drops its own network to join the house's, and the phone with it.
        phone = phone.on(PhoneStandIn.Wifi.HOME);
    }

    private void phoneHome() {
        phone = PhoneStandIn.atHome();
        phoneSays = camera.state() == DeviceState.JOINED ? "Live picture" : "Camera offline";
    }

    public long nowMs() {
        return nowMs;
    }

    public DeviceState cameraState() {
        return camera.state();
    }

    public Cue cameraCue() {
        return model.setUp().cues().get(camera.state());
    }

    /** The light that comes next by itself, and when; for drawing it without asking again. */
    public Optional<Change> nextChange() {
        return camera.next().map(next -> new Change(next.atMs(), next.state(), model.setUp().cues().get(next.state())));
    }

    public record Change(long atMs, DeviceState state, Cue cue) {}

    /** Name of the Wi-Fi that the phone is on. */
    public String phoneWifi() {
        return phone.wifi() == PhoneStandIn.Wifi.HOME ? router.networkName() : hotspotName();
    }

    public String phoneSays() {
        return phoneSays;
    }

    public boolean phoneAutoJoin() {
        return phone.autoJoin();
    }

    public Set<Fault> pendingFaults() {
        return Set.copyOf(pending);
    }

    private String hotspotName() {
        return model.setUp().hotspotPrefix() == null ? model.name() : model.setUp().hotspotPrefix() + "7K2D";
    }
}
