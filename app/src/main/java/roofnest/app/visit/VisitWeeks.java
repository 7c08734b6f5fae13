package roofnest.app.visit;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicReference;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import jakarta.annotation.PreDestroy;
import roofnest.app.firm.Staff;
import roofnest.app.records.ComingRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.watch.Metrics;
import roofnest.app.watch.Solving;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.core.care.Coming;
import roofnest.core.visit.Errand;
import roofnest.core.visit.Ways;
import roofnest.core.visit.WeeksAhead;
import roofnest.core.visit.WeeksPlan;

/**
 * The coming weeks: one visit for many reasons, on which days, with what in the van. A plan is known by all that it is made of, so that it
 * is kept for exactly as long as it would come out the same, and two who ask for it at once wait for the same work.
 */
@Service
class VisitWeeks {
    /** What is past its day is done within so many days. */
    static final int LATE_DAYS = 7;
    private static final long PATIENCE_MS = 400;
    private static final int MOST_ROWS = 4000;
    private static final int KEPT = 16;
    private static final double LEAST_SECONDS = 2;
    private static final double MOST_SECONDS = 18;
    private static final double SECONDS_A_STOP = 0.05;

    private final ComingRepository coming;
    private final RoundRepository rounds;
    private final HouseholdRepository households;
    private final Solving solving;
    private final ExecutorService benches = Executors.newFixedThreadPool(1);
    private final Cache<Made, Job> jobs;

    VisitWeeks(ComingRepository coming, RoundRepository rounds, HouseholdRepository households, Solving solving, Metrics metrics) {
        this.coming = coming;
        this.rounds = rounds;
        this.households = households;
        this.solving = solving;
        this.jobs = metrics.watched("visit-weeks", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build());
    }

    /** @param workdays on which vans go out */
    record Asked(int weeks, int vans, int dayMinutes, List<DayOfWeek> workdays) {}

    /** All that a plan is made of. */
    private record Made(List<WeeksAhead.Stop> stops, int days, int vans, int dayMinutes, List<List<Integer>> travel) {
        WeeksAhead ahead() {
            return new WeeksAhead(stops, days, vans, dayMinutes, travel.stream().map(row -> row.stream().mapToInt(Integer::intValue)
                    .toArray()).toArray(int[][]::new));
        }
    }

    private record Job(CompletableFuture<WeeksPlan> plan, AtomicReference<WeeksPlan.Progress> progress) {}

    /** A household, its name, and the version of what is set of it. */
    record House(String name, String area, int version) {}

    /**
     * What a plan is asked for.
     *
     * @param errands in the order of the stops. @param late those with something past its day. @param booked those on a day that was set
     * @param elsewhere households whose day was set outside the plan's days
     * @param later errands that can wait until after these weeks
     */
    record Prepared(Asked asked, LocalDate today, List<LocalDate> days, List<Errand> errands, List<WeeksAhead.Stop> stops,
            List<Integer> late, List<Integer> booked, Map<Long, LocalDate> elsewhere, Map<Long, House> houses, Ways ways, int later,
            int reasons, boolean more) {}

    /** @param plan empty while it is being made. @param progress of that; empty before the first */
    record Found(Prepared prepared, Optional<WeeksPlan> plan, Optional<WeeksPlan.Progress> progress) {}

    /** @param today the first day on which a van may leave */
    Found find(Staff staff, LocalDate today, Asked asked) {
        Prepared prepared = prepare(staff, today, asked);
        Made made = new Made(prepared.stops(), Math.max(1, prepared.days().size()), asked.vans(), asked.dayMinutes(), Arrays.stream(prepared
                .ways().minutes()).map(row -> Arrays.stream(row).boxed().toList()).toList());
        Job job = jobs.get(made, this::begin);
        try {
            return new Found(prepared, Optional.of(job.plan().get(PATIENCE_MS, TimeUnit.MILLISECONDS)), Optional.empty());
        } catch (TimeoutException stillMaking) {
            return new Found(prepared, Optional.empty(), Optional.ofNullable(job.progress().get()));
        } catch (ExecutionException failed) {
            jobs.asMap().remove(made, job);
            throw new CompletionException("the weeks could not be planned", failed.getCause());
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("the plan of the weeks was interrupted", stopped);
        }
    }

    private Job begin(Made made) {
        AtomicReference<WeeksPlan.Progress> progress = new AtomicReference<>();
        double seconds = Math.min(MOST_SECONDS, LEAST_SECONDS + SECONDS_A_STOP * made.stops().size());
        return new Job(CompletableFuture.supplyAsync(() -> solving.solve(() -> made.ahead().plan(seconds, progress::set)), benches),
                progress);
    }

    private Prepared prepare(Staff staff, LocalDate today, Asked asked) {
        List<LocalDate> days = today.datesUntil(today.plusWeeks(asked.weeks())).filter(day -> asked.workdays().contains(day
                .getDayOfWeek())).limit(WeeksAhead.MOST_DAYS).toList();
        LocalDate end = today.plusWeeks(asked.weeks()).minusDays(1);
        List<ComingRepository.Row> rows = coming.of(staff.firmId(), new ComingRepository.Wanted(today, today.plusYears(1), "", ""),
                MOST_ROWS);
        Map<Long, House> houses = new LinkedHashMap<>();
        Map<Long, LocalDate> set = new HashMap<>();
        List<Errand.Reason> reasons = new ArrayList<>();
        Set<Errand.Reason> over = new HashSet<>();
        for (ComingRepository.Row row : rows) {
            houses.put(row.householdId(), new House(row.household(), row.area(), row.version()));
            if (row.booked() != null && !row.booked().isBefore(today)) {
                set.put(row.householdId(), row.booked());
            }
            row.coming().work().map(work -> reason(row, work, today, set.get(row.householdId()))).ifPresent(reason -> {
                reasons.add(reason);
                if (row.coming().on().isBefore(today)) {
                    over.add(reason);
                }
            });
        }
        Map<Long, LocalDate> elsewhere = new LinkedHashMap<>();
        List<Errand> errands = new ArrayList<>();
        List<WeeksAhead.Stop> stops = new ArrayList<>();
        List<Integer> late = new ArrayList<>();
        List<Integer> booked = new ArrayList<>();
        int later = 0;
        for (Errand errand : Errand.fewest(reasons)) {
            LocalDate on = set.get(errand.household());
            boolean onIt = on != null && errand.from().equals(on) && errand.until().equals(on);
            if (onIt && !days.contains(on)) {
                elsewhere.put(errand.household(), on);
            } else if (days.isEmpty() || errand.until().isAfter(end)) {
                later++;
            } else if (stops.size() < WeeksAhead.MOST_STOPS) {
                if (onIt) {
                    booked.add(stops.size());
                }
                WeeksAhead.Stop stop = stop(errand, days);
                boolean past = errand.reasons().stream().anyMatch(over::contains);
                // Where no van goes out until its last day, it is past by the first on which one does.
                if (past || days.get(stop.fromDay()).isAfter(errand.until())) {
                    late.add(stops.size());
                }
                stops.add(stop);
                errands.add(errand);
            }
        }
        List<Ways.Place> places = new ArrayList<>(errands.stream().map(each -> new Ways.Place(each.household(), houses.get(each
                .household()).area())).toList());
        places.add(new Ways.Place(RoundRepository.YARD, "our yard"));
        Map<Long, String> areas = rounds.areas(staff.firmId());
        areas.put(RoundRepository.YARD, "our yard");
        Ways ways = Ways.between(places, rounds.travel(staff.firmId()).entrySet().stream().map(each -> new Ways.Told(each.getKey().fromId(),
                each.getKey().toId(), each.getValue())).toList(), areas);
        return new Prepared(asked, today, days, errands, stops, late, booked, elsewhere, houses, ways, later, errands.stream().mapToInt(
                each -> each.reasons().size()).sum(), rows.size() == MOST_ROWS || stops.size() == WeeksAhead.MOST_STOPS);
    }

    /** What was set for a household goes with the day that was set, once it may be done by then. */
    private static Errand.Reason reason(ComingRepository.Row row, Coming.Work work, LocalDate today, LocalDate set) {
        LocalDate on = row.coming().on();
        LocalDate early = on.minusDays(work.earlyDays());
        LocalDate from = early.isBefore(today) ? today : early;
        LocalDate until = on.isBefore(today) ? today.plusDays(LATE_DAYS - 1L) : on;
        if (set != null && !from.isAfter(set)) {
            from = set;
            until = set;
        }
        return new Errand.Reason(row.householdId(), from, until, work.minutes(), work.ladder(), row.coming().what(), work.bring());
    }

    /** Days off move it to the working day before, or to the next where there is none. */
    private static WeeksAhead.Stop stop(Errand errand, List<LocalDate> days) {
        int first = 0;
        int last = -1;
        for (int day = 0; day < days.size(); day++) {
            first = days.get(day).isBefore(errand.from()) ? day + 1 : first;
            last = days.get(day).isAfter(errand.until()) ? last : day;
        }
        if (first > last) {
            first = Math.max(0, last);
            last = first;
        }
        return new WeeksAhead.Stop(errand.household(), errand.minutes(), first, last, errand.ladder());
    }

    /** A household to be put on a day. @param version that was seen */
    record Booking(long household, String what, int version) {}

    /** All or none: where somebody set something else meanwhile, nothing is booked. */
    @Transactional
    public void book(Staff staff, LocalDate day, List<Booking> bookings) {
        if (bookings.isEmpty()) {
            throw new BadInput("Nobody is on this day.");
        }
        bookings.stream().sorted((a, b) -> Long.compare(a.household(), b.household())).forEach(each -> {
            if (!households.book(staff.firmId(), each.household(), day, each.what(), each.version())) {
                throw new Conflict(
                        "Somebody set something else for one of these households meanwhile. Nothing was booked: look at the plan "
                                + "again.");
            }
        });
    }

    @PreDestroy
    void close() {
        benches.shutdownNow();
    }
}
