package roofnest.standins;

/** What can be made to go wrong on the bench; each happens once. */
public enum Fault {
    PHONE_FALLS_BACK("The phone falls back to the home network once"),
    PASSWORD_MISTYPED("One character of the Wi-Fi password is typed wrongly once");

    private final String words;

    Fault(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
