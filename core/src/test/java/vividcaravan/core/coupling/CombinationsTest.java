package vividcaravan.core.coupling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class CombinationsTest {

    private static final long TRACTOR = 1;
    private static final long FIRST = 2;
    private static final long DOLLY = 3;
    private static final long SECOND = 4;
    private static final long OTHER_TRACTOR = 5;

    private static Coupling coupling(long id, long pulled, long puller, long from, long to) {
        return new Coupling(id, pulled, puller, from, to, Coupling.Source.PERSON);
    }

    private static Coupling coupling(long id, long pulled, long puller, long from) {
        return coupling(id, pulled, puller, from, Coupling.OPEN);
    }

    /** Two trailers with the dolly between them. */
    private static Combinations road() throws CouplingRefused {
        return Combinations.NONE
                .with(coupling(1, FIRST, TRACTOR, 100))
                .with(coupling(2, SECOND, DOLLY, 90))
                .with(coupling(3, DOLLY, FIRST, 110));
    }

    @Test
    void dollyAndTwoTrailersAreOneCombination() throws CouplingRefused {
        assertThat(road().combination(DOLLY, 120)).containsExactly(TRACTOR, FIRST, DOLLY, SECOND);
        assertThat(road().combination(SECOND, 105)).containsExactly(DOLLY, SECOND);
        assertThat(road().front(SECOND, 120)).isEqualTo(TRACTOR);
        assertThat(road().combination(TRACTOR, 99)).containsExactly(TRACTOR);
    }

    @Test
    void whoeverComesLaterTakesTheTrailerFromWhoeverHadIt() throws CouplingRefused {
        Combinations later = road().with(coupling(4, FIRST, OTHER_TRACTOR, 200));

        assertThat(later.combination(FIRST, 199)).startsWith(TRACTOR, FIRST);
        assertThat(later.combination(FIRST, 200)).startsWith(OTHER_TRACTOR, FIRST);
        assertThat(later.combination(TRACTOR, 200)).containsExactly(TRACTOR);
        assertThat(later.of(FIRST)).extracting(Coupling::puller).containsExactly(TRACTOR, FIRST, OTHER_TRACTOR);
    }

    @Test
    void twoCannotHangAtOneHook() throws CouplingRefused {
        Combinations road = road();

        assertThatThrownBy(() -> road.with(coupling(4, SECOND, TRACTOR, 150)))
                .isInstanceOfSatisfying(
                        CouplingRefused.class, e -> assertThat(e.fault()).isEqualTo(CouplingFault.PULLS_ALREADY));
    }

    @Test
    void noneHangsBehindItself() throws CouplingRefused {
        Combinations two = Combinations.NONE.with(coupling(1, SECOND, DOLLY, 100));

        assertThatThrownBy(() -> two.with(coupling(2, DOLLY, SECOND, 50))).hasMessage(CouplingFault.CIRCLE.words());
        assertThatThrownBy(() -> two.with(coupling(2, DOLLY, DOLLY, 50))).hasMessage(CouplingFault.ITSELF.words());
    }

    @Test
    void whatIsKnownOfLaterStandsAgainstAnEarlierWord() throws CouplingRefused {
        Combinations road = road();

        assertThatThrownBy(() -> road.with(coupling(4, FIRST, OTHER_TRACTOR, 50)))
                .hasMessage(CouplingFault.PULLED_LATER.words());
        assertThat(road.with(coupling(4, FIRST, OTHER_TRACTOR, 50, 100)).front(FIRST, 60))
                .isEqualTo(OTHER_TRACTOR);
    }

    @Test
    void sixAreTooLong() throws CouplingRefused {
        Combinations long5 = road().with(coupling(4, 6, SECOND, 120));

        assertThatThrownBy(() -> long5.with(coupling(5, 7, 6, 130))).hasMessage(CouplingFault.TOO_LONG.words());
    }

    @Test
    void whatEndsWhenItBeginsNeverWas() throws CouplingRefused {
        assertThat(road().ending(3, 110).find(3)).isEmpty();
        assertThat(road().ending(3, 150).combination(DOLLY, 150)).containsExactly(DOLLY, SECOND);
    }

    /** What changed, applied to what was, is what is: the rest of the product keeps its table by it. */
    @Property(tries = 300)
    void whatIsOtherSinceBeforeIsAllThatIsOther(@ForAll long seed) {
        Random random = new Random(seed);
        Combinations all = Combinations.NONE;
        Map<Long, Coupling> table = new HashMap<>();
        for (int i = 0; i < 40; i++) {
            Combinations next = done(all, random, i);
            for (Combinations.Changed one : next.since(all)) {
                if (one.before() != null) {
                    assertThat(table.remove(one.before().id())).isEqualTo(one.before());
                }
                if (one.after() != null) {
                    table.put(one.after().id(), one.after());
                }
            }
            all = next;
            assertThat(table.values()).containsExactlyInAnyOrderElementsOf(all.all());
            assertThat(Combinations.of(table.values()).all()).isEqualTo(all.all());
        }
    }

    private static Combinations done(Combinations all, Random random, int number) {
        long from = random.nextInt(100);
        long to = random.nextBoolean() ? Coupling.OPEN : from + random.nextInt(40);
        try {
            return switch (random.nextInt(4)) {
                case 0 -> all.ending(random.nextInt(40), random.nextInt(120));
                case 1 -> all.without(random.nextInt(40));
                default -> all.with(coupling(number, random.nextInt(7), random.nextInt(7), from, to));
            };
        } catch (CouplingRefused refused) {
            assertThat(refused).hasMessageNotContaining("null");
            return all;
        }
    }

    /** Held against a look at every moment there is. */
    @Property(tries = 300)
    void aCouplingIsRefusedOnlyForWhatItWouldBreak(@ForAll long seed) {
        Random random = new Random(seed);
        Combinations all = Combinations.NONE;
        for (int i = 0; i < 40; i++) {
            Coupling asked =
                    coupling(i, random.nextInt(7), random.nextInt(7), random.nextInt(100), 100 + random.nextInt(40));
            try {
                all = all.with(asked);
            } catch (CouplingRefused refused) {
                assertThat(wouldBreak(all, asked)).as(refused.fault().words()).isTrue();
            }
        }
    }

    private static boolean wouldBreak(Combinations all, Coupling asked) {
        boolean isPulledLater = all.all().stream()
                .anyMatch(
                        one -> one.pulled() == asked.pulled() && one.from() >= asked.from() && one.from() < asked.to());
        for (long at = asked.from(); at < asked.to(); at++) {
            boolean isHookTaken = all.behind(asked.puller(), at)
                    .filter(one -> one.pulled() != asked.pulled())
                    .isPresent();
            int ahead = asked.pulled() == asked.puller() ? 99 : 0;
            for (Optional<Coupling> one = all.before(asked.puller(), at);
                    one.isPresent();
                    one = all.before(one.get().puller(), at)) {
                ahead += one.get().puller() == asked.pulled() ? 99 : 1;
                if (ahead > 99) {
                    break;
                }
            }
            int behind = 0;
            for (Optional<Coupling> one = all.behind(asked.pulled(), at);
                    one.isPresent() && behind < 99;
                    one = all.behind(one.get().pulled(), at)) {
                behind++;
            }
            if (isPulledLater || isHookTaken || 2 + ahead + behind > Combinations.LONGEST) {
                return true;
            }
        }
        return false;
    }

    @Test
    void takenInOneAfterTheOtherIsTheSameAsEachFromTheOneBefore() throws CouplingRefused {
        Combinations.Builder builder = new Combinations.Builder();
        for (Coupling one : road().all()) {
            builder.add(one);
        }

        assertThat(builder.build().all()).isEqualTo(road().all());
        assertThatThrownBy(() -> builder.add(coupling(9, SECOND, TRACTOR, 150))).isInstanceOf(CouplingRefused.class);
    }

    @Property(tries = 300)
    void whateverIsDoneEachHasOneBeforeItAndOneBehindIt(@ForAll long seed) {
        Random random = new Random(seed);
        Combinations all = Combinations.NONE;
        for (int i = 0; i < 40; i++) {
            all = done(all, random, i);
        }
        for (long at = 0; at <= 140; at++) {
            List<Long> pulled = new ArrayList<>();
            List<Long> pullers = new ArrayList<>();
            for (Coupling one : all.all()) {
                if (one.covers(at)) {
                    pulled.add(one.pulled());
                    pullers.add(one.puller());
                }
            }
            assertThat(pulled).doesNotHaveDuplicates();
            assertThat(pullers).doesNotHaveDuplicates();
            for (long vehicle = 0; vehicle < 7; vehicle++) {
                List<Long> combination = all.combination(vehicle, at);
                assertThat(combination).contains(vehicle).hasSizeLessThanOrEqualTo(Combinations.LONGEST);
                assertThat(new HashSet<>(combination)).hasSize(combination.size());
            }
        }
    }
}
