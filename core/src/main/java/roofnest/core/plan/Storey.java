package roofnest.core.plan;

import java.util.List;

import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Location;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * One floor of the house.
 *
 * @param floorM height of its floor above the ground, metres; negative for a cellar
 * @param heightM floor to ceiling, metres
 * @param slab outline of the floor between this storey and the one below, where there is one
 * @param stairwells outlines of the holes in that floor
 * @param roof over it where no other storey is; absent means a flat one at its ceiling
 */
public record Storey(
        String id, String name, double floorM, double heightM, List<PlanPoint> slab, List<List<PlanPoint>> stairwells, Roof roof) {

    @JsonCreator
    public Storey(
            @JsonProperty("id") String id, @JsonProperty("name") String name, @JsonProperty("floorM") double floorM,
            @JsonProperty("heightM") double heightM, @JsonProperty("slab") List<PlanPoint> slab,
            @JsonProperty("stairwells") List<List<PlanPoint>> stairwells, @JsonProperty("roof") Roof roof) {
        this.id = Require.text("storey id", id, 60);
        this.name = Require.text("storey name", name, 80);
        this.floorM = Require.inRange("floor height in metres", floorM, -20, 60);
        this.heightM = Require.inRange("storey height in metres", heightM, 1, 10);
        this.slab = slab == null ? List.of() : List.copyOf(slab);
        this.stairwells = stairwells == null ? List.of() : stairwells.stream().map(List::copyOf).toList();
        this.roof = roof;
    }

    /** A storey without holes in its floor, of whose roof nothing is said. */
    public Storey(String id, String name, double floorM, double heightM, List<PlanPoint> slab) {
        this(id, name, floorM, heightM, slab, null, null);
    }

    /** The same floor under another name and at other heights. */
    Storey with(String newName, double newFloorM, double newHeightM) {
        return new Storey(id, newName, newFloorM, newHeightM, slab, stairwells, roof);
    }

    /** The same, open to the sky where no other storey lies over it. */
    public Storey withoutRoof() {
        return withRoof(Roof.none());
    }

    Storey withRoof(Roof newRoof) {
        return new Storey(id, name, floorM, heightM, slab, stairwells, newRoof);
    }

    Storey withStairwells(List<List<PlanPoint>> newStairwells) {
        return new Storey(id, name, floorM, heightM, slab, newStairwells, roof);
    }

    /** Height of its ceiling above the ground, metres. */
    public double ceilingM() {
        return floorM + heightM;
    }

    /** Whether its floor reaches over a point of the plan. */
    public boolean covers(PlanPoint point) {
        return slab.size() >= 3 && SimplePointInAreaLocator.locate(Segments.coordinate(point), Segments.polygon(slab)) != Location.EXTERIOR;
    }
}
