package roofnest.core.fault;

import roofnest.core.lang.Worded;

/**
 * What may ail a camera that worked, with how often it is the reason of a call, of a hundred (ordinary figures of the trade, from which a
 * firm's own cases move away), and what is done about it.
 */
public enum Cause implements Worded {
    ROUTER_CHANGED("the router or the provider was changed", 12, Of.HOUSE, new Cure(
            "Give the new router the name and password of the old one; else rejoin every camera", 15, false, 0.85, "")),
    PASSWORD_CHANGED("the Wi-Fi password was changed", 10, Of.HOUSE, new Cure("Rejoin it with the new password", 8, false, 0.85, "")),
    POWER("it has no power", 8, Of.CAMERA, new Cure("Look over plug, switch and lead, and plug it in again", 4, false, 0.6, "adapter")),
    PACK_FLAT("its pack is flat", 10, Of.CAMERA, new Cure("Charge the pack, with its maker’s charger", 5, false, 0.95, "pack")),
    COLD("its pack is too cold", 2, Of.CAMERA, new Cure("Bring the pack in, let it warm, charge it", 5, false, 0.9, "")),
    WEAK_LINK("its link has grown weak", 11, Of.CAMERA, new Cure("Take away what stands between, or turn the router", 6, false, 0.35,
            "access point")),
    FIRMWARE("its firmware hangs", 3, Of.CAMERA, new Cure("Restart it, then update it", 6, false, 0.85, "")),
    CARD("its card is full, worn or broken", 5, Of.CAMERA, new Cure("Format the card in the camera, or put another in", 6, false, 0.85,
            "card")),
    PLAN_LAPSED("its paid plan or account has run out", 3, Of.ACCOUNT, new Cure("Renew the plan in the maker’s app", 4, false, 0.95, "")),
    PASSWORD_FORGOTTEN("the app’s password is forgotten", 6, Of.ACCOUNT,
            new Cure("Reset the account’s password by its e-mail", 6, false, 0.9,
                    "")),
    PERMISSION("the phone does not let the app ring", 6, Of.PHONE, new Cure("Allow notifications for the app", 3, false, 0.95, "")),
    QUIET_HOURS("the phone or the app is in a quiet time", 4, Of.PHONE, new Cure("End the quiet time", 2, false, 0.95, "")),
    APP_OLD("the app is too old", 3, Of.PHONE, new Cure("Update the app", 4, false, 0.9, "")),
    TIME_ZONE("its clock or time zone is wrong", 1, Of.CAMERA, new Cure("Set its time zone and let it fetch the time", 3, false, 0.95, "")),
    WEB("a web or dirt is before its lens", 3, Of.CAMERA, new Cure("Wipe the lens and brush the web off", 5, false, 0.9, "")),
    MOVED("it has moved or sagged", 3, Of.CAMERA, new Cure("Turn it back, by the still of the hand-over", 10, false, 0.6, "mount")),
    HUB_AWAY("its hub is off or away", 2, Of.HUB, new Cure("Put the hub back and plug it in", 3, false, 0.9, "hub")),
    ADDRESS_TAKEN("something else has its address", 1, Of.CAMERA, new Cure("Restart the router, then the camera", 6, false, 0.8, "")),
    LINE_DOWN("the line is down", 2, Of.HOUSE, new Cure("Ask the provider of the line, and wait", 5, false, 0.9, "")),
    PROVIDER_DOWN("the maker’s servers are down", 1, Of.ACCOUNT,
            new Cure("Wait; look at the maker’s page of troubles", 2, false, 0.95, "")),
    SOUND_OR_LIGHT("sound or light is set otherwise", 1, Of.CAMERA, new Cure("Set sound and light as agreed", 3, false, 0.95, "")),
    MASKED("a mask or zone lies over the place", 1, Of.CAMERA, new Cure("Take mask or zone off the place", 4, false, 0.95, "")),
    TOO_KEEN("it is set to notice too much", 6, Of.CAMERA, new Cure("Take quieter settings", 6, false, 0.85, "")),
    THIEF("it was taken", 1, Of.CAMERA, new Cure("Report it with its serial; lock the account, change passwords", 15, false, 0.95,
            "camera"));

    /** Whose fault it is, and so whether it shows at all cameras. */
    public enum Of {
        HOUSE, HUB, CAMERA, ACCOUNT, PHONE;

        /** Whether every camera of a house shows it. */
        boolean all() {
            return this != CAMERA;
        }
    }

    private final String words;
    private final double ofHundredCalls;
    private final Of of;
    private final Cure cure;

    Cause(String words, double ofHundredCalls, Of of, Cure cure) {
        this.words = words;
        this.ofHundredCalls = ofHundredCalls;
        this.of = of;
        this.cure = cure;
    }

    @Override
    public String words() {
        return words;
    }

    public double ofHundredCalls() {
        return ofHundredCalls;
    }

    public Of of() {
        return of;
    }

    public Cure cure() {
        return cure;
    }
}
