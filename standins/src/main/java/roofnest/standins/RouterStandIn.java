package roofnest.standins;

/**
 * A router that announces one name and lets in who knows its password.
 *
 * @param suits whether the model can take this name, password, band and security at all
 */
public record RouterStandIn(String networkName, boolean suits) {
    /** Whether a camera that was told the right or a wrong password gets in. */
    boolean admits(boolean rightPassword) {
        return suits && rightPassword;
    }
}
