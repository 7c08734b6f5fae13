package roofnest.core.mount;

import java.util.Locale;

/** What lies on a wall and carries nothing: the fixing has to reach what is behind it. */
public enum Covering {
    NONE("nothing on it"),
    RENDER("render"),
    INSULATION("insulation under render"),
    TILES("hung tiles or slates"),
    TIMBER_CLADDING("timber cladding"),
    METAL_CLADDING("metal cladding"),
    OLD_BOARD("old boards of unknown make");

    private final String words;

    Covering(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** By which pages name it. */
    public String slug() {
        return name().toLowerCase(Locale.ROOT);
    }
}
