package roofnest.core.alert;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.lang.Require;

/**
 * When the cameras of a household watch and whom they ring.
 *
 * @param does by camera and mode; a camera and a mode left out record and ring
 * @param phones by person; who is left out is rung as usual
 * @param silent by camera, hours of every day in which it records and rings nobody, whatever the mode; absent for none
 * @param bells by camera, how each bell is answered; absent for none
 */
public record AlertPlan(ModeWeek week, Map<Long, Map<Mode, Does>> does, Map<Long, Phone> phones, List<DeviceRule> rules,
        Map<Long, QuietHours> silent, Map<Long, Bell> bells) {
    /** More rules than these in one house nobody understands any longer. */
    public static final int MOST_RULES = 30;
    /** As it is before anybody set anything. */
    public static final AlertPlan USUAL = new AlertPlan(ModeWeek.USUAL, Map.of(), Map.of(), List.of());

    public AlertPlan {
        Map<Long, Map<Mode, Does>> copy = new HashMap<>();
        does.forEach((camera, by) -> copy.put(camera, Map.copyOf(by)));
        does = Map.copyOf(copy);
        phones = Map.copyOf(phones);
        rules = List.copyOf(rules);
        silent = silent == null ? Map.of() : Map.copyOf(silent);
        bells = bells == null ? Map.of() : Map.copyOf(bells);
        Require.inRange("rules between devices", rules.size(), 0, MOST_RULES);
    }

    /** Without silent hours and bells. */
    public AlertPlan(ModeWeek week, Map<Long, Map<Mode, Does>> does, Map<Long, Phone> phones, List<DeviceRule> rules) {
        this(week, does, phones, rules, Map.of(), Map.of());
    }

    public Does does(long camera, Mode mode) {
        return does.getOrDefault(camera, Map.of()).getOrDefault(mode, Does.RINGS);
    }

    /** @param hour of the week, 0 to 167 */
    public Does does(long camera, int hour) {
        Does by = does(camera, week.at(hour));
        return by == Does.RINGS && silent.containsKey(camera) && silent.get(camera).covers(hour % ModeWeek.HOURS_A_DAY) ? Does.RECORDS : by;
    }

    /** Hours of the week in which a camera does so. */
    public boolean[] hours(long camera, Does what) {
        boolean[] hours = new boolean[ModeWeek.HOURS];
        for (int hour = 0; hour < hours.length; hour++) {
            hours[hour] = does(camera, hour) == what;
        }
        return hours;
    }

    public Phone phone(long person) {
        return phones.getOrDefault(person, Phone.USUAL);
    }

    public AlertPlan withWeek(ModeWeek other) {
        return new AlertPlan(other, does, phones, rules, silent, bells);
    }

    /** The same house while it is on holiday: every hour is as in that mode, and no camera has silent hours. */
    public AlertPlan onHoliday() {
        Map<Long, Map<Mode, Does>> away = new HashMap<>();
        does.forEach((camera, by) -> {
            Map<Mode, Does> all = new EnumMap<>(Mode.class);
            for (Mode mode : Mode.values()) {
                all.put(mode, by.getOrDefault(Mode.HOLIDAY, Does.RINGS));
            }
            away.put(camera, all);
        });
        return new AlertPlan(week, away, phones, rules, Map.of(), bells);
    }

    public AlertPlan withDoes(Map<Long, Map<Mode, Does>> others) {
        return new AlertPlan(week, others, phones, rules, silent, bells);
    }

    public AlertPlan withPhone(long person, Phone phone) {
        Map<Long, Phone> others = new HashMap<>(phones);
        others.put(person, phone);
        return new AlertPlan(week, does, others, rules, silent, bells);
    }

    public AlertPlan withRules(List<DeviceRule> others) {
        return new AlertPlan(week, does, phones, others, silent, bells);
    }

    /** @param hours in which the camera rings nobody; empty for none */
    public AlertPlan withSilent(long camera, Optional<QuietHours> hours) {
        Map<Long, QuietHours> others = new HashMap<>(silent);
        others.remove(camera);
        hours.ifPresent(each -> others.put(camera, each));
        return new AlertPlan(week, does, phones, rules, others, bells);
    }

    public AlertPlan withBell(long camera, Bell bell) {
        Map<Long, Bell> others = new HashMap<>(bells);
        others.put(camera, bell);
        return new AlertPlan(week, does, phones, rules, silent, others);
    }

    /**
     * The same for cameras and people that are numbered otherwise; what is about others is left out.
     *
     * @param cameras and {@code people}: their numbers here, by their numbers there
     */
    public AlertPlan renumbered(Map<Long, Long> cameras, Map<Long, Long> people) {
        Map<Long, Map<Mode, Does>> otherDoes = new HashMap<>();
        does.forEach((camera, by) -> Optional.ofNullable(cameras.get(camera)).ifPresent(here -> otherDoes.put(here, by)));
        Map<Long, Phone> otherPhones = new HashMap<>();
        phones.forEach((person, phone) -> Optional.ofNullable(people.get(person)).ifPresent(here -> {
            Map<Long, Set<AlertSpec.Kind>> kinds = new HashMap<>();
            phone.kinds().forEach((camera, of) -> Optional.ofNullable(cameras.get(camera)).ifPresent(there -> kinds.put(there, of)));
            otherPhones.put(here, new Phone(phone.quiet(), phone.content(), phone.pauseMinutes(), kinds, phone.snoozeMinutes()));
        }));
        return new AlertPlan(week, otherDoes, otherPhones, rules.stream()
                .filter(rule -> cameras.containsKey(rule.whenCamera()) && cameras.containsKey(rule.thenCamera()))
                .map(rule -> new DeviceRule(cameras.get(rule.whenCamera()), rule.kind(), rule.at(), rule.act(),
                        cameras.get(rule.thenCamera())))
                .toList(), keyed(silent, cameras), keyed(bells, cameras));
    }

    private static <V> Map<Long, V> keyed(Map<Long, V> by, Map<Long, Long> numbers) {
        Map<Long, V> here = new HashMap<>();
        by.forEach((there, value) -> Optional.ofNullable(numbers.get(there)).ifPresent(number -> here.put(number, value)));
        return here;
    }
}
