package roofnest.core.plan;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * What walls and openings are made of: the loss a radio ray takes through one, by band, whether light passes, and how
 * it is drilled. Losses are ordinary planning figures in the form of the COST 231 multi-wall model; readings on site
 * win over them.
 */
public enum Material {
    @JsonProperty("plasterboard")
    PLASTERBOARD("plasterboard on studs", 3, 4, false, 0.1),
    @JsonProperty("timber")
    TIMBER("timber", 3, 5, false, 0.1),
    @JsonProperty("glass")
    GLASS("plain glass", 2, 3, true, 0.02),
    @JsonProperty("coated-glass")
    COATED_GLASS("coated glass", 9, 17, true, 0.02),
    @JsonProperty("brick")
    BRICK("single brick", 6, 10, false, 0.11),
    @JsonProperty("cavity-brick")
    CAVITY_BRICK("cavity brick", 10, 16, false, 0.3),
    @JsonProperty("stone")
    STONE("stone", 14, 24, false, 0.4),
    @JsonProperty("concrete")
    CONCRETE("concrete", 15, 24, false, 0.2),
    @JsonProperty("metal")
    METAL("sheet metal", 24, 28, false, 0.02),
    @JsonProperty("foil")
    FOIL("foil-backed insulation", 12, 18, false, 0.15),
    @JsonProperty("hedge")
    HEDGE("hedge", 0.7, 1.2, false, 0.8),
    @JsonProperty("open")
    OPEN("open", 0, 0, true, 0.1),
    /** Of trees; not a wall's. */
    @JsonProperty("foliage")
    FOLIAGE("foliage", 0.7, 1.2, false, 2),
    /** Of tanks; not a wall's. */
    @JsonProperty("water-tank")
    WATER_TANK("water tank", 20, 30, false, 1);

    private final String words;
    private final double lossDb24;
    private final double lossDb5;
    private final boolean seeThrough;
    private final double usualThicknessM;

    Material(String words, double lossDb24, double lossDb5, boolean seeThrough, double usualThicknessM) {
        this.words = words;
        this.lossDb24 = lossDb24;
        this.lossDb5 = lossDb5;
        this.seeThrough = seeThrough;
        this.usualThicknessM = usualThicknessM;
    }

    public String words() {
        return words;
    }

    /** Loss of one crossing at 2.4 GHz, dB; {@link #perMetre()} of thickness where that says so. */
    public double lossDb24() {
        return lossDb24;
    }

    /** Loss of one crossing at 5 GHz, dB; {@link #perMetre()} of thickness where that says so. */
    public double lossDb5() {
        return lossDb5;
    }

    /** Offered while drawing, metres. */
    public double usualThicknessM() {
        return usualThicknessM;
    }

    /** Whether its loss grows with the thickness. */
    public boolean perMetre() {
        return this == HEDGE || this == FOLIAGE;
    }

    public boolean seeThrough() {
        return seeThrough;
    }
}
