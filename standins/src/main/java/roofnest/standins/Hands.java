package roofnest.standins;

import java.util.Optional;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.Sight;

/** What hands do on a bench: here what every way in has in common; each way has a class of its own for the rest. */
abstract class Hands {
    final Table table;

    Hands(Table table) {
        this.table = table;
    }

    static Hands of(Way way, Table table) {
        return switch (way) {
            case HOTSPOT -> new HotspotHands(table);
            case PHONE_CODE -> new PhoneCodeHands(table);
            case STICKER -> new StickerHands(table);
            case MANUAL_ID -> new ManualIdHands(table);
            case WIRED -> new WiredHands(table);
            case SEARCH -> new SearchHands(table);
            case BROWSER -> new BrowserHands(table);
            case PUSH_BUTTON -> new PushButtonHands(table);
            case HUB_BUTTON -> new HubButtonHands(table);
            case SAME_ACCOUNT -> new SameAccountHands(table);
        };
    }

    /**
     * Does it.
     *
     * @throws IllegalStateException when nothing of the kind is ever done in this way
     */
    void take(HandsOn act) {
        switch (act) {
            case POWER_ON -> powerOn();
            case CHANGE_PACK -> {
                table.pending.remove(Fault.FLAT_PACK);
                powerOn();
            }
            case RESET -> {
                table.pending.remove(Fault.PAIRING_LOST);
                table.pending.remove(Fault.PASSWORD_FORGOTTEN);
                table.loggedIn = false;
                table.body = table.body.booting(table.nowMs, true);
            }
            case REMOVE_HALF_ADDED -> {
                table.pending.remove(Fault.HUB_FULL);
                table.say(Sight.PUT_RIGHT, "Removed");
            }
            case LOOK_LIVE -> table.live();
            case LOOK_OVER -> table.say(oddity().orElse(Sight.NOTHING_ODD), table.phoneSays);
            case TIGHTEN_ANTENNA -> table.putRight(Fault.LOOSE_ANTENNA);
            case UPDATE_APP -> table.putRight(Fault.APP_OLD);
            case COME_NEARER -> {
                table.tooFar = false;
                table.putRight(Fault.PAIRED_TOO_FAR);
            }
            case UPDATE -> table.update();
            case CHECK -> table.say(Sight.PUT_RIGHT, table.phoneSays);
            default -> throw new IllegalStateException(act + " is not done in this way in");
        }
    }

    /** What a look over the device finds first; empty when nothing is odd. */
    private Optional<Sight> oddity() {
        if (table.pending.contains(Fault.LOOSE_ANTENNA)) {
            return Optional.of(Sight.ANTENNA_LOOSE);
        }
        if (byApp() && table.pending.contains(Fault.APP_OLD)) {
            return Optional.of(Sight.APP_OLD);
        }
        return oddOfThisWay().or(() -> table.tooFar ? Optional.of(Sight.TOO_FAR) : Optional.empty()).or(this::oddOfTheRouter);
    }

    /** Whether the maker's app on the phone has a part in it. */
    boolean byApp() {
        return true;
    }

    /** What only this way can go wrong by. */
    Optional<Sight> oddOfThisWay() {
        return Optional.empty();
    }

    Optional<Sight> oddOfTheRouter() {
        return Optional.empty();
    }

    private void powerOn() {
        if (table.pending.contains(Fault.FLAT_PACK)) {
            table.body = table.body.in(DeviceState.OFF, table.nowMs);
        } else if (table.body.state() == DeviceState.OFF) {
            table.body = table.body.booting(table.nowMs, !table.pending.contains(Fault.PAIRING_LOST));
        }
    }
}
