package roofnest.app.tune;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.app.drawing.PictureView;
import roofnest.app.household.Frame;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.view.Vision;
import roofnest.core.week.SeenPassing;
import roofnest.core.week.Weeks;

/**
 * One camera's picture while a day is played.
 *
 * @param passes what goes through it, each on its way
 */
record PlayedPicture(long id, String name, PictureView picture, List<Pass> passes) {
    /** More pictures than these nobody watches at once. */
    private static final int MOST = 4;

    /** @param track feet, head and breadth at each moment, {@code x,y,x,y,breadth}; a dash where it is not seen */
    record Pass(String key, String track) {}

    /** Ways are shared by all that take them alike; empty for what stirs before a camera. */
    static String key(Weeks.Event event) {
        return event.on().map(way -> way.id() + " " + event.kind().body().name()).orElse("");
    }

    static List<PlayedPicture> of(Frame frame, List<Weeks.Event> events) {
        Map<String, Long> noticed = events.stream().flatMap(event -> event.answers().stream())
                .filter(answer -> answer.made() != Weeks.Made.UNNOTICED && answer.made() != Weeks.Made.OFF)
                .collect(Collectors.groupingBy(Weeks.Answer::camera, Collectors.counting()));
        Map<String, Weeks.Event> ways = new LinkedHashMap<>();
        events.stream().filter(event -> event.on().isPresent()).forEach(event -> ways.putIfAbsent(key(event), event));
        return frame.judge().house().map(house -> frame.facts().cameras().stream()
                .filter(camera -> noticed.containsKey(camera.name()))
                .sorted(Comparator.comparingLong((Camera camera) -> -noticed.get(camera.name()))).limit(MOST)
                .map(camera -> of(frame, house, camera, ways)).toList()).orElse(List.of());
    }

    private static PlayedPicture of(Frame frame, House house, Camera camera, Map<String, Weeks.Event> ways) {
        Vision vision = new Vision(house.eye(camera.model().lens(), camera.pose()), camera.model().mask(), camera.masked());
        List<Pass> passes = ways.entrySet().stream().map(entry -> {
            List<Optional<SeenPassing.Figure>> along = SeenPassing.along(vision, entry.getValue().on().orElseThrow(),
                    entry.getValue().kind().body(), house.ground());
            return new Pass(entry.getKey(), along.stream().allMatch(Optional::isEmpty) ? ""
                    : along.stream().map(PlayedPicture::moment).collect(Collectors.joining(" ")));
        }).filter(pass -> !pass.track().isEmpty()).toList();
        return new PlayedPicture(camera.id(), camera.name(), PictureView.of(house, frame.facts(), camera, false), passes);
    }

    private static String moment(Optional<SeenPassing.Figure> figure) {
        return figure.map(seen -> String.format(Locale.ROOT, "%.0f,%.0f,%.0f,%.0f,%.0f", seen.feet().x(), seen.feet().y(), seen.head().x(),
                seen.head().y(), Math.max(1, seen.breadthPx()))).orElse("-");
    }
}
