package roofnest.app.demo;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Set;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

import roofnest.app.RoofNestProperties;
import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Hiring;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.PriceBook;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.footage.CloudPlan;

/** Loads the demo world into an empty database, once, if the installation is told to. */
@Component
class DemoWorld implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoWorld.class);
    private static final String PASSWORD = "weir steps nine";

    private final RoofNestProperties properties;
    private final FirmRepository firms;
    private final Hiring hiring;
    private final DemoQuiller quiller;
    private final DemoNeighbours neighbours;
    private final DemoMaltings maltings;
    private final DemoKilnLane kilnLane;
    private final DemoTools tools;
    private final PriceBook prices;
    private final CloudPlanRepository plans;
    private final DemoMarram inCare;
    private final Clock clock;

    DemoWorld(RoofNestProperties properties, FirmRepository firms, Hiring hiring, DemoQuiller quiller, DemoNeighbours neighbours,
            DemoMarram inCare,
            DemoMaltings maltings,
            DemoKilnLane kilnLane, DemoTools tools, PriceBook prices, CloudPlanRepository plans, Clock clock) {
        this.plans = plans;
        this.properties = properties;
        this.maltings = maltings;
        this.kilnLane = kilnLane;
        this.tools = tools;
        this.prices = prices;
        this.firms = firms;
        this.hiring = hiring;
        this.quiller = quiller;
        this.neighbours = neighbours;
        this.inCare = inCare;
        this.clock = clock;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (!properties.demo() || !firms.isEmpty()) {
            return;
        }
        LocalDate today = LocalDate.now(clock);
        long ladderhall = hiring.foundFirm("Ladderhall", person("Tamsin Orrel", "tamsin@ladderhall.example", Role.OWNER));
        hiring.hire(ladderhall, person("Jory Penhale", "jory@ladderhall.example", Role.INSTALLER));
        hiring.hire(ladderhall, person("Wynn Castell", "wynn@ladderhall.example", Role.APPRENTICE));
        hiring.hire(ladderhall, person("Odile Marsh", "odile@ladderhall.example", Role.OFFICE));
        Staff jory = firms.findByEmail("jory@ladderhall.example").orElseThrow();
        quiller.make(jory, today);
        neighbours.make(jory, today);
        maltings.make(jory, today);
        kilnLane.make(jory, today);
        price(ladderhall);

        long marram = hiring.foundFirm("Marram Lane", person("Petra Vayle", "petra@marramlane.example", Role.OWNER));
        Staff petra = firms.findByEmail("petra@marramlane.example").orElseThrow();
        neighbours.makeOther(marram, petra, today);
        inCare.make(petra, today);
        tools.settleDues();
        LOG.info("The demo world is loaded");
    }

    private void price(long firm) {
        prices.setMoney(firm, new PriceBook.Money("EUR", new BigDecimal("21"), 30, 14,
                "Materials stay ours until they are paid. Work behind a fuse is done by a licensed electrician and billed by them.", 0));
        Map.of("hour", 5400L, "model dunmark-post", 13_900L, "model cairnlow-eave", 18_500L, "model pellan-drift", 16_400L,
                "model tarrowby-turn", 9_900L, "hub pellan", 8_900L,
                "card 64", 1_490L, "clips", 15L).forEach((key, cents) -> prices.set(firm, key, cents));
        plans.say(firm, new CloudPlan(0, "Watch one", "Dunmark", 349, 1, 30, 60, Set.of(AlertSpec.Kind.PERSON)), 0);
        plans.say(firm, new CloudPlan(0, "Watch all", "Dunmark", 899, 0, 60, 120, Set.of(AlertSpec.Kind.PERSON, AlertSpec.Kind.VEHICLE)),
                0);
        plans.say(firm, new CloudPlan(0, "Keep", "Oskarra", 250, 2, 14, 60, Set.of(AlertSpec.Kind.PERSON)), 0);
        Map.of("card 32", 990L, "card 128", 2_490L, "card 256", 4_290L, "recorder 1000", 14_900L, "recorder 2000", 17_900L, PriceBook.KWH,
                32L, PriceBook.VISIT, 6_500L).forEach((key, cents) -> prices.set(firm, key, cents));
        prices.set(firm, "km", 45);
        prices.set(firm, "anchor 6 mm plug with 4 × 35 mm screw", 35);
    }

    private static Hiring.NewPerson person(String name, String email, Role role) {
        return new Hiring.NewPerson(name, email, role, PASSWORD);
    }
}
