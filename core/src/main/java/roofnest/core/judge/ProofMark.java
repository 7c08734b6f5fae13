package roofnest.core.judge;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

import roofnest.core.footage.Keeping;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Thing;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.radio.LinkBudget;
import roofnest.core.week.WatchSetting;
import roofnest.core.view.CameraPose;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything that a test of a promise at one camera rests on. When a part of it is no longer as it was, the test no longer counts, and
 * the part is named. A link rests on where the camera and what it talks to stand, on the network and on the walls that the plan shows
 * between; sight on pose, mask and the place; what is recorded and told on zones and timing as well.
 *
 * @param parts only those that the promise rests on
 */
public record ProofMark(Map<Part, String> parts) {
    /** What may have changed since a test, in words that go after the camera's name. */
    public enum Part {
        MODEL("is another model"), PLACE("was moved"), AIM("was turned"), MASK("was masked anew"), ZONES("has other zones"),
        TIMING("has other timing"), NETWORK("is on another Wi-Fi"), PEER("talks to something that stands elsewhere now"),
        BETWEEN("has other walls before it on the plan"), SPOT("watches a place that was moved on the plan"),
        WAY("watches a path that was drawn anew"), AREA("is to spare ground that was drawn anew"),
        HIDDEN("has something before the place on the plan"), NIGHT("sees the night by another light"),
        SENSING("is set to notice otherwise"), KEEPING("keeps its footage otherwise"), RESET("was reset", true),
        DEVICE("is another device", true),
        HUNG("was moved or turned by somebody", true), CARD("has another card", true), ROUTER("is on a router or line that was changed",
                true),
        PHONES("rings another phone", true);

        private final String words;
        private final boolean happens;

        Part(String words) {
            this(words, false);
        }

        Part(String words, boolean happens) {
            this.words = words;
            this.happens = happens;
        }

        public String words() {
            return words;
        }
    }

    private static final Pattern UNNAMED = Pattern.compile("(.{1,200}) (-?[0-9.]+/-?[0-9.]+/-?[0-9.]+)"
            + "(?:/(-?[0-9]+/-?[0-9]+)/(\\[[^/]*\\])(?:/(\\[[^/]*\\])/([0-9]+/[0-9]+))?)?");
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final TypeReference<EnumMap<Part, String>> PARTS = new TypeReference<>() {
    };

    public ProofMark {
        parts = Map.copyOf(parts);
    }

    /**
     * As {@link #text} wrote it, or as marks were written before they had names.
     *
     * @throws IllegalArgumentException when it is neither
     */
    public static ProofMark read(String text) {
        if (!text.startsWith("{")) {
            return unnamed(text);
        }
        try {
            return new ProofMark(JSON.readValue(text, PARTS));
        } catch (JacksonException e) {
            throw new IllegalArgumentException("no mark of a proof", e);
        }
    }

    private static ProofMark unnamed(String text) {
        Matcher matcher = UNNAMED.matcher(text);
        if (!matcher.matches()) {
            throw new IllegalArgumentException("no mark of a proof");
        }
        Map<Part, String> parts = new EnumMap<>(Part.class);
        List<Part> order = List.of(Part.MODEL, Part.PLACE, Part.AIM, Part.MASK, Part.ZONES, Part.TIMING);
        for (int i = 0; i < order.size(); i++) {
            if (matcher.group(i + 1) != null) {
                parts.put(order.get(i), matcher.group(i + 1));
            }
        }
        return new ProofMark(parts);
    }

    /** In one line, to be kept with the proof. */
    public String text() {
        return JSON.writeValueAsString(new EnumMap<>(parts));
    }

    /**
     * What is no longer as it was when the other was made, in the order of the parts; what that one does not speak of is left out. A plan
     * that was mended, so that nothing lies before the place any more, takes nothing from a test.
     */
    public List<Part> changedSince(ProofMark then) {
        List<Part> changed = new ArrayList<>();
        for (Part part : Part.values()) {
            boolean mended = part == Part.HIDDEN && "false".equals(parts.get(part));
            if (!part.happens && then.parts().containsKey(part) && !then.parts().get(part).equals(parts.get(part)) && !mended) {
                changed.add(part);
            }
        }
        return changed;
    }

    /**
     * What has happened since a test that was made on a day, in the order of the parts: whatever is of a later day, and what is of the same
     * day unless the test knew of it. Whose phone is new does not end a test as a whole, see {@link #phoneIsNew}.
     */
    List<Part> happenedSince(ProofMark then, LocalDate on) {
        return parts.entrySet().stream().filter(each -> each.getKey().happens && each.getKey() != Part.PHONES).filter(each -> {
            LocalDate day = LocalDate.parse(each.getValue());
            return day.isAfter(on) || day.equals(on) && !each.getValue().equals(then.parts().get(each.getKey()));
        }).map(Map.Entry::getKey).sorted().toList();
    }

    /** Whether somebody has another phone than the one that was tried in a test of a day. */
    boolean phoneIsNew(long personId, ProofMark then, LocalDate on) {
        return phones().entrySet().stream().filter(each -> each.getKey() == personId).map(Map.Entry::getValue)
                .anyMatch(day -> day.isAfter(on)
                        || day.equals(on) && !day.equals(then.phones().get(personId)));
    }

    private Map<Long, LocalDate> phones() {
        String said = parts.getOrDefault(Part.PHONES, "");
        return said.isEmpty() ? Map.of()
                : Arrays.stream(said.split(" ")).map(each -> each.split("=")).collect(Collectors.toMap(each -> Long.valueOf(each[0]),
                        each -> LocalDate.parse(each[1])));
    }

    private static void happened(Map<Part, String> parts, Promise promise, Camera camera, HouseholdFacts facts) {
        boolean kept = promise instanceof Promise.KeepsDays || promise instanceof Promise.SurvivesTheft;
        boolean overTheLine = promise instanceof Promise.HoldsLink || promise instanceof Promise.LiveAway
                || promise instanceof Promise.AlertWithin;
        latest(facts, Happened.Kind.RESET, camera).ifPresent(day -> parts.put(Part.RESET, day));
        latest(facts, Happened.Kind.REPLACED, camera).ifPresent(day -> parts.put(Part.DEVICE, day));
        latest(facts, Happened.Kind.MOVED, camera).filter(day -> !kept).ifPresent(day -> parts.put(Part.HUNG, day));
        latest(facts, Happened.Kind.CARD, camera).filter(day -> kept).ifPresent(day -> parts.put(Part.CARD, day));
        latest(facts, Happened.Kind.ROUTER, camera).filter(day -> overTheLine).ifPresent(day -> parts.put(Part.ROUTER, day));
        Map<Long, LocalDate> phones = new TreeMap<>();
        facts.happened().stream().filter(each -> each.kind() == Happened.Kind.PHONE)
                .forEach(each -> phones.merge(each.about().orElseThrow(),
                        each.on(), (one, other) -> one.isAfter(other) ? one : other));
        if (!phones.isEmpty() && (promise instanceof Promise.LiveAway || promise instanceof Promise.AlertWithin)) {
            parts.put(Part.PHONES, phones.entrySet().stream().map(each -> each.getKey() + "=" + each.getValue()).collect(Collectors.joining(
                    " ")));
        }
    }

    /** The latest day of a kind, of the camera or of the house. */
    private static Optional<String> latest(HouseholdFacts facts, Happened.Kind kind, Camera camera) {
        return facts.happened().stream().filter(each -> each.kind() == kind && each.about().filter(id -> id != camera.id()).isEmpty()).map(
                Happened::on).max(LocalDate::compareTo).map(LocalDate::toString);
    }

    static ProofMark of(Promise promise, Camera camera, Hearing hearing) {
        Map<Part, String> parts = new EnumMap<>(Part.class);
        happened(parts, promise, camera, hearing.facts());
        CameraPose pose = camera.pose();
        parts.put(Part.MODEL, camera.model().fullName());
        parts.put(Part.PLACE, String.format(Locale.ROOT, "%.2f/%.2f/%.2f", pose.xM(), pose.yM(), pose.heightM()));
        boolean link = promise instanceof Promise.HoldsLink;
        boolean away = promise instanceof Promise.LiveAway;
        if (link || away || promise instanceof Promise.AlertWithin) {
            hearing.facts().network().ifPresent(network -> parts.put(Part.NETWORK, network.name() + "/" + Links.band(camera,
                    hearing.facts())));
            hearing.link(camera).ifPresent(budget -> link(parts, budget, hearing));
        }
        if (!link && !away) {
            parts.put(Part.AIM, String.format(Locale.ROOT, "%.0f/%.0f", pose.headingDeg(), pose.tiltDeg()));
            parts.put(Part.MASK, new TreeSet<>(camera.masked()).toString());
            if (byNight(promise)) {
                parts.put(Part.NIGHT, camera.pictureSetup().light().name());
            }
            hearing.facts().plan().ifPresent(plan -> sight(parts, promise, camera, plan, hearing));
        }
        if (!link && !away && !(promise instanceof Promise.MakeOut) && !(promise instanceof Promise.NeverShows)) {
            parts.put(Part.ZONES, camera.zones().toString());
            parts.put(Part.TIMING, camera.settings().clipSeconds() + "/" + camera.settings().coolDownSeconds());
            WatchSetting set = camera.watchSetting();
            parts.put(Part.SENSING, set.sensitivity() + "/" + new TreeSet<>(set.kinds()));
        }
        if (promise instanceof Promise.KeepsDays || promise instanceof Promise.SurvivesTheft) {
            Keeping keeping = hearing.facts().footage().of(camera.id());
            parts.put(Part.KEEPING, camera.settings().cardGb() + "/" + keeping.when() + "/" + keeping.hoursADay() + "/"
                    + keeping.stopsWhenFull() + "/" + FootageKept.of(hearing.facts(), camera).where().stream().sorted().toList());
        }
        return new ProofMark(parts);
    }

    private static boolean byNight(Promise promise) {
        return !(promise instanceof Promise.NeverShows) && !(promise instanceof Promise.MakeOut out && out.light() == Light.DAY)
                && !(promise instanceof Promise.RecordedBefore before && before.light() == Light.DAY);
    }

    private static void link(Map<Part, String> parts, LinkBudget budget, Hearing hearing) {
        hearing.facts().plan().ifPresent(plan -> parts.put(Part.PEER, plan.ofKind(Thing.Kind.ROUTER, Thing.Kind.ACCESS_POINT,
                Thing.Kind.HUB).filter(thing -> budget.peer().contains(thing.name()))
                .map(thing -> point(thing.at()) + "/" + thing.heightM()).sorted().collect(Collectors.joining(" "))));
        parts.put(Part.BETWEEN, budget.ray().walls().stream().map(wall -> wall.material().name()).sorted().toList() + " "
                + budget.ray().slabs());
    }

    private static void sight(Map<Part, String> parts, Promise promise, Camera camera, HousePlan plan, Hearing hearing) {
        Optional<Place> place = promise instanceof Promise.MakeOut out ? plan.place(out.placeId())
                : promise instanceof Promise.RecordedBefore before ? plan.place(before.placeId()) : Optional.empty();
        place.ifPresent(spot -> {
            parts.put(Part.SPOT, point(spot.at()) + "/" + spot.groundM());
            hearing.house().ifPresent(house -> parts.put(Part.HIDDEN, String.valueOf(!house.eye(camera.model().lens(), camera.pose())
                    .clearTo(spot.at().xM(), spot.at().yM(), spot.face().zM()))));
        });
        if (promise instanceof Promise.RecordedBefore before) {
            plan.path(before.pathId()).ifPresent(way -> parts.put(Part.WAY, points(way.points())));
        }
        if (promise instanceof Promise.NeverShows never) {
            plan.area(never.areaId()).ifPresent(area -> parts.put(Part.AREA, points(area.outline())));
        }
    }

    private static String point(PlanPoint at) {
        return String.format(Locale.ROOT, "%.2f/%.2f", at.xM(), at.yM());
    }

    private static String points(List<PlanPoint> points) {
        return points.stream().map(ProofMark::point).collect(Collectors.joining(" "));
    }
}
