package roofnest.app.visit;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

import org.springframework.stereotype.Service;

import roofnest.app.firm.Staff;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.ready.Hours;
import roofnest.app.watch.Solving;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.AppointmentRepository;
import roofnest.app.records.ComingRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.core.care.Coming;
import roofnest.core.promise.Stage;
import roofnest.core.visit.Errand;
import roofnest.core.visit.Round;

/** The order of a day's households. */
@Service
class Rounds {
    /** What an untold way is reckoned at, and a visit without a camera to hang, minutes. */
    private static final int UNTOLD_WAY = 15;
    private static final int TALK = 45;
    private static final int LONGEST = 900;
    private static final int FROM = 8 * 60;
    private static final int UNTIL = 17 * 60;
    /** When a day’s van leaves, minutes after midnight. */
    static final int DEPART = 7 * 60 + 45;

    private final RoundRepository rounds;
    private final Frames frames;
    private final Hours hours;
    private final HouseholdRepository households;
    private final Solving solving;
    private final ComingRepository coming;

    Rounds(
            RoundRepository rounds, Frames frames, Hours hours, HouseholdRepository households, Solving solving, ComingRepository coming) {
        this.coming = coming;
        this.rounds = rounds;
        this.frames = frames;
        this.hours = hours;
        this.households = households;
        this.solving = solving;
    }

    /**
     * A day and its best order.
     *
     * @param reckoned names whose minutes are by their plan of hours, since nobody noted others
     * @param bring for each household in care what its care wants in the van
     * @param untold ways that nobody told the minutes of
     */
    record Planned(LocalDate day, int departMinute, List<RoundRepository.Due> due, List<Round.Stop> stops,
            Map<RoundRepository.Way, Integer> travel, List<RoundRepository.Way> untold,
            List<String> reckoned, Map<Long, List<String>> bring, Round round) {}

    Planned plan(Staff staff, LocalDate day, int departMinute) {
        List<RoundRepository.Due> due = rounds.due(staff.firmId(), day);
        List<RoundRepository.Due> counted = due.subList(0, Math.min(due.size(), Round.MOST_STOPS));
        Map<RoundRepository.Way, Integer> told = rounds.travel(staff.firmId());
        List<Round.Stop> stops = new ArrayList<>();
        List<String> reckoned = new ArrayList<>();
        Map<Long, List<String>> bring = new HashMap<>();
        for (RoundRepository.Due each : counted) {
            if (each.appointment().isEmpty()) {
                reckoned.add(each.name());
            }
            List<Coming> care = each.inCare() ? careOn(each.id(), day) : List.of();
            bring.put(each.id(), care.stream().flatMap(one -> one.work().orElseThrow().bring().stream()).distinct().toList());
            AppointmentRepository.Window appointment
                    = each.appointment().orElseGet(() -> new AppointmentRepository.Window(FROM, UNTIL, each.inCare()
                            ? minutes(care) : minutes(staff, each.id())));
            stops.add(new Round.Stop(each.id(), each.name(), appointment.minutes(), appointment.fromMinute(), appointment.untilMinute()));
        }
        List<Long> ends = new ArrayList<>(counted.stream().map(RoundRepository.Due::id).toList());
        ends.add(RoundRepository.YARD);
        Map<RoundRepository.Way, Integer> travel = new LinkedHashMap<>();
        List<RoundRepository.Way> untold = new ArrayList<>();
        int[][] table = new int[ends.size()][ends.size()];
        for (int i = 0; i < ends.size(); i++) {
            for (int j = 0; j < i; j++) {
                RoundRepository.Way way = RoundRepository.Way.between(ends.get(i), ends.get(j));
                if (!told.containsKey(way)) {
                    untold.add(way);
                }
                travel.put(way, told.getOrDefault(way, UNTOLD_WAY));
                table[i][j] = travel.get(way);
                table[j][i] = travel.get(way);
            }
        }
        return new Planned(day, departMinute, due, stops, travel, untold, reckoned, bring,
                solving.solve(() -> Round.best(stops, table, departMinute)));
    }

    /** What of a household's care may be done on a day, or is past it. */
    private List<Coming> careOn(long household, LocalDate day) {
        return coming.ofHousehold(household).stream().filter(each -> each.work().filter(work -> !each.on().minusDays(work.earlyDays())
                .isAfter(day)).isPresent()).toList();
    }

    /** As long as its care takes; where nothing of it comes, a talk. */
    private static int minutes(List<Coming> care) {
        return care.isEmpty() ? TALK
                : Math.min(LONGEST, Errand.AT_THE_DOOR_MINUTES + care.stream().mapToInt(each -> each.work().orElseThrow()
                        .minutes()).sum());
    }

    /** As long as the plan of its hours; without a camera to hang, a talk. */
    private int minutes(Staff staff, long householdId) {
        Frame frame = frames.frame(new HouseholdRef(householdId, staff), Stage.READY);
        return frame.facts().cameras().isEmpty() ? TALK
                : Math.min(LONGEST, hours.plan(frame, new Hours.Asked(1, 1, 1000, LocalTime.of(8, 0))).shortest().finishMinutes());
    }

    /** Keeps what was typed; faults go to their fields and then nothing is kept. */
    void save(Staff staff, LocalDate day, Form form) {
        Planned now = plan(staff, day, DEPART);
        Map<Long, AppointmentRepository.Window> appointments = new LinkedHashMap<>();
        for (Round.Stop stop : now.stops()) {
            int from = clock(form, "from-" + stop.id(), stop.fromMinute());
            int until = clock(form, "until-" + stop.id(), stop.untilMinute());
            int minutes = form.has("minutes-" + stop.id()) ? form.whole("minutes-" + stop.id(), "how long it takes", 1, 900, "minutes")
                    : stop.minutes();
            if (until < from) {
                form.fault("until-" + stop.id(), "This is before the earliest.");
            } else if (form.ok()) {
                appointments.put(stop.id(), new AppointmentRepository.Window(from, until, minutes));
            }
        }
        Map<RoundRepository.Way, Integer> ways = new LinkedHashMap<>();
        now.travel().keySet().forEach(way -> {
            String field = field(way);
            if (!form.raw(field).isBlank()) {
                ways.put(way, form.whole(field, "minutes on the road", 0, 600, "minutes"));
            }
        });
        if (form.ok()) {
            rounds.keep(staff.firmId(), day, appointments, ways);
        }
    }

    void book(Staff staff, long householdId, LocalDate day) {
        if (!households.book(staff.firmId(), householdId, day)) {
            throw new BadInput("There is no such household.");
        }
    }

    static String field(RoundRepository.Way way) {
        return "way-" + way.fromId() + "-" + way.toId();
    }

    static int departing(Form form) {
        return form.has("depart") ? clock(form, "depart", DEPART) : DEPART;
    }

    /** Minutes after midnight of a time such as 08:30. */
    private static int clock(Form form, String field, int otherwise) {
        LocalTime time = form.time(field, "it");
        if (time == null && form.has(field)) {
            form.fault(field, "Enter a time of day, such as 08:30.");
        }
        return time == null ? otherwise : time.toSecondOfDay() / 60;
    }
}
