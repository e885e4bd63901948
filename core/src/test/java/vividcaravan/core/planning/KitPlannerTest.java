package vividcaravan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;

/** What mounts need is common practice; receivers, repeaters and times are our judgement. */
class KitPlannerTest {

    private static final TyreSpec TRUCK_RIM = new TyreSpec("295/80 R22.5", 152, 900.0, 22.5, 45.0);

    private static KitVehicle vehicle(VehicleKind kind, TyreSpec tyre, boolean isBallasted, WheelArrangement... axles) {
        List<Axle> described = java.util.Arrays.stream(axles)
                .map(wheels -> new Axle(AxleRole.DRIVE, wheels, false))
                .toList();
        return new KitVehicle(
                "KV-1",
                kind,
                new AxleLayout(described, 0),
                Collections.nCopies(axles.length, tyre),
                Collections.nCopies(axles.length, isBallasted),
                Set.of());
    }

    private static KitVehicle rigid(TyreSpec tyre) {
        return vehicle(VehicleKind.RIGID_TRUCK, tyre, false, WheelArrangement.SINGLE, WheelArrangement.TWIN);
    }

    private static KitItem chosen(TyreSpec tyre, MountKind... preference) {
        return new KitPlanner(List.of(preference), true, 0)
                .plan(List.of(rigid(tyre)))
                .wheels()
                .get(0)
                .sensor()
                .orElse(null);
    }

    @ParameterizedTest(name = "rim {0} in, drop centre {1} mm: {2}")
    @CsvSource({
        "22.5, 45, STRAP_SENSOR",
        "22.5, 30, STRAP_SENSOR", // a strap needs 30 mm
        "22.5, 29.9, NARROW_BELT_SENSOR", // a narrow belt 25
        "22.5, 25, NARROW_BELT_SENSOR",
        "22.5, 24.9, CAP_SENSOR",
        "17.5, 45, STRAP_SENSOR", // straps are for 17.5 to 24.5 in
        "24.5, 45, STRAP_SENSOR",
        "16, 45, BELT_SENSOR", // a belt over 40 mm
        "38, 40.1, BELT_SENSOR",
        "38, 40, NARROW_BELT_SENSOR",
    })
    void takesTheFirstMountThatFitsTheRim(double rim, double drop, KitItem sensor) {
        TyreSpec tyre = new TyreSpec(null, null, null, rim, drop);

        assertThat(chosen(tyre, MountKind.STRAP, MountKind.BELT, MountKind.CAP)).isEqualTo(sensor);
    }

    @Test
    void saysWhyNothingFits() {
        KitPlan plan = new KitPlanner(List.of(MountKind.STRAP), true, 0)
                .plan(List.of(rigid(new TyreSpec(null, null, null, 16.0, 20.0))));

        assertThat(plan.wheels()).hasSize(6).allSatisfy(wheel -> {
            assertThat(wheel.sensor()).isEmpty();
            assertThat(wheel.words()).hasSize(3).last().asString().contains("Choose another");
        });
        assertThat(plan.counts()).containsOnlyKeys(KitItem.RECEIVER);
    }

    @Test
    void whatSitsInsideNeedsTyresOffAndNoLiquid() {
        KitPlanner outside = new KitPlanner(List.of(MountKind.STRAP, MountKind.CAP), false, 0);
        KitPlanner inside = new KitPlanner(List.of(MountKind.GLUED, MountKind.CAP), true, 0);
        KitVehicle ballasted =
                vehicle(VehicleKind.FARM_TRACTOR, TRUCK_RIM, true, WheelArrangement.SINGLE, WheelArrangement.SINGLE);

        assertThat(outside.plan(List.of(rigid(TRUCK_RIM))).counts()).containsEntry(KitItem.CAP_SENSOR, 6);
        assertThat(inside.plan(List.of(ballasted)).counts()).containsEntry(KitItem.CAP_SENSOR, 4);
    }

    @Test
    void asksToMeasureWhatIsNotKnown() {
        KitPlan plan = new KitPlanner(List.of(MountKind.STRAP), true, 0).plan(List.of(rigid(TyreSpec.UNKNOWN)));

        assertThat(plan.wheels().get(0).sensor()).contains(KitItem.STRAP_SENSOR);
        assertThat(plan.wheels().get(0).words()).singleElement().asString().contains("Measure the drop centre");
    }

    @Test
    void countsEverythingThatGoesWithStraps() {
        KitPlan plan = new KitPlanner(List.of(MountKind.STRAP), true, 10).plan(List.of(rigid(TRUCK_RIM)));

        // Six wheels, one to spare (10 % of 6 rounded up); six valve cores, since six tyres come off.
        assertThat(plan.counts())
                .isEqualTo(Map.of(
                        KitItem.STRAP_SENSOR, 7,
                        KitItem.RECEIVER, 1,
                        KitItem.VALVE_CORE, 6,
                        KitItem.STRAP_TORQUE_SCREWDRIVER, 1,
                        KitItem.CABLE_PULLER, 1,
                        KitItem.WIRE_CUTTER, 1,
                        KitItem.HAND_GAUGE, 1,
                        KitItem.TREAD_GAUGE, 1));
        assertThat(plan.work()).isEqualTo(java.time.Duration.ofMinutes(15 + 60 + 6 * (40 + 6)));
    }

    @Test
    void countsEverythingThatGoesWithCapsAndGlue() {
        assertThat(new KitPlanner(List.of(MountKind.CAP), false, 0)
                        .plan(List.of(rigid(TRUCK_RIM)))
                        .counts())
                .containsEntry(KitItem.LOCK_NUT, 6)
                .containsEntry(KitItem.LOCK_NUT_WRENCH, 1)
                .containsEntry(KitItem.ANTI_THEFT_TOOL, 1)
                .doesNotContainKey(KitItem.VALVE_CORE);
        assertThat(new KitPlanner(List.of(MountKind.GLUED), true, 50)
                        .plan(List.of(rigid(TRUCK_RIM)))
                        .counts())
                .containsEntry(KitItem.GLUED_SENSOR, 9)
                .containsEntry(KitItem.LINER_GLUE, 9)
                .containsEntry(KitItem.VALVE_CORE, 6)
                .containsEntry(KitItem.THERMOMETER, 1)
                .containsEntry(KitItem.GLOVES_AND_GOGGLES, 1);
    }

    @Test
    void aTrailerNeedsARepeaterAndNoReceiverOfItsOwn() {
        KitVehicle trailer =
                vehicle(VehicleKind.DRAWBAR_TRAILER, TRUCK_RIM, false, WheelArrangement.TWIN, WheelArrangement.TWIN);
        KitPlan plan = new KitPlanner(List.of(MountKind.CAP), false, 0).plan(List.of(trailer));

        assertThat(plan.counts()).containsEntry(KitItem.REPEATER, 1).doesNotContainKey(KitItem.RECEIVER);
        assertThat(plan.notes()).singleElement().asString().contains("20 %");
    }

    @Test
    void aShortVehicleNeedsNone() {
        assertThat(new KitPlanner(List.of(MountKind.CAP), false, 0)
                        .plan(List.of(rigid(TRUCK_RIM)))
                        .counts())
                .doesNotContainKey(KitItem.REPEATER);
    }

    @Test
    void wheelsWithASensorStayAsTheyAre() {
        KitVehicle whole = rigid(TRUCK_RIM);
        KitVehicle half = new KitVehicle(
                whole.ref(),
                whole.kind(),
                whole.layout(),
                whole.tyres(),
                whole.ballasted(),
                Set.of(Position.parse("1L"), Position.parse("1R")));
        KitPlan plan = new KitPlanner(List.of(MountKind.CAP), false, 0).plan(List.of(half));

        assertThat(plan.wheels())
                .extracting(wheel -> wheel.position().code())
                .containsExactly("2LO", "2LI", "2RI", "2RO");
        assertThat(plan.counts()).containsEntry(KitItem.CAP_SENSOR, 4).doesNotContainKey(KitItem.RECEIVER);
    }

    @Property(seed = "20261128")
    void thereIsAlwaysASensorForEachWheelAndNeverHalfTheFleetToSpare(
            @ForAll @IntRange(min = 0, max = 50) int spare, @ForAll @IntRange(min = 1, max = 40) int vehicles) {
        KitPlan plan = new KitPlanner(List.of(MountKind.CAP), false, spare)
                .plan(Collections.nCopies(vehicles, rigid(TRUCK_RIM)));

        int wheels = vehicles * 6;
        assertThat(plan.counts().get(KitItem.CAP_SENSOR))
                .isBetween((int) Math.ceil(wheels * (1 + spare / 100.0) - 1e-9), wheels + wheels / 2 + 1);
    }

    @Test
    void refusesWishesThatCannotBe() {
        assertThatThrownBy(() -> new KitPlanner(List.of(), true, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new KitPlanner(List.of(MountKind.CAP), true, 51))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new KitVehicle(
                        "X",
                        VehicleKind.BUS,
                        new AxleLayout(List.of(new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false)), 0),
                        List.of(),
                        List.of(),
                        Set.of()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(Optional.of(KitItem.HAND_GAUGE)).map(KitItem::isTool).contains(true);
    }

    /** S single, T twin: which combinations of kind and axles call for a repeater, and why [our judgement]. */
    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource({
        "SEMI_TRAILER, S, ''",
        "SEMI_TRAILER, SS, its rear is far",
        "SEMI_TRAILER, T, inner twins",
        "SEMI_TRAILER, TT, inner twins",
        "DRAWBAR_TRAILER, SS, its rear is far",
        "IMPLEMENT, SS, ''",
        "IMPLEMENT, ST, inner twins",
        "RIGID_TRUCK, STT, inner twins on axle 3",
        "RIGID_TRUCK, STS, ''",
        "RIGID_TRUCK, SSSS, ''",
        "RIGID_TRUCK, SSSSS, five axles",
        "RIGID_TRUCK, SSTSS, inner twins on axle 3",
    })
    void aRepeaterIsPlannedWhereWheelsAreFar(VehicleKind kind, String axles, String because) {
        WheelArrangement[] wheels = axles.chars()
                .mapToObj(axle -> axle == 'T' ? WheelArrangement.TWIN : WheelArrangement.SINGLE)
                .toArray(WheelArrangement[]::new);

        KitPlan plan =
                new KitPlanner(List.of(MountKind.CAP), true, 0).plan(List.of(vehicle(kind, TRUCK_RIM, false, wheels)));

        List<String> notes = plan.notes().stream()
                .filter(note -> note.contains("a repeater"))
                .toList();
        if (because.isEmpty()) {
            assertThat(notes).isEmpty();
            assertThat(plan.counts()).doesNotContainKey(KitItem.REPEATER);
        } else {
            assertThat(notes).singleElement().asString().contains(because);
            assertThat(plan.counts()).containsEntry(KitItem.REPEATER, 1);
        }
    }

    @Test
    void aSpareIsPlannedLikeTheLastAxleAndAnInnerTwinIsLookedAt() {
        AxleLayout layout = new AxleLayout(
                List.of(
                        new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                        new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false)),
                1);
        KitVehicle truck = new KitVehicle(
                "KV-1",
                VehicleKind.RIGID_TRUCK,
                layout,
                List.of(new TyreSpec(null, null, null, 16.0, 20.0), TRUCK_RIM),
                List.of(true, false),
                Set.of());

        KitPlan plan = new KitPlanner(List.of(MountKind.STRAP, MountKind.CAP), true, 0).plan(List.of(truck));

        assertThat(plan.wheels())
                .filteredOn(wheel -> wheel.position().isSpare())
                .singleElement()
                .satisfies(wheel -> assertThat(wheel.sensor()).contains(KitItem.STRAP_SENSOR));
        KitPlan caps = new KitPlanner(List.of(MountKind.CAP), true, 0).plan(List.of(truck));
        assertThat(caps.wheels().stream()
                        .filter(wheel -> String.join(" ", wheel.words()).contains("inner valve"))
                        .map(wheel -> wheel.position().code()))
                .containsExactlyInAnyOrder("2LI", "2RI");
    }
}
