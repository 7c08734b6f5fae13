package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * How a model notices people.
 *
 * @param rangeM at its ordinary sensitivity, across the line of sight, metres
 * @param fanDeg opening of the sensing fan, degrees
 * @param wakeSeconds trigger to first recorded frame
 * @param prerollSeconds kept from before the trigger; models that watch the picture have some
 */
public record MotionSpec(Sensing sensing, double rangeM, double fanDeg, double wakeSeconds, double prerollSeconds) {
    public enum Sensing {
        @JsonProperty("infrared")
        INFRARED,
        @JsonProperty("picture")
        PICTURE
    }

    public MotionSpec {
        Require.inRange("motion range in metres", rangeM, 1, 40);
        Require.inRange("motion fan in degrees", fanDeg, 10, 180);
        Require.inRange("wake time in seconds", wakeSeconds, 0, 10);
        Require.inRange("pre-roll in seconds", prerollSeconds, 0, 30);
    }
}
