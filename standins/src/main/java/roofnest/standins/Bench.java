package roofnest.standins;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.Recovery;
import roofnest.core.catalogue.Sight;

/**
 * Device, phone, router and hub of one run, laid side by side. Made by replaying its acts up to a moment of the virtual
 * clock; nothing else is kept.
 */
public final class Bench {
    private final Joinable device;
    private final Place place;
    private final Set<Fault> pending = EnumSet.noneOf(Fault.class);
    private DeviceStandIn body;
    private PhoneStandIn phone = PhoneStandIn.atHome();
    private String phoneSays = "Ready to add a device";
    private Optional<Sight> sight = Optional.empty();
    private long nowMs;
    private boolean cable;
    private boolean automaticAddress;
    private boolean codeWrong;
    private boolean tooFar;
    private boolean loggedIn;
    private boolean hubOnline = true;
    private boolean buttonOn;
    private long routerListensUntilMs = -1;
    private long hubListensUntilMs = -1;
    private boolean updating;
    private boolean updateWhole;

    private Bench(Joinable device, Place place) {
        this.device = device;
        this.place = place;
        this.body = DeviceStandIn.unpowered(device.setUp());
        this.automaticAddress = !place.addressOutside();
        this.tooFar = place.barred();
        this.buttonOn = place.pushButton();
    }

    /** The bench after its acts, as it is at {@code nowMs}; never earlier than its last act. */
    public static Bench replay(Joinable device, Place place, List<BenchAct> acts, long nowMs) {
        Bench bench = new Bench(device, place);
        for (BenchAct act : acts) {
            bench.windTo(act.atMs());
            bench.take(act);
        }
        bench.windTo(nowMs);
        return bench;
    }

    /** A bench on which acts are taken one after another. */
    public static Bench laidOut(Joinable device, Place place) {
        return new Bench(device, place);
    }

    public void windTo(long ms) {
        nowMs = Math.max(nowMs, ms);
        body = body.at(nowMs);
        if (updating && body.state() == DeviceState.JOINED) {
            updating = false;
            sight = Optional.of(updateWhole ? Sight.UPDATED : Sight.UPDATE_FAILED);
            phoneSays = updateWhole ? "Up to date" : "The update failed";
        }
    }

    public void take(BenchAct act) {
        if (act instanceof BenchAct.Set set) {
            set(set.fault());
        } else if (act instanceof BenchAct.Hands hands) {
            sight = Optional.empty();
            hands(hands.act(), hands.way());
        }
    }

    private void set(Fault fault) {
        pending.add(fault);
        switch (fault) {
            case PAIRED_TOO_FAR -> tooFar = true;
            case HUB_OFFLINE -> hubOnline = false;
            case PHONE_ON_5 -> phone = phone.onBand5(true);
            default -> {}
        }
    }

    private void hands(HandsOn act, Way way) {
        switch (act) {
            case POWER_ON -> powerOn();
            case CHANGE_PACK -> {
                pending.remove(Fault.FLAT_PACK);
                powerOn();
            }
            case RESET -> {
                pending.remove(Fault.PAIRING_LOST);
                pending.remove(Fault.PASSWORD_FORGOTTEN);
                loggedIn = false;
                body = body.booting(nowMs, true);
            }
            case JOIN_HOTSPOT -> joinHotspot();
            case STOP_AUTO_JOIN -> {
                phone = phone.withAutoJoin(false);
                joinHotspot();
            }
            case REMOVE_HALF_ADDED -> {
                pending.remove(Fault.HUB_FULL);
                say(Sight.PUT_RIGHT, "Removed");
            }
            case SEND_DETAILS -> sendDetails(way);
            case PHONE_HOME -> {
                phone = phone.on(PhoneStandIn.Wifi.HOME).withAutoJoin(true);
                live();
            }
            case LOOK_LIVE -> live();
            case MAKE_CODE -> {
                codeWrong = pending.remove(Fault.PASSWORD_MISTYPED);
                say(Sight.CODE_SHOWN, "Hold this before the lens");
            }
            case SHOW_CODE -> showCode();
            case SCAN_STICKER -> scan();
            case TYPE_ID -> typeId(way);
            case BROADCAST -> broadcast();
            case PLUG_CABLE -> {
                cable = true;
                say(Sight.PUT_RIGHT, phoneSays);
            }
            case SEARCH -> {
                boolean answers = onCable() && automaticAddress && body.state() != DeviceState.OFF && body.state() != DeviceState.BOOTING;
                say(answers ? Sight.FOUND : Sight.NOT_FOUND, answers ? device.name() + " found" : "Nothing found");
            }
            case VISIT_ADDRESS -> {
                automaticAddress = cable;
                loggedIn = cable;
                say(cable ? Sight.FOUND : Sight.NOT_FOUND, cable ? "Set to automatic" : "No answer");
            }
            case LOG_IN -> logIn();
            case SEND_RECOVERY -> recover();
            case WAIT_RESTART -> waitRestart();
            case PULL_CABLE -> pullCable();
            case PRESS_ROUTER_BUTTON -> pressRouterButton();
            case PRESS_PAIR -> pressPair(way);
            case CHECK_HUB -> {
                say(hubOnline ? Sight.HUB_ONLINE : Sight.HUB_OFFLINE, phoneSays);
                // Its own run joins it before it is looked at again.
                hubOnline = true;
                pending.remove(Fault.HUB_OFFLINE);
            }
            case PRESS_HUB_BUTTON -> {
                boolean full = pending.contains(Fault.HUB_FULL);
                hubListensUntilMs = full ? -1 : nowMs + device.setUp().limits().windowSeconds() * 1000L;
                say(full ? Sight.HUB_FULL : Sight.HUB_LISTENS, full ? "The hub is full" : "Looking for cameras");
            }
            case SIGN_IN_BOTH -> say(Sight.PUT_RIGHT, "Signed in");
            case CHOOSE_ROLE -> chooseRole();
            case KEEP_AWAKE -> say(Sight.KEPT_AWAKE, "Plugged in, kept awake");
            case LOOK_OVER -> lookOver(way);
            case TIGHTEN_ANTENNA -> putRight(Fault.LOOSE_ANTENNA);
            case PHONE_TO_2_4 -> {
                phone = phone.onBand5(false);
                putRight(Fault.PHONE_ON_5);
            }
            case UPDATE_APP -> putRight(Fault.APP_OLD);
            case MONITOR_OFF -> putRight(Fault.OTHER_MONITOR);
            case COME_NEARER -> {
                tooFar = false;
                putRight(Fault.PAIRED_TOO_FAR);
            }
            case BUTTON_ON -> {
                buttonOn = true;
                putRight(Fault.BUTTON_OFF);
            }
            case UPDATE -> {
                updateWhole = !pending.remove(Fault.BAD_DOWNLOAD);
                updating = body.state() == DeviceState.JOINED;
                body = body.updating(nowMs, updateWhole);
                phoneSays = "Updating";
            }
            case CHECK -> say(Sight.PUT_RIGHT, phoneSays);
        }
    }

    private void say(Sight seen, String words) {
        sight = Optional.of(seen);
        phoneSays = words;
    }

    private void putRight(Fault fault) {
        pending.remove(fault);
        say(Sight.PUT_RIGHT, phoneSays);
    }

    private void powerOn() {
        if (pending.contains(Fault.FLAT_PACK)) {
            body = body.in(DeviceState.OFF, nowMs);
        } else if (body.state() == DeviceState.OFF) {
            body = body.booting(nowMs, !pending.contains(Fault.PAIRING_LOST));
        }
    }

    private void joinHotspot() {
        if (body.state() != DeviceState.READY) {
            phone = phone.on(PhoneStandIn.Wifi.HOME);
            say(Sight.NOT_LISTED, "No such network in the list");
        } else if (phone.autoJoin() && pending.remove(Fault.PHONE_FALLS_BACK)) {
            phone = phone.on(PhoneStandIn.Wifi.HOME);
            say(Sight.WENT_HOME, "No internet there. Back on " + place.networkName());
        } else {
            phone = phone.on(PhoneStandIn.Wifi.HOTSPOT);
            say(Sight.ON_HOTSPOT, "Connected to the camera");
        }
    }

    private void sendDetails(Way way) {
        if (way == Way.HOTSPOT && phone.wifi() != PhoneStandIn.Wifi.HOTSPOT) {
            say(Sight.WENT_HOME, "Not connected to the camera");
            return;
        }
        if (way != Way.HOTSPOT && !(cable && loggedIn)) {
            say(Sight.NOT_SENT, "No answer");
            return;
        }
        body = body.told(right(!pending.remove(Fault.PASSWORD_MISTYPED)), nowMs,
                way == Way.HOTSPOT ? 0 : device.setUp().limits().restartSeconds());
        phoneSays = "Sent. Waiting for it";
        // The camera drops its own network to join the house's, and the phone with it.
        phone = phone.on(PhoneStandIn.Wifi.HOME);
    }

    /** Whether it gets in: the house suits it, the password is right, and it hears the router. */
    private boolean right(boolean passwordRight) {
        return place.suits() && passwordRight && !pending.contains(Fault.LOOSE_ANTENNA) && !pending.contains(Fault.APP_OLD) && !tooFar;
    }

    private void live() {
        boolean there = body.state() == DeviceState.JOINED;
        say(there ? Sight.LIVE : Sight.OFFLINE, there ? "Live picture" : "Offline");
    }

    private void showCode() {
        boolean read = !pending.remove(Fault.CODE_TOO_NEAR) && !pending.contains(Fault.OTHER_MONITOR);
        if (read) {
            body = body.told(right(!codeWrong), nowMs, 0);
            codeWrong = false;
        }
        phoneSays = "Hold this before the lens";
    }

    private void scan() {
        boolean scanned = !pending.contains(Fault.LABEL_MISREAD);
        say(scanned ? Sight.SCANNED : Sight.NOT_SCANNED, scanned ? device.fullName() : "No code read");
    }

    private void typeId(Way way) {
        // Where the label cannot be scanned it is typed right at once; typed from the first, it is misread once.
        boolean misread = pending.remove(Fault.LABEL_MISREAD) && way == Way.MANUAL_ID;
        boolean reached = !cable || onCable();
        boolean known = !misread && reached;
        say(known ? Sight.ID_TAKEN : Sight.ID_UNKNOWN, known ? device.fullName() : "No such device");
    }

    private void broadcast() {
        if (!pending.contains(Fault.PHONE_ON_5) && !place.isolated()) {
            body = body.told(right(!pending.remove(Fault.PASSWORD_MISTYPED)), nowMs, 0);
        }
        phoneSays = "Sending";
    }

    private boolean onCable() {
        return cable && !place.isolated();
    }

    private void logIn() {
        loggedIn = !pending.contains(Fault.PASSWORD_FORGOTTEN);
        say(loggedIn ? Sight.LOGGED_IN : Sight.REFUSED, loggedIn ? "Logged in" : "Wrong password");
    }

    private void recover() {
        boolean comes = device.setUp().recovery() != Recovery.NONE && !pending.contains(Fault.MAIL_LOST);
        if (comes) {
            pending.remove(Fault.PASSWORD_FORGOTTEN);
        }
        say(comes ? Sight.MAIL_CAME : Sight.NO_MAIL, comes ? "A letter came" : "No letter");
    }

    private void waitRestart() {
        if (body.state() == DeviceState.JOINING && pending.remove(Fault.CABLE_PULLED_EARLY)) {
            cable = false;
            loggedIn = false;
            body = body.in(DeviceState.READY, nowMs);
            say(Sight.RESTART_CUT, "Connection lost");
        }
    }

    private void pullCable() {
        cable = false;
        if (body.state() == DeviceState.JOINING) {
            loggedIn = false;
            body = body.in(DeviceState.READY, nowMs);
        }
    }

    private void pressRouterButton() {
        boolean deaf = pending.contains(Fault.BUTTON_OFF) || !buttonOn;
        routerListensUntilMs = deaf ? -1 : nowMs + 120_000;
        say(deaf ? Sight.ROUTER_DEAF : Sight.ROUTER_LISTENS, phoneSays);
    }

    private void pressPair(Way way) {
        boolean hub = way == Way.HUB_BUTTON;
        long until = hub ? hubListensUntilMs : routerListensUntilMs;
        boolean inTime = nowMs <= until && !(pending.remove(Fault.WALKED_SLOWLY) && !hub);
        if (inTime && !(hub && tooFar)) {
            body = body.told(hub ? !pending.contains(Fault.APP_OLD) : right(true), nowMs, 0);
        }
    }

    private void chooseRole() {
        if (pending.remove(Fault.WRONG_ROLE)) {
            body = body.in(DeviceState.FAILED, nowMs);
            say(Sight.VIEWER_ROLE, "Signed in as viewer");
        } else {
            body = body.in(place.suits() ? DeviceState.JOINED : DeviceState.FAILED, nowMs);
            say(place.suits() ? Sight.CAMERA_ROLE : Sight.VIEWER_ROLE, "This phone is the camera");
        }
    }

    private void lookOver(Way way) {
        if (pending.contains(Fault.LOOSE_ANTENNA)) {
            say(Sight.ANTENNA_LOOSE, phoneSays);
        } else if (pending.contains(Fault.APP_OLD) && way != Way.BROWSER && way != Way.SAME_ACCOUNT) {
            say(Sight.APP_OLD, phoneSays);
        } else if (pending.contains(Fault.PHONE_ON_5) && (way == Way.STICKER || way == Way.MANUAL_ID)) {
            say(Sight.PHONE_ON_5, phoneSays);
        } else if (pending.contains(Fault.OTHER_MONITOR) && way == Way.PHONE_CODE) {
            say(Sight.MONITOR_ON, phoneSays);
        } else if (tooFar) {
            say(Sight.TOO_FAR, phoneSays);
        } else if (pending.contains(Fault.BUTTON_OFF) && way == Way.PUSH_BUTTON) {
            say(Sight.ROUTER_DEAF, phoneSays);
        } else {
            say(Sight.NOTHING_ODD, phoneSays);
        }
    }

    public long nowMs() {
        return nowMs;
    }

    public DeviceState deviceState() {
        return body.state();
    }

    public Cue deviceCue() {
        return device.setUp().cue(body.state());
    }

    /** What was seen last of phone, router or hub; empty when only the device's light tells. */
    public Optional<Sight> sight() {
        return sight;
    }

    /** The light that comes next by itself, and when; for drawing it without asking again. */
    public Optional<Change> nextChange() {
        return body.next().map(next -> new Change(next.atMs(), next.state(), device.setUp().cue(next.state())));
    }

    public record Change(long atMs, DeviceState state, Cue cue) {}

    /** Name of the Wi-Fi that the phone is on. */
    public String phoneWifi() {
        return phone.wifi() == PhoneStandIn.Wifi.HOME ? place.networkName() : hotspotName();
    }

    public boolean phoneOnBand5() {
        return phone.band5();
    }

    public String phoneSays() {
        return phoneSays;
    }

    public boolean phoneAutoJoin() {
        return phone.autoJoin();
    }

    public boolean cableIn() {
        return cable;
    }

    public boolean routerListens() {
        return nowMs <= routerListensUntilMs;
    }

    public boolean hubListens() {
        return nowMs <= hubListensUntilMs;
    }

    public Set<Fault> pendingFaults() {
        return Set.copyOf(pending);
    }

    private String hotspotName() {
        return device.setUp().hotspotPrefix() == null ? device.name() : device.setUp().hotspotPrefix() + "7K2D";
    }
}
