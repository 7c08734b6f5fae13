package roofnest.standins;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.Sight;

/** What lies on a bench at a moment: device, phone, router and hub, and what is still to go wrong. Hands change it. */
final class Table {
    final Joinable device;
    final Place place;
    final Set<Fault> pending = EnumSet.noneOf(Fault.class);
    DeviceStandIn body;
    PhoneStandIn phone = PhoneStandIn.atHome();
    String phoneSays = "Ready to add a device";
    Optional<Sight> sight = Optional.empty();
    long nowMs;
    boolean cable;
    boolean automaticAddress;
    boolean codeWrong;
    boolean tooFar;
    boolean loggedIn;
    boolean hubOnline = true;
    boolean buttonOn;
    long routerListensUntilMs = -1;
    long hubListensUntilMs = -1;
    private boolean updating;
    private boolean updateWhole;

    Table(Joinable device, Place place) {
        this.device = device;
        this.place = place;
        this.body = DeviceStandIn.unpowered(device.setUp());
        this.automaticAddress = !place.addressOutside();
        this.tooFar = place.barred();
        this.buttonOn = place.pushButton();
    }

    void windTo(long ms) {
        nowMs = Math.max(nowMs, ms);
        body = body.at(nowMs);
        if (updating && body.state() == DeviceState.JOINED) {
            updating = false;
            say(updateWhole ? Sight.UPDATED : Sight.UPDATE_FAILED, updateWhole ? "Up to date" : "The update failed");
        }
    }

    void set(Fault fault) {
        pending.add(fault);
        switch (fault) {
            case PAIRED_TOO_FAR -> tooFar = true;
            case HUB_OFFLINE -> hubOnline = false;
            case PHONE_ON_5 -> phone = phone.onBand5(true);
            default -> {}
        }
    }

    void say(Sight seen, String words) {
        sight = Optional.of(seen);
        phoneSays = words;
    }

    void putRight(Fault fault) {
        pending.remove(fault);
        say(Sight.PUT_RIGHT, phoneSays);
    }

    /** Whether it gets in: the house suits it, the password is right, and it hears the router. */
    boolean right(boolean passwordRight) {
        return place.suits() && passwordRight && !pending.contains(Fault.LOOSE_ANTENNA) && !pending.contains(Fault.APP_OLD) && !tooFar;
    }

    void live() {
        boolean there = body.state() == DeviceState.JOINED;
        say(there ? Sight.LIVE : Sight.OFFLINE, there ? "Live picture" : "Offline");
    }

    void update() {
        updateWhole = !pending.remove(Fault.BAD_DOWNLOAD);
        updating = body.state() == DeviceState.JOINED;
        body = body.updating(nowMs, updateWhole);
        phoneSays = "Updating";
    }
}
