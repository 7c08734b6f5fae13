package roofnest.core.plan;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * Something with a meaning for radio or power.
 *
 * @param heightM above the ground, metres
 */
public record Thing(String id, String name, Kind kind, PlanPoint at, double heightM) {
    public enum Kind {
        @JsonProperty("router") ROUTER,
        @JsonProperty("socket") SOCKET,
        @JsonProperty("vent") VENT
    }

    public Thing {
        id = Require.text("thing id", id, 60);
        name = Require.text("thing name", name, 80);
        Require.inRange("height in metres", heightM, -20, 60);
    }

    public SpacePoint position() {
        return SpacePoint.at(at, heightM);
    }
}
