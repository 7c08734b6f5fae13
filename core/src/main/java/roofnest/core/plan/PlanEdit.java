package roofnest.core.plan;

import java.util.List;
import java.util.Locale;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/**
 * One thing done to a plan while drawing. {@link PlanEdits} makes it. In JSON its kind stands in {@code edit}:
 * {@code {"edit": "split-wall", "id": "wall-3", "atM": 2.4}}. Lengths in metres, headings in degrees.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "edit")
@JsonSubTypes({
    @JsonSubTypes.Type(value = PlanEdit.AddWalls.class, name = "add-walls"),
    @JsonSubTypes.Type(value = PlanEdit.SetWall.class, name = "set-wall"),
    @JsonSubTypes.Type(value = PlanEdit.MoveCorner.class, name = "move-corner"),
    @JsonSubTypes.Type(value = PlanEdit.SplitWall.class, name = "split-wall"),
    @JsonSubTypes.Type(value = PlanEdit.JoinWalls.class, name = "join-walls"),
    @JsonSubTypes.Type(value = PlanEdit.SetOpening.class, name = "set-opening"),
    @JsonSubTypes.Type(value = PlanEdit.RemoveOpening.class, name = "remove-opening"),
    @JsonSubTypes.Type(value = PlanEdit.AddArea.class, name = "add-area"),
    @JsonSubTypes.Type(value = PlanEdit.SetArea.class, name = "set-area"),
    @JsonSubTypes.Type(value = PlanEdit.AddPath.class, name = "add-path"),
    @JsonSubTypes.Type(value = PlanEdit.AddPlace.class, name = "add-place"),
    @JsonSubTypes.Type(value = PlanEdit.AddThing.class, name = "add-thing"),
    @JsonSubTypes.Type(value = PlanEdit.AddLabel.class, name = "add-label"),
    @JsonSubTypes.Type(value = PlanEdit.SetNamed.class, name = "set-named"),
    @JsonSubTypes.Type(value = PlanEdit.Boundary.class, name = "boundary"),
    @JsonSubTypes.Type(value = PlanEdit.Move.class, name = "move"),
    @JsonSubTypes.Type(value = PlanEdit.Delete.class, name = "delete"),
    @JsonSubTypes.Type(value = PlanEdit.AddStorey.class, name = "add-storey"),
    @JsonSubTypes.Type(value = PlanEdit.SetStorey.class, name = "set-storey"),
    @JsonSubTypes.Type(value = PlanEdit.DuplicateStorey.class, name = "duplicate-storey"),
    @JsonSubTypes.Type(value = PlanEdit.SetRoof.class, name = "set-roof"),
    @JsonSubTypes.Type(value = PlanEdit.AddStairwell.class, name = "add-stairwell"),
    @JsonSubTypes.Type(value = PlanEdit.CloseStairwells.class, name = "close-stairwells"),
    @JsonSubTypes.Type(value = PlanEdit.Site.class, name = "site")
})
public sealed interface PlanEdit {
    /** What was done, for the list of what can be undone. */
    String words();

    /** Walls from point to point; where one would run through another, both are split. */
    record AddWalls(String storey, List<PlanPoint> points, Material material, double thicknessM, Double heightM) implements PlanEdit {
        @Override
        public String words() {
            return points.size() == 2 ? "a wall drawn" : (points.size() - 1) + " walls drawn";
        }
    }

    record SetWall(String id, Material material, double thicknessM, double heightM) implements PlanEdit {
        @Override
        public String words() {
            return "a wall changed";
        }
    }

    /** Every wall of the storey that ends at {@code from} ends at {@code to}; of areas and paths the one corner. */
    record MoveCorner(String storey, String id, PlanPoint from, PlanPoint to) implements PlanEdit {
        @Override
        public String words() {
            return "a corner moved";
        }
    }

    record SplitWall(String id, double atM) implements PlanEdit {
        @Override
        public String words() {
            return "a wall split";
        }
    }

    record JoinWalls(String id, String otherId) implements PlanEdit {
        @Override
        public String words() {
            return "two walls joined";
        }
    }

    /** @param index of the opening to change; absent to add one */
    record SetOpening(
            String id, Integer index, Opening.Kind kind, double atM, double widthM, double sillM, double headM, Material material)
            implements
                PlanEdit {
        @Override
        public String words() {
            return index == null ? "an opening added" : "an opening changed";
        }
    }

    record RemoveOpening(String id, int index) implements PlanEdit {
        @Override
        public String words() {
            return "an opening taken out";
        }
    }

    record AddArea(String name, Area.Kind kind, List<PlanPoint> outline) implements PlanEdit {
        @Override
        public String words() {
            return "an area drawn";
        }
    }

    record SetArea(String id, String name, Area.Kind kind, double heightM, double riseM, double uphillDeg) implements PlanEdit {
        @Override
        public String words() {
            return "an area changed";
        }
    }

    record AddPath(String name, List<PlanPoint> points) implements PlanEdit {
        @Override
        public String words() {
            return "a path drawn";
        }
    }

    record AddPlace(String name, PlanPoint at) implements PlanEdit {
        @Override
        public String words() {
            return "a place set";
        }
    }

    record AddThing(String name, Thing.Kind kind, PlanPoint at, double heightM) implements PlanEdit {
        @Override
        public String words() {
            return "a " + kind.name().toLowerCase(Locale.ROOT).replace('_', ' ') + " set";
        }
    }

    record AddLabel(String text, PlanPoint at, String storey) implements PlanEdit {
        @Override
        public String words() {
            return "a name written";
        }
    }

    /** Name, height and radius of a place, thing or path; what it has none of is left alone. */
    record SetNamed(String id, String name, Double heightM, Double radiusM) implements PlanEdit {
        @Override
        public String words() {
            return "something renamed";
        }
    }

    record Boundary(List<PlanPoint> points) implements PlanEdit {
        @Override
        public String words() {
            return "the boundary drawn";
        }
    }

    record Move(String id, double dxM, double dyM) implements PlanEdit {
        @Override
        public String words() {
            return "something moved";
        }
    }

    record Delete(String id) implements PlanEdit {
        @Override
        public String words() {
            return "something deleted";
        }
    }

    record AddStorey(String name, double floorM, double heightM) implements PlanEdit {
        @Override
        public String words() {
            return "a storey added";
        }
    }

    record SetStorey(String id, String name, double floorM, double heightM) implements PlanEdit {
        @Override
        public String words() {
            return "a storey changed";
        }
    }

    /**
     * What lies over a storey where no other does.
     *
     * @param kind {@code flat}, {@code pitched}, {@code none}, or empty for what is taken while nobody says
     */
    record SetRoof(String id, String kind, Double eavesM, Double ridgeM, Double ridgeDeg, Double overhangM) implements PlanEdit {
        @Override
        public String words() {
            return "a roof set";
        }
    }

    /** A rectangular hole in a storey's floor, from its corner with the least x and y. */
    record AddStairwell(String id, double xM, double yM, double widthM, double depthM) implements PlanEdit {
        @Override
        public String words() {
            return "a stairwell opened";
        }
    }

    record CloseStairwells(String id) implements PlanEdit {
        @Override
        public String words() {
            return "stairwells closed";
        }
    }

    /** The same walls once more, on top of the highest storey, with a floor between. */
    record DuplicateStorey(String id, String name) implements PlanEdit {
        @Override
        public String words() {
            return "a storey duplicated";
        }
    }

    record Site(double latitudeDeg, double northDeg) implements PlanEdit {
        @Override
        public String words() {
            return "latitude and north set";
        }
    }
}
