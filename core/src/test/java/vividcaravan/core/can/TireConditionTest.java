package vividcaravan.core.can;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.WheelArrangement;

/** Messages and what they say, by SAE J1939-71 (from memory). */
class TireConditionTest {

    private static final AxleLayout TRUCK = new AxleLayout(
            List.of(
                    new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                    new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false),
                    new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false)),
            1);

    private static TireCondition of(String data) throws CanFrame.Unreadable {
        return TireCondition.of(CanFrame.of("(1436509052.249713) can0 18FEF433#" + data))
                .orElseThrow();
    }

    @Test
    void aNormalTyreOnTheSecondAxle() throws CanFrame.Unreadable {
        TireCondition tyre = of("10C3E027FF27005F");

        assertThat(tyre.on(TRUCK)).contains(Position.parse("2LO"));
        assertThat(tyre.pressureKpa()).isEqualTo(780);
        assertThat(tyre.temperatureC()).isEqualTo(46);
        assertThat(tyre.leakPaPerS()).isCloseTo(3.9, within(1e-9));
        assertThat(tyre.threshold()).isEqualTo(2);
        assertThat(tyre.isFault()).isFalse();
    }

    @Test
    void anExtremelySoftOneOnTheThird() throws CanFrame.Unreadable {
        TireCondition tyre = of("239C602AFF58029F");

        assertThat(tyre.on(TRUCK)).contains(Position.parse("3RO"));
        assertThat(tyre.pressureKpa()).isEqualTo(624);
        assertThat(tyre.temperatureC()).isEqualTo(66);
        assertThat(tyre.leakPaPerS()).isCloseTo(60, within(1e-9));
        assertThat(tyre.threshold()).isEqualTo(4);
    }

    @Test
    void errorsAreFaultsAndWhatIsNotAvailableIsNothing() throws CanFrame.Unreadable {
        TireCondition error = of("21FE00FEFF00FEDF");
        TireCondition silent = of("13FF00FFFF00FFFF");

        assertThat(error.isFault()).isTrue();
        assertThat(error.isMeasurement()).isFalse();
        assertThat(silent.isFault()).isFalse();
        assertThat(silent.isMeasurement()).isFalse();
        assertThat(silent.leakPaPerS()).isNaN();
        for (String noMeasurement :
                List.of("10FBE027FF27005F", "10FDE027FF27005F", "10C300FBFF27005F", "10C3FFFDFF27005F")) {
            assertThat(of(noMeasurement).isMeasurement()).as(noMeasurement).isFalse();
            assertThat(of(noMeasurement).isFault()).as(noMeasurement).isFalse();
        }
    }

    @Test
    void placesThatTheVehicleHasNotAreNone() throws CanFrame.Unreadable {
        assertThat(of("02C3E027FF27005F").on(TRUCK)).isEmpty();
        assertThat(of("30C3E027FF27005F").on(TRUCK)).isEmpty();
        assertThat(of("01C3E027FF27005F").on(TRUCK)).contains(Position.parse("1R"));
    }

    @Test
    void timesAreExactToTheMillisecond() throws CanFrame.Unreadable {
        assertThat(CanFrame.of("(1436509052.249713) can0 123#").at()).isEqualTo(1_436_509_052_249L);
        assertThat(CanFrame.of("(1436509052.2) vcan1 18FEF433#00").at()).isEqualTo(1_436_509_052_200L);
    }

    @Test
    void messagesOfSomethingElseArePassedOver() throws CanFrame.Unreadable {
        for (String other : List.of("123#10C3E027FF27005F", "18FEF533#10C3E027FF27005F", "18FEF433#10C3E027FF2700")) {
            assertThat(TireCondition.of(CanFrame.of("(1.0) can0 " + other)))
                    .as(other)
                    .isEmpty();
        }
        // Whoever sent it, and how urgently, makes no difference.
        assertThat(TireCondition.of(CanFrame.of("(1.0) can0 0CFEF4A1#10C3E027FF27005F")))
                .isPresent();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "can0 18FEF433#00", "(1.0) can0 18FEF433#0", "(1.0) can0 18FEF433##10011", "(x) can0 123#"})
    void whatIsNoLineOfSuchALogIsSaidToBeNone(String line) {
        assertThatThrownBy(() -> CanFrame.of(line)).isInstanceOf(CanFrame.Unreadable.class);
    }

    @Property
    void noLineHoweverOddDoesMoreThanThat(@ForAll String line) {
        try {
            TireCondition.of(CanFrame.of(line));
        } catch (CanFrame.Unreadable said) {
            assertThat(said).hasMessageContaining(".");
        }
    }
}
