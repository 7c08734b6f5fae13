package roofnest.standins;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Recovery;
import roofnest.core.catalogue.Sight;

/** The cable between the router and the device, and what is done along it: logging in, choosing the Wi-Fi, waiting, pulling. */
final class Cable {
    private final Table table;

    Cable(Table table) {
        this.table = table;
    }

    boolean reaches() {
        return table.cable && !table.place.isolated();
    }

    /** Does it, if it is done along a cable. @return whether it is */
    boolean took(HandsOn act) {
        switch (act) {
            case PLUG_CABLE -> {
                table.cable = true;
                table.say(Sight.PUT_RIGHT, table.phoneSays);
            }
            case VISIT_ADDRESS -> {
                table.automaticAddress = table.cable;
                table.loggedIn = table.cable;
                table.say(table.cable ? Sight.FOUND : Sight.NOT_FOUND, table.cable ? "Set to automatic" : "No answer");
            }
            case LOG_IN -> {
                table.loggedIn = !table.pending.contains(Fault.PASSWORD_FORGOTTEN);
                table.say(table.loggedIn ? Sight.LOGGED_IN : Sight.REFUSED, table.loggedIn ? "Logged in" : "Wrong password");
            }
            case SEND_RECOVERY -> recover();
            case SEND_DETAILS -> send();
            case WAIT_RESTART -> waitRestart();
            case PULL_CABLE -> pull();
            default -> {
                return false;
            }
        }
        return true;
    }

    void search() {
        DeviceState state = table.body.state();
        boolean answers = reaches() && table.automaticAddress && state != DeviceState.OFF && state != DeviceState.BOOTING;
        table.say(answers ? Sight.FOUND : Sight.NOT_FOUND, answers ? table.device.name() + " found" : "Nothing found");
    }

    private void recover() {
        boolean comes = table.device.setUp().recovery() != Recovery.NONE && !table.pending.contains(Fault.MAIL_LOST);
        if (comes) {
            table.pending.remove(Fault.PASSWORD_FORGOTTEN);
        }
        table.say(comes ? Sight.MAIL_CAME : Sight.NO_MAIL, comes ? "A letter came" : "No letter");
    }

    private void send() {
        if (!(table.cable && table.loggedIn)) {
            table.say(Sight.NOT_SENT, "No answer");
            return;
        }
        table.body = table.body.told(
                table.right(!table.pending.remove(Fault.PASSWORD_MISTYPED)), table.nowMs, table.device.setUp().limits().restartSeconds());
        table.phoneSays = "Sent. Waiting for it";
        table.phone = table.phone.on(PhoneStandIn.Wifi.HOME);
    }

    private void waitRestart() {
        if (table.body.state() == DeviceState.JOINING && table.pending.remove(Fault.CABLE_PULLED_EARLY)) {
            table.cable = false;
            table.loggedIn = false;
            table.body = table.body.in(DeviceState.READY, table.nowMs);
            table.say(Sight.RESTART_CUT, "Connection lost");
        }
    }

    private void pull() {
        table.cable = false;
        if (table.body.state() == DeviceState.JOINING) {
            table.loggedIn = false;
            table.body = table.body.in(DeviceState.READY, table.nowMs);
        }
    }
}
