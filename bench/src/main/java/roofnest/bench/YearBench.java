package roofnest.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.ChargeVisits;
import roofnest.core.power.Climate;
import roofnest.core.power.Climates;
import roofnest.core.power.PanelLight;
import roofnest.core.power.Weather;

/** A hundred years of eight packs, and the fewest visits that keep them charged. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class YearBench {
    private static final int CAMERAS = 8;
    private static final int YEARS = 100;
    private static final double LATITUDE_DEG = 52;
    private static final LocalDate FULL = LocalDate.of(2026, 10, 1);

    private final Climate climate = Climates.shipped().all().get(0);
    private final PowerSpec power = Catalogue.shipped().get("dunmark-post").power();
    private final Weather weather = new Weather(climate, LATITUDE_DEG, YEARS, 1);

    /** Each panel leans otherwise and each camera draws otherwise. */
    @Benchmark
    public List<BatteryYear.Outcome> hundredYearsOfEight() {
        List<BatteryYear.Outcome> years = new ArrayList<>();
        for (int i = 0; i < CAMERAS; i++) {
            years.add(year(i).of(80 + 20 * i, new BatteryYear.Plan(FULL, 0)));
        }
        return years;
    }

    private BatteryYear year(int i) {
        return new BatteryYear(power, weather, PanelLight.open(LATITUDE_DEG, 10 * i, 180), 0.4);
    }

    @Benchmark
    public ChargeVisits fewestVisits() {
        List<ChargeVisits.Pack> packs = new ArrayList<>();
        for (int i = 0; i < CAMERAS; i++) {
            BatteryYear year = year(i);
            double draw = 80 + 20 * i;
            packs.add(new ChargeVisits.Pack(i, FULL, full -> full.plusDays(Math.max(1, year.lastsDays(draw, full) - 7))));
        }
        return ChargeVisits.fewest(packs, FULL, FULL.plusDays(364));
    }
}
