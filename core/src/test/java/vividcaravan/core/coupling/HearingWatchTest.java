package vividcaravan.core.coupling;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class HearingWatchTest {

    private static final long MINUTE = 60_000;
    private static final long BEGIN = 1_800_000_000_000L;
    private static final long TRACTOR = 1;
    private static final long OTHER = 2;
    private static final long TRAILER = 8;

    private final Map<String, Long> rides = new HashMap<>(Map.of("cab-1", TRACTOR, "cab-2", OTHER));
    private final HearingWatch watch = new HearingWatch(new HearingWatch.Fleet() {
        @Override
        public Long ridesWith(String receiver) {
            return rides.get(receiver);
        }

        @Override
        public boolean isPlaced(String receiver) {
            return receiver.startsWith("cab") || receiver.startsWith("gate");
        }

        @Override
        public boolean isPulled(long vehicle) {
            return vehicle >= TRAILER;
        }
    });
    private Combinations couplings = Combinations.NONE;
    private final List<HearingWatch.Clear> clear = new ArrayList<>();
    private final List<Long> clearAt = new ArrayList<>();

    private void hear(String receiver, long vehicle, double minute, Boolean isMoving, double celsius) {
        long at = BEGIN + Math.round(minute * MINUTE);
        for (HearingWatch.Clear one : watch.take(new Hearing(receiver, vehicle, at, isMoving, celsius), couplings)) {
            clear.add(one);
            clearAt.add((at - BEGIN) / MINUTE);
            try {
                follow(one);
            } catch (CouplingRefused e) {
                throw new AssertionError(e);
            }
        }
    }

    private void follow(HearingWatch.Clear one) throws CouplingRefused {
        if (one instanceof HearingWatch.Coupled it) {
            couplings = couplings.with(new Coupling(
                    clear.size(), it.trailer(), it.front(), it.since(), Coupling.OPEN, Coupling.Source.HEARD));
        } else if (one instanceof HearingWatch.Parted it) {
            long id = couplings.before(it.trailer(), it.at() - 1).orElseThrow().id();
            couplings = couplings.ending(id, it.at());
        } else if (one instanceof HearingWatch.Rides it) {
            rides.put(it.receiver(), it.vehicle());
        }
    }

    private void drive(double from, double to) {
        for (double minute = from; minute <= to; minute++) {
            hear("cab-1", TRACTOR, minute, true, 30);
            hear("cab-1", TRAILER, minute + 0.2, true, 30);
        }
    }

    private long proposals(double minute) {
        return watch.proposals(BEGIN + Math.round(minute * MINUTE), couplings).size();
    }

    @Test
    void isProposedAfterTwoMinutesOnTheRoadAndCertainAfterTen() {
        drive(0, 1);
        assertThat(proposals(1.3)).isZero();
        drive(2, 3);
        assertThat(proposals(3.3)).isOne();
        assertThat(clear).isEmpty();
        drive(4, 20);

        assertThat(clear).containsExactly(new HearingWatch.Coupled(TRAILER, TRACTOR, BEGIN + 12_000));
        assertThat(clearAt).containsExactly(10L);
        assertThat(proposals(20.3)).isZero();
    }

    @Test
    void aTrailerThatStandsInTheYardIsNotCoupledByWhoeverHearsIt() {
        for (int minute = 0; minute < 60; minute++) {
            hear("cab-1", TRACTOR, minute, true, 30);
            hear("cab-1", TRAILER, minute + 0.2, false, 12);
        }

        assertThat(clear).isEmpty();
        assertThat(proposals(59)).isZero();
    }

    @Test
    void sensorsThatSayNothingOfMovingAndStayColdAreParked() {
        for (int minute = 0; minute < 60; minute++) {
            hear("cab-1", TRACTOR, minute, null, 12 + minute % 2);
            hear("cab-1", TRAILER, minute + 0.2, null, 12 + minute % 2);
        }
        assertThat(clear).isEmpty();

        for (int minute = 60; minute < 90; minute++) {
            hear("cab-1", TRACTOR, minute, null, 12 + (minute - 60) * 0.7);
            hear("cab-1", TRAILER, minute + 0.2, null, 12 + (minute - 60) * 0.6);
        }
        assertThat(clear).hasOnlyElementsOfType(HearingWatch.Coupled.class).hasSize(1);
    }

    @Test
    void ofTwoThatHearItTheNearerPullsIt() {
        for (int minute = 0; minute < 40; minute++) {
            hear("cab-1", TRACTOR, minute, true, 30);
            hear("cab-2", OTHER, minute, true, 30);
            hear("cab-2", TRAILER, minute + 0.3, true, 30);
            if (minute % 4 == 0) {
                hear("cab-1", TRAILER, minute + 0.4, true, 30);
            }
        }

        assertThat(clear).hasOnlyElementsOfType(HearingWatch.Coupled.class);
        assertThat(couplings.front(TRAILER, BEGIN + 39 * MINUTE)).isEqualTo(OTHER);
    }

    @Test
    void aTractorThatIsKnownToStandPullsNothing() {
        for (int minute = 0; minute < 30; minute++) {
            hear("cab-1", TRACTOR, minute, false, 12);
            hear("cab-1", TRAILER, minute + 0.2, true, 30);
        }

        assertThat(clear).isEmpty();
    }

    @Test
    void theyPartWhereTheTractorDrivesOnAndTheTrailerIsNotHeard() {
        drive(0, 20);
        for (int minute = 60; minute < 90; minute++) {
            hear("cab-1", TRACTOR, minute, true, 25);
        }

        assertThat(clear).contains(new HearingWatch.Parted(TRAILER, TRACTOR, BEGIN + 60 * MINUTE));
        assertThat(clearAt).containsExactly(10L, 70L);
    }

    @Test
    void aNightInTheYardPartsNobody() {
        drive(0, 20);
        for (int minute = 21; minute < 26; minute++) {
            hear("cab-1", TRACTOR, minute, false, 28);
            hear("cab-1", TRAILER, minute + 0.2, false, 28);
        }
        drive(600, 640);

        assertThat(clear).hasSize(1);
        assertThat(couplings.front(TRAILER, BEGIN + 640 * MINUTE)).isEqualTo(TRACTOR);
    }

    @Test
    void aStopPartsNobodyThoughSomeSensorsFallAsleepBeforeOthers() {
        for (int minute = 0; minute < 40; minute++) {
            hear("cab-1", TRACTOR, minute, null, 12 + minute * 0.5);
            hear("cab-1", TRAILER, minute + 0.2, null, 12 + minute * 0.5);
        }
        for (int minute = 40; minute < 52; minute++) {
            hear("cab-1", TRACTOR, minute, null, 32);
        }
        for (int minute = 55; minute < 80; minute++) {
            hear("cab-1", TRACTOR, minute, null, 30);
            hear("cab-1", TRAILER, minute + 0.2, null, 30);
        }
        assertThat(clear).hasSize(1);

        for (int minute = 80; minute < 120; minute++) {
            hear("cab-1", TRACTOR, minute, null, 24 + (minute - 80) * 0.3);
        }
        assertThat(clear).hasSize(2).last().isInstanceOf(HearingWatch.Parted.class);
    }

    @Test
    void aStopPartsNobodyThoughOnlySomeSensorsSayThatTheyMove() {
        drive(0, 30);
        for (int minute = 31; minute < 46; minute++) {
            hear("cab-1", TRACTOR, minute, minute % 3 == 0 ? false : null, 28);
        }
        for (int minute = 46; minute < 49; minute++) {
            hear("cab-1", TRACTOR, minute, true, 28);
        }
        drive(49, 80);

        assertThat(clear).hasSize(1);
    }

    @Test
    void whoeverIsHeardWithAnotherWasTakenOverByIt() {
        drive(0, 20);
        for (int minute = 60; minute < 80; minute++) {
            hear("cab-2", OTHER, minute, true, 25);
            hear("cab-2", TRAILER, minute + 0.2, true, 25);
        }

        assertThat(couplings.of(TRAILER)).extracting(Coupling::puller).containsExactly(TRACTOR, OTHER);
        assertThat(couplings.front(TRAILER, BEGIN + 61 * MINUTE)).isEqualTo(OTHER);
    }

    @Test
    void aReceiverThatNobodyPlacedRidesWithTheOneThatItHears() {
        for (int minute = 0; minute < 30; minute++) {
            hear("new-box", TRACTOR, minute, true, 30);
            hear("new-box", TRAILER, minute + 0.2, true, 30);
        }

        assertThat(clear)
                .containsExactly(
                        new HearingWatch.Rides("new-box", TRACTOR),
                        new HearingWatch.Coupled(TRAILER, TRACTOR, BEGIN + 12_000));
    }

    @Test
    void aGateThatHearsEverybodyRidesWithNobody() {
        for (int minute = 0; minute < 60; minute++) {
            hear("somewhere", TRACTOR, minute, true, 30);
            hear("somewhere", OTHER, minute + 0.1, true, 30);
            hear("gate-north", TRACTOR, minute + 0.3, true, 30);
            hear("gate-north", TRAILER, minute + 0.4, true, 30);
        }

        assertThat(clear).isEmpty();
    }

    @Test
    void whatSomebodyDeniesIsNotSaidAgain() {
        drive(0, 5);
        assertThat(watch.deny(TRAILER, TRACTOR)).hasSize(1);
        drive(6, 40);

        assertThat(clear).isEmpty();
        assertThat(proposals(40)).isZero();

        drive(600, 620);
        assertThat(clear).hasSize(1);
    }

    @Test
    void whatComesLateSaysNothingMore() {
        drive(0, 20);
        HeardSpan before = watch.span("cab-1", TRAILER).orElseThrow();
        hear("cab-1", TRAILER, 5, false, 12);

        assertThat(watch.span("cab-1", TRAILER)).contains(before);
    }

    @Test
    void goesOnFromWhatWasKept() {
        drive(0, 6);
        Map<HearingWatch.Ear, HeardSpan> kept = new HashMap<>();
        for (long vehicle : List.of(TRACTOR, TRAILER)) {
            kept.put(
                    new HearingWatch.Ear("cab-1", vehicle),
                    watch.span("cab-1", vehicle).orElseThrow());
        }
        watch.takeUp(kept);
        drive(7, 12);

        assertThat(clear).containsExactly(new HearingWatch.Coupled(TRAILER, TRACTOR, BEGIN + 12_000));
    }
}
