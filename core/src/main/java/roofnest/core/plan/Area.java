package roofnest.core.plan;

import java.util.List;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/** A piece of ground with a meaning. */
public record Area(String id, String name, Kind kind, List<PlanPoint> outline) {
    public enum Kind {
        @JsonProperty("lawn") LAWN,
        @JsonProperty("path") PATH,
        @JsonProperty("steps") STEPS,
        @JsonProperty("road") ROAD,
        @JsonProperty("water") WATER,
        @JsonProperty("private") PRIVATE,
        @JsonProperty("neighbour") NEIGHBOUR;

        /** Whether a camera of this household has no business showing it. */
        public boolean offLimits() {
            return this == PRIVATE || this == NEIGHBOUR;
        }
    }

    public Area {
        id = Require.text("area id", id, 60);
        name = Require.text("area name", name, 80);
        outline = List.copyOf(outline);
    }
}
