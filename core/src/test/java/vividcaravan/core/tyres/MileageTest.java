package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MileageTest {

    private static final long MINUTE = Duration.ofMinutes(1).toMillis();

    private final Mileage mileage = new Mileage();

    @Test
    void whatRunsIsAddedUpFromTheFirstTime() {
        mileage.take(0, 412_350);
        mileage.take(60 * MINUTE, 412_410);
        mileage.take(120 * MINUTE, 412_455.5);

        assertThat(mileage.ranKm()).isEqualTo(105.5);
    }

    /** Changed for another, read wrongly, a digit too many: nothing that lies between counts, what follows does. */
    @ParameterizedTest
    @CsvSource({"3", "0", "4123500", "10000000"})
    void anOdometerThatLeapsCountsForNothing(double odd) {
        mileage.take(0, 412_350);
        mileage.take(60 * MINUTE, 412_400);
        mileage.take(61 * MINUTE, odd);
        mileage.take(62 * MINUTE, 412_401);
        mileage.take(122 * MINUTE, 412_451);

        assertThat(mileage.ranKm()).isEqualTo(100);
    }

    @Test
    void aBacklogThatComesInLateAddsNothingTwice() {
        mileage.take(60 * MINUTE, 1_050);
        mileage.take(30 * MINUTE, 1_025);
        mileage.take(60 * MINUTE, 1_050);
        mileage.take(90 * MINUTE, 1_075);

        assertThat(mileage.ranKm()).isEqualTo(25);
    }

    /** A trailer runs as far as what pulls it; and it goes on from what was written down. */
    @Test
    void whatIsPulledRunsAlongAndAllOfItIsTakenUpAgain() {
        mileage.pulled(60 * MINUTE, 50);
        mileage.pulled(120 * MINUTE, 30);
        assertThat(mileage.ranKm()).isEqualTo(80);
        assertThat(mileage.at()).isEqualTo(120 * MINUTE);

        Mileage again = new Mileage(60 * MINUTE, 412_400, 80);
        again.take(120 * MINUTE, 412_460);
        assertThat(again.ranKm()).isEqualTo(140);
        assertThat(again.odometerKm()).isEqualTo(412_460);
        assertThat(again.at()).isEqualTo(120 * MINUTE);
    }

    /** A vehicle is no faster than 150 km/h, and an odometer may round up one kilometre. */
    @ParameterizedTest
    @CsvSource({"60, 151, 151", "60, 152, 0", "6, 16, 16", "6, 17, 0"})
    void moreThanAVehicleCanRunIsAnotherOdometer(int minutes, double km, double counted) {
        mileage.take(MINUTE, 1_000);
        mileage.take((1 + minutes) * MINUTE, 1_000 + km);

        assertThat(mileage.ranKm()).isEqualTo(counted);
    }

    @ParameterizedTest
    @CsvSource({
        "1, 100.2, true",
        "1, 100.19, false",
        "15, 101, true",
        "15.1, 101, false",
        "5, 113.5, true",
        "5, 113.6, false",
        "5, 103, true", // 3 km in five minutes
        "5, 100, false", // stands, or the next kilometre is not full
        "5, 100.1, false",
        "0.1, 100.2, false", // within one round of its sensors nothing follows
        "5, 180, false", // no vehicle is so fast
        "5, 90, false",
        "40, 130, false" // where it was meanwhile, nobody knows
    })
    void thatItWasDrivenFollowsFromWhatIsTellingNow(double minutes, double km, boolean isDriven) {
        mileage.take(0, 100);

        assertThat(mileage.isDrivenAt((long) (minutes * MINUTE), km)).isEqualTo(isDriven);
    }

    /** In a round of sensors each tells the odometer: all of them are driven, not the first alone. */
    @Test
    void everySensorOfARoundIsDriven() {
        for (int minute = 0; minute < 40; minute++) {
            for (int sensor = 0; sensor < 12; sensor++) {
                long at = minute * MINUTE + sensor * 2_000L;
                boolean isDriven = mileage.isDrivenAt(at, 100 + minute);
                mileage.take(at, 100 + minute);
                assertThat(isDriven).as("%d %d", minute, sensor).isEqualTo(minute > 0);
            }
        }
    }

    @Property(seed = "20261201", tries = 200)
    void howOftenItIsToldChangesNothing(
            @ForAll @Size(min = 1, max = 40) List<@DoubleRange(max = 1.5) Double> eachMinute) {
        Mileage often = new Mileage();
        Mileage seldom = new Mileage();
        double km = 5_000;
        long at = 0;
        often.take(at, km);
        seldom.take(at, km);
        for (double more : eachMinute) {
            at += MINUTE;
            km += more;
            often.take(at, km);
        }
        seldom.take(at, km);

        assertThat(often.ranKm()).isCloseTo(seldom.ranKm(), org.assertj.core.data.Offset.offset(1e-6));
        assertThat(often.ranKm()).isCloseTo(km - 5_000, org.assertj.core.data.Offset.offset(1e-6));
    }

    /** At 150 km/h and a kilometre of rounding: what is faster is another odometer. */
    @ParameterizedTest
    @CsvSource({"151, 151", "151.1, 0", "0, 0"})
    void whatIsFasterThanAnyVehicleIsAnotherOdometer(double km, double ran) {
        mileage.take(0, 1_000);

        assertThat(mileage.take(60 * MINUTE, 1_000 + km)).isEqualTo(ran);
        assertThat(mileage.odometerKm()).isEqualTo(1_000 + km);
    }

    @ParameterizedTest
    @CsvSource({"1, 0.2, true", "1, 0.19, false", "15, 0.2, true", "16, 5, false", "1, 3.5, true", "1, 3.6, false"})
    void itIsDrivenWhereItShowsMoreThanSomeMinutesAgo(int minutes, double km, boolean isDriven) {
        mileage.take(0, 1_000);

        assertThat(mileage.isDrivenAt(minutes * MINUTE, 1_000 + km)).isEqualTo(isDriven);
    }

    @Test
    void onlyWhatIsAMinuteApartIsKeptToCompareWith() {
        mileage.take(0, 1_000);
        mileage.take(MINUTE - 1, 1_000.5);

        assertThat(mileage.isDrivenAt(MINUTE, 1_000.6)).isTrue();
        assertThat(mileage.isDrivenAt(MINUTE, 1_000.1)).isFalse();
    }
}
