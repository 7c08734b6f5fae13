package roofnest.app.firm;

/**
 * Where a try to sign in comes from; not kept beyond it.
 *
 * @param device hash of what the browser keeps; null when it keeps nothing
 */
record SignInDetails(String address, byte[] device) {}
