package roofnest.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;

import roofnest.core.cable.Bore;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.CableRun;
import roofnest.core.mount.Fixings;

/**
 * Counts what a job needs. How much is brought beyond that is the firm's {@link Practice}: more of what is drilled in and clipped
 * on, spare packs and cards.
 */
public final class KitList {

    private KitList() {}

    public enum Group {
        DEVICES("Devices"), POWER("Power and cards"), FIXING("Fixings"), TOOLS("Tools"), CARE("For what has come up");

        private final String words;

        Group(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param key by which its price is known; stays the same from job to job
     * @param quantity pieces
     * @param why how it was counted
     * @param sold whether it is left with the household and charged for
     */
    public record Line(String key, Group group, String what, int quantity, String why, boolean sold) {}

    /**
     * One camera of the job.
     *
     * @param cardGb of the card agreed; 0 for none
     * @param overFootM of the lens over the ground or floor under it, metres
     * @param bores holes that its lead goes through
     */
    public record Item(String name, DeviceModel model, int cardGb, double overFootM, Optional<Fixings> fixings,
            Optional<CableRun> cable, List<Bore> bores) {
        public Item {
            bores = List.copyOf(bores);
        }
    }

    public static List<Line> of(List<Item> items, Practice practice) {
        List<Line> lines = new ArrayList<>();
        if (items.isEmpty()) {
            return lines;
        }
        devices(lines, items);
        power(lines, items, practice);
        fixings(lines, items, practice.of(Figure.SPARE_FIXINGS));
        tools(lines, items, practice);
        return lines;
    }

    private static void devices(List<Line> lines, List<Item> items) {
        grouped(items, item -> item.model().key()).forEach((key, same) -> lines.add(new Line(
                "model " + key, Group.DEVICES, same.get(0).model().fullName(), same.size(), names(same), true)));
        grouped(items.stream().filter(item -> item.model().radio().viaHub()).toList(), item -> item.model().maker())
                .forEach((maker, same) -> lines.add(new Line(
                        "hub " + maker.toLowerCase(Locale.ROOT), Group.DEVICES, maker + " hub", 1, "for " + names(same), true)));
    }

    private static void power(List<Line> lines, List<Item> items, Practice practice) {
        int oneSpareFor = (int) Math.round(practice.of(Figure.SPARE_FOR));
        grouped(items.stream().filter(item -> item.model().power().onBattery()).toList(), item -> item.model().key())
                .forEach((key, same) -> {
                    int spare = same.size() / oneSpareFor;
                    if (spare > 0) {
                        lines.add(new Line("pack " + key, Group.POWER, "Spare pack, " + same.get(0).model().fullName(), spare,
                                oneSpareFor == 1 ? "one for every camera" : "one for every " + oneSpareFor + " cameras", false));
                    }
                });
        grouped(items.stream().filter(item -> item.cardGb() > 0).toList(), item -> String.format(Locale.ROOT, "%04d", item.cardGb()))
                .forEach((size, same) -> {
                    int spare = same.size() / oneSpareFor;
                    int gb = same.get(0).cardGb();
                    lines.add(new Line("card " + gb, Group.POWER, "Card of " + gb + " GB, high endurance", same.size() + spare,
                            same.size() + " to put in" + (spare > 0 ? ", " + spare + " spare" : ""), true));
                });
        for (Item item : items) {
            item.cable().filter(cable -> cable.beyondLeadM() > 0).ifPresent(cable -> {
                int metres = (int) Math.ceil(cable.beyondLeadM());
                lines.add(new Line("extension " + metres, Group.POWER, "Extension lead of " + metres + " m", 1,
                        item.name() + ": " + Numbers.fixed(cable.lengthM(), 1) + " m from " + cable.socket()
                                + ", its own lead is short of that",
                        true));
            });
        }
        int clips = items.stream().flatMap(item -> item.cable().stream()).mapToInt(CableRun::clips).sum();
        if (clips > 0) {
            double times = practice.of(Figure.SPARE_CLIPS);
            lines.add(new Line("clips", Group.POWER, "Cable clips", more(clips, times),
                    clips + " along the cables" + andMore(times), true));
        }
    }

    private static void fixings(List<Line> lines, List<Item> items, double times) {
        grouped(items.stream().filter(item -> item.fixings().filter(fixings -> fixings.screws() > 0).isPresent()).toList(),
                item -> item.fixings().orElseThrow().anchor()).forEach((anchor, same) -> {
                    int screws = same.stream().mapToInt(item -> item.fixings().orElseThrow().screws()).sum();
                    lines.add(new Line("anchor " + anchor, Group.FIXING, Character.toUpperCase(anchor.charAt(0)) + anchor.substring(1),
                            more(screws, times), screws + " for " + names(same) + andMore(times), true));
                });
    }

    private static void tools(List<Line> lines, List<Item> items, Practice practice) {
        grouped(items.stream().filter(item -> item.fixings().filter(fixings -> fixings.drillMm() > 0).isPresent()).toList(),
                item -> String.format(Locale.ROOT, "%05.1f %s", item.fixings().orElseThrow().drillMm(), item.fixings().orElseThrow().bit()))
                .forEach((drill, same) -> {
                    Fixings fixings = same.get(0).fixings().orElseThrow();
                    lines.add(new Line("drill " + drill, Group.TOOLS, Numbers.plain(fixings.drillMm()) + " mm drill, " + fixings.bit(), 1,
                            "for " + names(same), false));
                });
        holes(lines, items);
        climb(lines, items, practice, Climb.LADDER, "ladder", "Ladder, with somebody to foot it");
        climb(lines, items, practice, Climb.STEPS, "steps", "Steps");
        lines.add(new Line("reset pin", Group.TOOLS, "Reset pin and a cloth for lenses", 1, "always", false));
        lines.add(new Line("stickers", Group.TOOLS, "Envelope for the code stickers", 1,
                items.size() + (items.size() == 1 ? " sticker" : " stickers") + " to keep", false));
    }

    /** The longest hole of each kind decides the bit; every hole out of doors is closed again. */
    private static void holes(List<Line> lines, List<Item> items) {
        Map<String, Integer> longest = new TreeMap<>();
        items.stream().flatMap(item -> item.bores().stream()).forEach(bore -> longest.merge(bitFor(bore), bore.bitMm(), Math::max));
        longest.forEach((bit, mm) -> lines.add(new Line("long " + bit, Group.TOOLS, "Long " + bit + ", " + mm + " mm or more", 1,
                "for " + names(items.stream().filter(item -> item.bores().stream().map(KitList::bitFor).anyMatch(bit::equals)).toList())
                        + ": as wide as the plug of the lead, measure it",
                false)));
        long ends = 2 * items.stream().mapToLong(item -> item.bores().size()).sum();
        if (ends > 0) {
            lines.add(new Line("bushings", Group.FIXING, "Bushings for the ends of holes, and sealant", (int) ends,
                    ends / 2 + (ends == 2 ? " hole" : " holes") + " for " + names(items.stream().filter(item -> !item.bores().isEmpty())
                            .toList()),
                    false));
        }
    }

    private static String bitFor(Bore bore) {
        return switch (bore.material()) {
            case TIMBER, PLASTERBOARD, FOIL -> "wood bit";
            case METAL -> "step bit for sheet metal";
            default -> "masonry bit";
        };
    }

    private static void climb(List<Line> lines, List<Item> items, Practice practice, Climb climb, String key, String what) {
        List<Item> high = items.stream().filter(item -> practice.climb(item.overFootM()) == climb).toList();
        if (!high.isEmpty()) {
            lines.add(new Line(key, Group.TOOLS, what, 1, "for " + names(high), false));
        }
    }

    /** Rounded first, so that ten by 1.1 stays eleven. */
    private static int more(int needed, double times) {
        return (int) Math.ceil(Math.round(needed * times * 1000) / 1000.0);
    }

    private static String andMore(double times) {
        return times == 1 ? "" : ", and " + Numbers.plain(Math.round(100 * (times - 1))) + " % more";
    }

    private static Map<String, List<Item>> grouped(List<Item> items, Function<Item, String> by) {
        return items.stream().collect(Collectors.groupingBy(by, TreeMap::new, Collectors.toList()));
    }

    private static String names(List<Item> items) {
        return items.stream().map(Item::name).collect(Collectors.joining(", "));
    }
}
