package roofnest.app.outward;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

import com.fasterxml.jackson.annotation.JsonInclude;

import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;
import roofnest.core.judge.Judged;

/** What the firm's own scripts read. Described for machines at {@code /api/v1/openapi.json}. */
@RestController
class ScriptController {
    private static final int MOST = 200;
    private static final int MOST_DAYS = 800;
    private static final int PARTS = 3;

    private final ScriptRows rows;
    private final JudgedHouseholds judged;
    private final Clock clock;

    ScriptController(ScriptRows rows, JudgedHouseholds judged, Clock clock) {
        this.rows = rows;
        this.judged = judged;
        this.clock = clock;
    }

    /** @param next to go on after; left out on the last page */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Page<T>(List<T> items, String next) {
        static <T> Page<T> of(List<T> items, int most, Function<T, String> at) {
            return new Page<>(items, items.size() < most ? null : at.apply(items.get(items.size() - 1)));
        }
    }

    @JsonInclude(JsonInclude.Include.NON_NULL)
    record CameraOut(long id, String name, String model, String serial, boolean joined, boolean mounted) {}

    /** @param measured left out where nothing was found yet */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record PromiseOut(String key, String wording, Long camera, String standing, Double measured, double limit, String unit, String evidence,
            String reason) {}

    record HouseOut(ScriptRows.House household, List<CameraOut> cameras, List<PromiseOut> promises) {}

    @GetMapping("/api/v1/households")
    ResponseEntity<Page<ScriptRows.House>> households(@AuthenticationPrincipal ScriptKeys.Opened key,
            @RequestParam(defaultValue = "0") String after, @RequestParam(defaultValue = "50") String limit) {
        int most = limit(limit);
        return answer(Page.of(rows.houses(key.firmId(), number(after, "after"), most), most, house -> String.valueOf(house.id())));
    }

    @GetMapping("/api/v1/households/{household}")
    ResponseEntity<HouseOut> household(@AuthenticationPrincipal ScriptKeys.Opened key, @PathVariable("household") String id) {
        ScriptRows.House house = rows.house(key.firmId(), number(id, "household")).orElseThrow(NoSuchPage::new);
        JudgedHousehold of = judged.of(house.id());
        return answer(new HouseOut(house, of.cameras().stream().map(each -> new CameraOut(each.id(), each.camera().name(), each.camera()
                .model().fullName(), each.serial(), each.camera().joined(), each.camera().mounted())).toList(), of.judgement().promises()
                        .stream().map(ScriptController::promise).toList()));
    }

    private static PromiseOut promise(Judged judged) {
        return new PromiseOut(judged.promise().key().value(), judged.wording(), judged.cameraId().orElse(null), judged.finding().standing()
                .word(), judged.finding().measured().isPresent() ? judged.finding().measured().getAsDouble() : null,
                judged.finding()
                        .limit().value(),
                judged.finding().limit().unit().name(), judged.finding().evidence().words(), judged.finding()
                        .reason());
    }

    @GetMapping("/api/v1/coming")
    ResponseEntity<Page<ScriptRows.Item>> coming(@AuthenticationPrincipal ScriptKeys.Opened key, @RequestParam Optional<String> from,
            @RequestParam Optional<String> until, @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "50") String limit) {
        LocalDate today = LocalDate.now(clock);
        LocalDate first = from.map(day -> day(day, "from")).orElse(today);
        LocalDate last = until.map(day -> day(day, "until")).orElse(first.plusDays(90));
        if (last.isBefore(first) || first.plusDays(MOST_DAYS).isBefore(last)) {
            throw new BadInput("until is a day from the day of from on, and at most " + MOST_DAYS + " days later.");
        }
        int most = limit(limit);
        return answer(Page.of(rows.items(key.firmId(), first, last, after(after), most), most, ScriptRows.Item::at));
    }

    /** Holds nothing of any firm, so that a script can be written before its key is there. */
    @GetMapping("/api/v1/openapi.json")
    ResponseEntity<String> described() throws IOException {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .body(new ClassPathResource("api/openapi.json").getContentAsString(
                        StandardCharsets.UTF_8));
    }

    private static <T> ResponseEntity<T> answer(T body) {
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(body);
    }

    private static int limit(String said) {
        long limit = number(said, "limit");
        if (limit < 1 || limit > MOST) {
            throw new BadInput("limit is a number from 1 to " + MOST + ".");
        }
        return (int) limit;
    }

    private static long number(String said, String what) {
        if (!said.matches("[0-9]{1,18}")) {
            throw new BadInput(what + " is a number.");
        }
        return Long.parseLong(said);
    }

    private static LocalDate day(String said, String what) {
        try {
            LocalDate day = LocalDate.parse(said);
            if (day.getYear() < 2000 || day.getYear() > 2200) {
                throw new BadInput(what + " is a day between the years 2000 and 2200.");
            }
            return day;
        } catch (DateTimeException e) {
            throw new BadInput(what + " is a day such as 2026-11-30.");
        }
    }

    private static ScriptRows.After after(String said) {
        if (said.isEmpty()) {
            return ScriptRows.After.NOTHING;
        }
        String[] parts = said.split("~", -1);
        if (parts.length != PARTS || !parts[2].matches("[0-9]{1,9}")) {
            throw new BadInput("after is what the page before gave as next.");
        }
        return new ScriptRows.After(day(parts[0], "after"), number(parts[1], "after"), Integer.parseInt(parts[2]));
    }
}
