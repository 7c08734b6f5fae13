package roofnest.core.judge;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

import roofnest.core.plan.HousePlan;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Promise;
import roofnest.core.view.SunTrack;
import roofnest.core.week.Conditions;
import roofnest.core.week.Quietest;
import roofnest.core.week.Rates;
import roofnest.core.week.Source;
import roofnest.core.week.Sources;
import roofnest.core.week.Watch;
import roofnest.core.week.Week;
import roofnest.core.week.Weeks;

/** Ordinary weeks of a household: its plan's ways, its cameras as they hang and are set, its climate's air and its sun. */
final class OrdinaryWeek {
    /** The sun lower than this leaves a picture dark: the end of civil twilight, degrees. */
    static final double DARK_BELOW_DEG = -6;
    static final long SEED = 20_260_102;
    private static final int MID_MONTH = 15;
    private static final Rates RATES = Rates.shipped();

    private OrdinaryWeek() {}

    static Weeks of(House house, HouseholdFacts facts, Function<Camera, CameraEye> eyes, int monthOfYear) {
        List<Watch> watches = facts.cameras().stream().map(camera -> watch(house, facts, camera, eyes.apply(camera))).toList();
        return new Weeks(house.plan(), house.ground(), sources(house.plan(), facts), watches,
                conditions(house, facts, monthOfYear), Ears.of(facts), SEED);
    }

    static Quietest quietest(House house, HouseholdFacts facts, Camera camera, CameraEye eye, int monthOfYear) {
        return new Quietest(house.plan(), house.ground(), sources(house.plan(), facts), watch(house, facts, camera, eye),
                conditions(house, facts, monthOfYear), facts.alerts(),
                (clips, seconds, dark) -> WeekUse.packDays(camera, clips, seconds, dark), SEED);
    }

    static List<Source> sources(HousePlan plan, HouseholdFacts facts) {
        return new Sources(plan, RATES, facts.comings().house(), facts.comings().aWeekday(), facts.comings().curves())
                .all();
    }

    static Watch watch(House house, HouseholdFacts facts, Camera camera, CameraEye eye) {
        return new Watch(camera.id(), camera.name(), camera.model(), eye.vision(), camera.zones(), camera.watchSetting(), level(facts),
                house.crossings().shell().indoors(camera.pose().onPlan(), camera.pose().heightM()));
    }

    /** The most that any promise asks to be made out; where none does, that somebody is there. */
    static DetailLevel level(HouseholdFacts facts) {
        return facts.written().stream().map(promise -> promise instanceof Promise.MakeOut sight ? sight.level()
                : promise instanceof Promise.RecordedBefore before ? before.level() : DetailLevel.DETECT)
                .max(Comparator.naturalOrder()).orElse(DetailLevel.DETECT);
    }

    /** On the house's own sun time: clocks differ by the zone and summer time. */
    static Conditions conditions(House house, HouseholdFacts facts, int monthOfYear) {
        Climate climate = facts.climate();
        int month = Climate.month(monthOfYear, house.plan().latitudeDeg());
        SunTrack sun = house.sun();
        boolean[] dark = new boolean[Week.HOURS_A_DAY];
        for (int hour = 0; hour < dark.length; hour++) {
            dark[hour] = sun.at(LocalDate.of(facts.today().getYear(), monthOfYear, MID_MONTH), LocalTime.of(hour, 30))
                    .altitudeDeg() < DARK_BELOW_DEG;
        }
        return Conditions.of(month + 1, climate.meanC().get(month), climate.swingC().get(month), dark);
    }
}
