package roofnest.standins;

import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.Sight;

/**
 * Device, phone, router and hub of one run, laid side by side. Made by replaying its acts up to a moment of the virtual
 * clock; nothing else is kept.
 */
public final class Bench {
    private final Table table;

    private Bench(Joinable device, Place place) {
        this.table = new Table(device, place);
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
        table.windTo(ms);
    }

    public void take(BenchAct act) {
        if (act instanceof BenchAct.Set set) {
            table.set(set.fault());
        } else if (act instanceof BenchAct.Hands hands) {
            table.sight = Optional.empty();
            Hands.of(hands.way(), table).take(hands.act());
        }
    }

    public long nowMs() {
        return table.nowMs;
    }

    public DeviceState deviceState() {
        return table.body.state();
    }

    public Cue deviceCue() {
        return table.device.setUp().cue(table.body.state());
    }

    /** What was seen last of phone, router or hub; empty when only the device's light tells. */
    public Optional<Sight> sight() {
        return table.sight;
    }

    /** The light that comes next by itself, and when; for drawing it without asking again. */
    public Optional<Change> nextChange() {
        return table.body.next().map(next -> new Change(next.atMs(), next.state(), table.device.setUp().cue(next.state())));
    }

    public record Change(long atMs, DeviceState state, Cue cue) {}

    /** Name of the Wi-Fi that the phone is on. */
    public String phoneWifi() {
        return table.phone.wifi() == PhoneStandIn.Wifi.HOME ? table.place.networkName() : hotspotName();
    }

    public boolean phoneOnBand5() {
        return table.phone.band5();
    }

    /** Bars that phone and device show where the device lies, of three: what is seen before anything is sent. */
    public int bars() {
        return table.tooFar ? 1 : 3;
    }

    /** Whether another monitor lies about, switched on, that answers to the same code. */
    public boolean otherMonitorOn() {
        return table.pending.contains(Fault.OTHER_MONITOR);
    }

    public String phoneSays() {
        return table.phoneSays;
    }

    public boolean phoneAutoJoin() {
        return table.phone.autoJoin();
    }

    public boolean cableIn() {
        return table.cable;
    }

    public boolean routerListens() {
        return table.nowMs <= table.routerListensUntilMs;
    }

    public boolean hubListens() {
        return table.nowMs <= table.hubListensUntilMs;
    }

    public Set<Fault> pendingFaults() {
        return Set.copyOf(table.pending);
    }

    private String hotspotName() {
        return table.device.setUp().hotspotPrefix() == null ? table.device.name() : table.device.setUp().hotspotPrefix() + "7K2D";
    }
}
