package roofnest.core.spots;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

import org.junit.jupiter.api.Test;

import roofnest.core.Houses;
import roofnest.core.RandomHouses;
import roofnest.core.catalogue.MountSpec;
import roofnest.core.judge.House;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Roof;
import roofnest.core.plan.Shell;
import roofnest.core.plan.Storey;

/** Wherever a camera is suggested, one could hang. */
class MountLawTest {
    private static final MountSpec OUTDOORS = new MountSpec(3, 4, 35, true, null);
    private static final MountSpec INDOORS = new MountSpec(3, 4, 35, false, null);
    private static final MountSpec BOTH = new MountSpec(3, 4, 35, true, true);

    @Property(tries = 100)
    void outdoors_it_hangs_in_the_open_over_the_ground_and_indoors_in_a_room(@ForAll @IntRange(max = 100_000) int seed) {
        House house = new House(RandomHouses.plan(seed), List.of());
        Shell shell = house.crossings().shell();
        List<Mount> outside = Mount.on(house, OUTDOORS);
        List<Mount> inside = Mount.on(house, INDOORS);
        if (house.plan().storeys().get(0).heightM() > 2.55) {
            assertThat(outside).isNotEmpty();
        }
        assertThat(outside).allSatisfy(mount -> {
            assertThat(shell.indoors(mount.at(), mount.heightM())).isFalse();
            assertThat(mount.heightM() - house.ground().heightM(mount.at())).isBetween(1.79, 4.01);
            notInAnything(house, mount);
        });
        assertThat(inside).allSatisfy(mount -> {
            Storey room = shell.room(mount.at(), mount.heightM()).orElseThrow();
            assertThat(mount.heightM() - room.floorM()).isBetween(2.39, 3.11);
            assertThat(room.ceilingM() - mount.heightM()).isGreaterThan(0.05);
            notInAnything(house, mount);
        });
        assertThat(Mount.on(house, BOTH)).hasSize(outside.size() + inside.size());
    }

    private static void notInAnything(House house, Mount mount) {
        Shell shell = house.crossings().shell();
        assertThat(house.plan().walls()).noneMatch(wall -> wall.covers(mount.at()) && mount.heightM() >= house.plan().baseM(wall)
                && mount.heightM() <= shell.topM(wall, mount.at().xM(), mount.at().yM()));
        assertThat(shell.floors()).noneMatch(floor -> floor.over(mount.at().xM(), mount.at().yM())
                && mount.heightM() <= floor.plane().z0M() && mount.heightM() > floor.plane().z0M() - 0.1);
    }

    @Test
    void eaves_that_jut_out_are_screwed_on_from_below() {
        HousePlan plan = Houses.plan("weir-steps");
        Storey upper = plan.storeys().get(1);
        Roof low = new Roof(Roof.Kind.PITCHED, 3.6, 7.5, 90.0, 0.6, null);
        HousePlan roofed = plan.withStoreys(List.of(plan.storeys().get(0), new Storey(upper.id(), upper.name(), 2.9, 2.5, upper.slab(),
                null, low)));
        assertThat(Mount.on(new House(plan, List.of()), OUTDOORS)).noneMatch(mount -> mount.on().equals("eaves"));
        assertThat(Mount.on(new House(roofed, List.of()), OUTDOORS)).filteredOn(mount -> mount.on().equals("eaves")).isNotEmpty()
                .anySatisfy(mount -> assertThat(mount.heightM()).as("low eaves").isCloseTo(2.8, within(0.1)))
                .allSatisfy(mount -> assertThat(mount.heightM()).as("up the verge").isBetween(2.7, 4.0));
    }

    @Test
    void what_is_made_for_rooms_is_not_hung_in_the_rain() {
        House house = new House(Houses.plan("weir-steps"), List.of());
        assertThat(Mount.on(house, INDOORS)).isNotEmpty().allMatch(mount -> house.crossings().shell().indoors(mount.at(), mount.heightM()));
    }
}
