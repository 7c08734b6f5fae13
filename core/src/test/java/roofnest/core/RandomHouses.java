package roofnest.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Roof;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/** Small houses by seed: one or two storeys, a roof of each kind, garden walls, a bank, a hollow, a slope, trees. */
public final class RandomHouses {
    private RandomHouses() {}

    public static HousePlan plan(long seed) {
        Random random = new Random(seed);
        double w = 6 + 6 * random.nextDouble();
        double d = 5 + 5 * random.nextDouble();
        boolean two = random.nextInt(3) > 0;
        double ceiling = 2.3 + 0.5 * random.nextDouble();
        double floor = ceiling + 0.2 + 0.3 * random.nextDouble();
        Roof roof = switch (random.nextInt(4)) {
            case 0 -> null;
            case 1 -> Roof.none();
            case 2 -> new Roof(Roof.Kind.FLAT, null, null, null, 0.4 * random.nextInt(2), null);
            default -> {
                double eaves = (two ? floor + 2.4 : ceiling) - 0.1;
                yield new Roof(Roof.Kind.PITCHED, eaves, eaves + 1 + 2 * random.nextDouble(), 90.0 * random.nextInt(2),
                        0.5 * random.nextDouble(), null);
            }
        };
        List<Storey> storeys = new ArrayList<>();
        List<Wall> walls = new ArrayList<>();
        storeys.add(new Storey("g", "Ground", 0, ceiling, null, null, two ? null : roof));
        box(walls, "g", 0, 0, w, d, random);
        if (two) {
            double over = 0.6 + 0.4 * random.nextDouble();
            List<List<PlanPoint>> wells = random.nextBoolean() ? List.of(rectangle(1, 1, 2, 2)) : null;
            storeys.add(new Storey("u", "Upper", floor, 2.4, rectangle(0, 0, w * over, d), wells, roof));
            box(walls, "u", 0, 0, w * over, d, random);
        }
        for (int i = 0; i < 3; i++) {
            PlanPoint from = new PlanPoint(-8 + 24 * random.nextDouble(), d + 2 + 8 * random.nextDouble());
            walls.add(new Wall("f" + i, "g", from, from.towards(360 * random.nextDouble(), 2 + 6 * random.nextDouble()),
                    Material.values()[random.nextInt(10)], 0.1, 0.8 + 1.4 * random.nextDouble(), null));
        }
        List<Area> areas = new ArrayList<>();
        areas.add(new Area("bank", "bank", Area.Kind.LAWN, rectangle(-9, -9, -3, d), 0.3 + random.nextDouble(), null));
        areas.add(new Area("slope", "slope", Area.Kind.LAWN, rectangle(w + 3, -6, w + 12, d), 0.0,
                new Area.Slope(0.5 + 2 * random.nextDouble(), 360 * random.nextDouble())));
        areas.add(new Area("hollow", "hollow", Area.Kind.PATH, rectangle(0, -12, w, -5), -0.4 - random.nextDouble(), null));
        areas.add(new Area("next", "next door", Area.Kind.PRIVATE, rectangle(-20, d + 3, -10, d + 14)));
        List<Thing> things = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            things.add(new Thing("t" + i, "tree", random.nextBoolean() ? Thing.Kind.TREE : Thing.Kind.TANK,
                    new PlanPoint(-6 + 20 * random.nextDouble(), -10 + 8 * random.nextDouble()), 1.5 + 4 * random.nextDouble(),
                    0.5 + random.nextDouble()));
        }
        things.add(new Thing("r", "Brill R2", Thing.Kind.ROUTER, new PlanPoint(w / 3, d / 3), 1.1));
        List<Place> places = List.of(new Place("door", "door", new PlanPoint(w / 2, -1.5), 0),
                new Place("shed", "shed", new PlanPoint(w / 2 + 2, d + 5), 0), new Place("top", "top", new PlanPoint(-5, d / 2), 0.3));
        return new HousePlan(HousePlan.FORMAT, "house " + seed, 50, storeys, walls, areas, null, places, things, null, null);
    }

    private static void box(List<Wall> walls, String storey, double x0, double y0, double x1, double y1, Random random) {
        List<PlanPoint> corners = rectangle(x0, y0, x1, y1);
        for (int i = 0; i < 4; i++) {
            PlanPoint from = corners.get(i);
            PlanPoint to = corners.get((i + 1) % 4);
            double at = 0.5 + random.nextDouble();
            Opening opening = random.nextBoolean() ? new Opening(Opening.Kind.WINDOW, at, 1.2, 0.9, 2.1, null)
                    : new Opening(Opening.Kind.GAP, at, 0.9, 0, 2.0, null);
            walls.add(new Wall(storey + i, storey, from, to, Material.BRICK, 0.25, null, List.of(opening)));
        }
    }

    public static List<PlanPoint> rectangle(double x0, double y0, double x1, double y1) {
        return List.of(new PlanPoint(x0, y0), new PlanPoint(x1, y0), new PlanPoint(x1, y1), new PlanPoint(x0, y1));
    }

    /** A pose somewhere about such a house, looking anywhere. */
    public static CameraPose pose(Random random) {
        return new CameraPose(-8 + 24 * random.nextDouble(), -10 + 26 * random.nextDouble(), 1.2 + 3.5 * random.nextDouble(),
                360 * random.nextDouble(), -10 + 80 * random.nextDouble() * random.nextDouble());
    }
}
