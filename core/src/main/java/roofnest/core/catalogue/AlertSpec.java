package roofnest.core.catalogue;

import java.util.List;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * What a model lets people set about its motion and alerts, in its own steps.
 *
 * @param sensitivity names of the steps, from the dullest to the keenest
 * @param zones how many activity zones can be drawn; 0 when none
 * @param kinds what it can tell apart, and what each needs
 * @param coolDownSeconds rests between clips that can be chosen, rising
 * @param endsEarly whether a clip ends when nothing moves any longer
 * @param zoneShape how zones are drawn in its app; as polygons when left out
 * @param zoneGrid the cells that its app shows; null unless zones are made of cells
 * @param bell what can be set about it as a bell; null when it is none, or its document does not say
 */
public record AlertSpec(List<String> sensitivity, int zones, List<KindOf> kinds, List<Integer> coolDownSeconds, boolean endsEarly,
        ZoneShape zoneShape, DeviceModel.MaskGrid zoneGrid, BellSpec bell) {
    /** A model that says nothing of it. */
    public static final AlertSpec PLAIN = new AlertSpec(
            List.of("low", "middle", "high"), 0, List.of(new KindOf(Kind.ANY, Needs.CAMERA)), List.of(0, 30, 60, 300), false, null, null,
            null);

    /** How zones are drawn in a model's app. */
    public enum ZoneShape implements Worded {
        @JsonProperty("polygons")
        POLYGONS("with corners of one's own"), @JsonProperty("rectangles")
        RECTANGLES("as rectangles"), @JsonProperty("cells")
        CELLS("of cells");

        private final String words;

        ZoneShape(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public enum Kind implements Worded {
        @JsonProperty("any")
        ANY("all movement"), @JsonProperty("person")
        PERSON("people"), @JsonProperty("vehicle")
        VEHICLE("vehicles"),
        @JsonProperty("pet")
        PET("animals"), @JsonProperty("package")
        PACKAGE("parcels"), @JsonProperty("sound")
        SOUND("sounds");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public enum Needs implements Worded {
        @JsonProperty("camera")
        CAMERA("by itself"), @JsonProperty("hub")
        HUB("with its hub"), @JsonProperty("plan")
        PLAN("with a paid plan");

        private final String words;

        Needs(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public record KindOf(Kind kind, Needs needs) {}

    public AlertSpec {
        zoneShape = zoneShape == null ? ZoneShape.POLYGONS : zoneShape;
        if (zoneShape == ZoneShape.CELLS ? zoneGrid == null || !zoneGrid.canMask() : zoneGrid != null) {
            throw new IllegalArgumentException("zones made of cells have a grid, and no others do");
        }
        sensitivity = List.copyOf(sensitivity);
        kinds = List.copyOf(kinds);
        coolDownSeconds = List.copyOf(coolDownSeconds);
        Require.inRange("sensitivity steps", sensitivity.size(), 1, 100);
        Require.inRange("activity zones", zones, 0, 20);
        Require.inRange("kinds of alert", kinds.size(), 1, Kind.values().length);
        Require.inRange("rests between clips", coolDownSeconds.size(), 1, 20);
        coolDownSeconds.forEach(seconds -> Require.inRange("cool-down in seconds", seconds, 0, 3600));
    }

    /** The nearest rest that the model offers; of two as near, the longer. */
    public int nearestCoolDownSeconds(int wantedSeconds) {
        return coolDownSeconds.stream().reduce((a, b) -> Math.abs(a - wantedSeconds) < Math.abs(b - wantedSeconds) ? a : b).orElseThrow();
    }
}
