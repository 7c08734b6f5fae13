package roofnest.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;

import roofnest.core.cable.Bore;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Practice;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.mount.CableRun;
import roofnest.core.mount.Fixings;
import roofnest.core.plan.Material;
import roofnest.core.plan.SpacePoint;

class KitListTest {
    private static final Catalogue CATALOGUE = Catalogue.shipped();

    @Test
    void devices_hubs_cards_and_packs_are_counted_with_their_spares() {
        List<KitList.Line> kit = KitList.of(List.of(item("A", "pellan-drift", 64), item("B", "pellan-drift", 64),
                item("C", "pellan-drift", 64), item("D", "cairnlow-eave", 128)), Practice.USUAL);
        assertThat(line(kit, "model pellan-drift").quantity()).isEqualTo(3);
        assertThat(line(kit, "hub pellan").why()).isEqualTo("for A, B, C");
        assertThat(line(kit, "pack pellan-drift").quantity()).isEqualTo(1);
        assertThat(line(kit, "pack pellan-drift").sold()).isFalse();
        assertThat(line(kit, "card 64").quantity()).isEqualTo(4);
        assertThat(line(kit, "card 128").quantity()).isEqualTo(1);
        assertThat(kit).noneMatch(line -> line.key().equals("pack cairnlow-eave"));
    }

    @Test
    void fixings_follow_the_wall_and_a_fifth_more_is_brought() {
        DeviceModel eave = CATALOGUE.get("cairnlow-eave");
        Fixings stone = Fixings.into(Material.STONE, eave.mount());
        List<KitList.Line> kit = KitList.of(List.of(new KitList.Item("A", eave, 0, 3.0, Optional.of(stone),
                Optional.of(CableRun.of("porch socket", 7, eave.power().leadM())), List.of(hole(Material.STONE, 0.5, true),
                        hole(Material.STONE, 0.3, true), hole(Material.PLASTERBOARD, 0.1, false)))),
                Practice.USUAL);
        assertThat(line(kit, "anchor " + stone.anchor()).quantity()).isEqualTo((int) Math.ceil(eave.mount().screws() * 1.2));
        assertThat(kit).anyMatch(line -> line.what().startsWith("7 mm drill, masonry bit"));
        // 7 m and slack, a tenth more, is 8.36 m; its own lead reaches 5 m.
        assertThat(line(kit, "extension 4").why()).contains("8.4 m from porch socket");
        assertThat(line(kit, "clips").quantity()).isEqualTo((int) Math.ceil(29 * 1.1));
        assertThat(line(kit, "long masonry bit").what()).as("the longest of them, and 50 mm").isEqualTo("Long masonry bit, 560 mm or more");
        assertThat(line(kit, "long wood bit").what()).isEqualTo("Long wood bit, 150 mm or more");
        assertThat(line(kit, "bushings").quantity()).as("both ends").isEqualTo(6);
        assertThat(line(kit, "ladder").quantity()).isEqualTo(1);
        assertThat(KitList.of(List.of(item("low", "oskarra-sill", 0)), Practice.USUAL)).noneMatch(line -> line.key().equals("ladder"));
        assertThat(KitList.of(List.of(), Practice.USUAL)).isEmpty();
    }

    @Test
    void what_is_brought_follows_the_firms_own_practice() {
        DeviceModel eave = CATALOGUE.get("cairnlow-eave");
        Fixings stone = Fixings.into(Material.STONE, eave.mount());
        Practice own = new Practice(Map.of(Figure.SPARE_FIXINGS, 1.0, Figure.SPARE_FOR, 1.0, Figure.FROM_THE_GROUND, 2.6,
                Figure.FROM_STEPS, 3.6));
        List<KitList.Line> kit = KitList.of(List.of(new KitList.Item("A", eave, 64, 3.0, Optional.of(stone), Optional.empty(),
                List.of())), own);
        KitList.Line anchors = line(kit, "anchor " + stone.anchor());
        assertThat(anchors.quantity()).isEqualTo(eave.mount().screws());
        assertThat(anchors.why()).doesNotContain("more");
        assertThat(line(kit, "card 64").quantity()).as("one and its spare").isEqualTo(2);
        assertThat(kit).as("3 m is worked on from steps").noneMatch(line -> line.key().equals("ladder"))
                .anyMatch(line -> line.key().equals("steps"));
        assertThat(KitList.of(List.of(), own)).isEmpty();
    }

    @Test
    void a_quotation_adds_what_is_sold_and_the_work_and_says_what_has_no_price() {
        List<KitList.Line> kit = KitList.of(List.of(item("A", "cairnlow-eave", 64)), Practice.USUAL);
        Quotation quotation = Quotation.of(kit, Map.of("model cairnlow-eave", 12_900L, "hour", 4_800L), 88, new BigDecimal("21"));
        assertThat(quotation.lines()).extracting(Quotation.Line::what).containsExactly("Cairnlow Eave", "Work, 1 h 30 min");
        assertThat(quotation.netCents()).isEqualTo(12_900 + 7_200);
        assertThat(quotation.taxCents()).isEqualTo(4_221);
        assertThat(quotation.totalCents()).isEqualTo(24_321);
        assertThat(quotation.unpriced()).containsExactly("Card of 64 GB, high endurance");
        assertThat(Quotation.of(kit, Map.of(), 10, BigDecimal.ZERO).unpriced()).contains("Cairnlow Eave", "An hour's work");
    }

    @Property
    void no_cent_is_lost(@ForAll @LongRange(max = 1_000_000) long camera, @ForAll @LongRange(max = 100_000) long hour,
            @ForAll @IntRange(max = 600) int minutes, @ForAll @IntRange(max = 30) int tax) {
        Quotation quotation
                = Quotation.of(KitList.of(List.of(item("A", "cairnlow-eave", 0), item("B", "cairnlow-eave", 0)), Practice.USUAL),
                        Map.of("model cairnlow-eave", camera, "hour", hour), minutes, BigDecimal.valueOf(tax));
        assertThat(quotation.netCents()).isEqualTo(quotation.lines().stream().mapToLong(Quotation.Line::sumCents).sum());
        assertThat(quotation.lines().get(0).sumCents()).isEqualTo(2 * camera);
        assertThat(Math.abs(100 * quotation.taxCents() - quotation.netCents() * tax)).isLessThanOrEqualTo(50);
    }

    private static KitList.Item item(String name, String model, int cardGb) {
        return new KitList.Item(name, CATALOGUE.get(model), cardGb, 1.5, Optional.empty(), Optional.empty(), List.of());
    }

    private static KitList.Line line(List<KitList.Line> kit, String key) {
        return kit.stream().filter(line -> line.key().equals(key)).findFirst().orElseThrow();
    }

    private static Bore hole(Material material, double thickM, boolean outwards) {
        return new Bore(material, false, thickM, new SpacePoint(0, 0, 1), new SpacePoint(0, thickM, 1), outwards);
    }
}
