package roofnest.app.tune;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

import roofnest.app.records.JudgedHousehold;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.power.ChargeVisits;

/**
 * The packs of all houses to which the firm comes, and the fewest days on which it goes.
 *
 * @param more whether there are houses that are not in it
 */
record PackRoundView(String head, boolean overdue, List<Day> days, int houses, boolean more) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.ENGLISH);

    /** @param why whose last day it is */
    record Day(LocalDate on, String day, List<House> houses, String why) {}

    /** @param packs names, one after another. @param visit which visit to the house it is, from 1: by that its event is known again */
    record House(long id, String name, String packs, int visit) {}

    private record Pack(JudgedHousehold house, Camera camera) {}

    static PackRoundView of(List<JudgedHousehold> houses, LocalDate today, boolean more) {
        Map<Long, Pack> packs = new HashMap<>();
        List<ChargeVisits.Pack> all = new ArrayList<>();
        for (JudgedHousehold house : houses) {
            for (ChargeVisits.Pack pack : house.judge().packs(house.facts())) {
                all.add(pack);
                packs.put(pack.id(), new Pack(house, house.camera(pack.id()).camera()));
            }
        }
        ChargeVisits plan = ChargeVisits.fewest(all, today, today.plusDays(HouseholdJudge.DAYS_AHEAD));
        Map<Long, Integer> visits = new HashMap<>();
        List<Day> days
                = plan.visits().stream()
                        .map(visit -> new Day(visit.on(), DAY.format(visit.on()), houses(packs, visit, visits), packs.get(visit
                                .forcedBy()).camera().name() + " at " + packs.get(visit.forcedBy()).house().household().name()))
                        .toList();
        return new PackRoundView(all.isEmpty() ? "No house has packs that the firm charges" : days.isEmpty()
                ? "No pack has to be charged in the coming year" : (days.size() == 1 ? "One day" : days.size() + " days")
                        + " in the coming year for all " + all.size() + (all.size() == 1 ? " pack" : " packs"),
                plan.overdue(), days, houses
                        .size(),
                more);
    }

    private static List<House> houses(Map<Long, Pack> packs, ChargeVisits.Visit visit, Map<Long, Integer> visits) {
        Map<Long, List<Pack>> byHouse
                = visit.packs().stream().map(packs::get).collect(Collectors.groupingBy(pack -> pack.house().household()
                        .id()));
        return byHouse.values().stream()
                .map(its -> new House(its.get(0).house().household().id(), its.get(0).house().household().name(), its
                        .stream().map(pack -> pack.camera().name()).collect(Collectors.joining(", ")),
                        visits.merge(its.get(0).house().household().id(), 1, Integer::sum)))
                .sorted(Comparator.comparing(House::name))
                .toList();
    }
}
