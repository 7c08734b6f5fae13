package roofnest.app.drawing;

/** A figure beside a drawing, with its unit. */
public record Readout(String what, String value) {}
