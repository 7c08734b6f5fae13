package roofnest.core.lang;

/** A constant that can be read out to a person. */
public interface Worded {
    String words();
}
