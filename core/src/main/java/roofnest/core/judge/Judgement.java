package roofnest.core.judge;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;

/** Every promise of a household with its finding. */
public record Judgement(List<Judged> promises) {
    private static final String NO_BREAK = "\u00a0";

    public Judgement {
        promises = List.copyOf(promises);
    }

    public long count(Standing standing) {
        return promises.stream().filter(judged -> judged.finding().standing() == standing).count();
    }

    /** "7 kept · 2 thin · 2 broken · 5 not tried"; a figure and its word never part at a line's end. */
    public String countsInWords() {
        return Arrays.stream(Standing.values()).map(standing -> count(standing) + NO_BREAK + standing.word().replace(" ", NO_BREAK))
                .collect(Collectors.joining(" · "));
    }

    public Map<Stage, Integer> brokenByStage() {
        Map<Stage, Integer> broken = new EnumMap<>(Stage.class);
        promises.stream()
                .filter(judged -> judged.finding().standing() == Standing.BROKEN)
                .forEach(judged -> broken.merge(judged.promise().stage(), 1, Integer::sum));
        return broken;
    }

    public List<Judged> ofCamera(long cameraId) {
        return promises.stream().filter(judged -> judged.cameraId().filter(id -> id == cameraId).isPresent()).toList();
    }
}
