package roofnest.app.web;

/** Under which names a request carries its number, and why it was not carried out. */
public final class RequestNumber {
    public static final String ATTRIBUTE = "roofnest.request.number";
    public static final String REASON = "roofnest.request.reason";

    private RequestNumber() {}
}
