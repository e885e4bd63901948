package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.LimitPolicy;

/** Laws that hold for any readings: made-up days with leaks, repairs, heat and stray values. */
class VehicleJudgePropertiesTest {

    private static final long MINUTE = 60_000;
    private static final Position WHEEL = Position.parse("2LO");
    private static final VehicleRules RULES =
            JudgedWheel.rules(LimitPolicy.DEFAULT, VehicleKind.RIGID_TRUCK, JudgedWheel.TARGET);

    private static List<Reading> day(long seed, long begin, int count) {
        Random random = new Random(seed);
        List<Reading> readings = new ArrayList<>();
        double kpa = 800;
        double celsius = 20;
        double drift = 0;
        long at = begin;
        for (int i = 0; i < count; i++) {
            if (random.nextInt(25) == 0) {
                drift = random.nextInt(3) == 0 ? -random.nextDouble() * 25 : 0;
            }
            if (random.nextInt(60) == 0) {
                kpa = 800;
                drift = 0;
            }
            kpa = Math.max(0, kpa + drift + random.nextDouble() * 2 - 1);
            celsius = Math.max(-20, Math.min(110, celsius + random.nextDouble() * 6 - 2.9));
            at += MINUTE + random.nextInt(20 * 60_000) * (random.nextInt(10) == 0 ? 6L : 0L);
            boolean isStray = random.nextInt(40) == 0;
            readings.add(new Reading(at, isStray ? Double.NaN : kpa, celsius, 2400 + random.nextInt(500), null, null));
        }
        return readings;
    }

    private static Fitting stay(long sensor, long from, long to) {
        return new Fitting(sensor, 1, WHEEL, from, to);
    }

    @Property(seed = "20261120", tries = 200)
    void aPauseAndARestartBetweenAnyTwoReadingsChangeNothing(
            @ForAll @LongRange(min = 0, max = 1_000_000) long seed, @ForAll @IntRange(min = 0, max = 299) int cut) {
        List<Reading> readings = day(seed, 1_700_000_000_000L, 300);
        Fitting stay = stay(1, 0, Fitting.OPEN);
        List<Finding> atOnce = new ArrayList<>();
        VehicleJudge whole = new VehicleJudge(RULES);
        readings.forEach(reading -> whole.judge(stay, MountKind.STRAP, reading, atOnce::add));

        List<Finding> inParts = new ArrayList<>();
        VehicleJudge before = new VehicleJudge(RULES);
        readings.subList(0, cut).forEach(reading -> before.judge(stay, MountKind.STRAP, reading, inParts::add));
        VehicleJudge after = Remembered.afterRestart(before, RULES);
        readings.subList(cut, readings.size())
                .forEach(reading -> after.judge(stay, MountKind.STRAP, reading, inParts::add));

        assertThat(inParts).isEqualTo(atOnce);
        assertThat(Remembered.text(after.memory())).isEqualTo(Remembered.text(whole.memory()));
    }

    private record AtWheel(Fitting stay, Reading reading) {}

    /** A made-up day of every wheel of the vehicle, in the order of its time. */
    private static List<AtWheel> dayOfAll(long seed) {
        List<AtWheel> all = new ArrayList<>();
        List<String> positions = List.of("1L", "1R", "2LO", "2LI", "2RI", "2RO");
        for (int i = 0; i < positions.size(); i++) {
            Fitting stay = new Fitting(i + 1, 1, Position.parse(positions.get(i)), 0, Fitting.OPEN);
            day(seed + i, 1_700_000_000_000L + i * 3_000L, 120).forEach(reading -> all.add(new AtWheel(stay, reading)));
        }
        all.sort(Comparator.comparingLong(one -> one.reading().at()));
        return all;
    }

    @Property(seed = "20261126", tries = 60)
    void wheelsBesideEachOtherComeOutTheSameHoweverTheirReadingsAreSplit(
            @ForAll @LongRange(min = 0, max = 1_000_000) long seed, @ForAll @IntRange(min = 1, max = 200) int portion) {
        List<AtWheel> all = dayOfAll(seed);
        List<Finding> atOnce = new ArrayList<>();
        VehicleJudge whole = new VehicleJudge(RULES);
        all.forEach(one -> whole.judge(one.stay(), MountKind.VALVE, one.reading(), atOnce::add));

        List<Finding> inParts = new ArrayList<>();
        VehicleJudge judge = new VehicleJudge(RULES);
        for (int from = 0; from < all.size(); from += portion) {
            VehicleJudge part = Remembered.afterRestart(judge, RULES);
            all.subList(from, Math.min(all.size(), from + portion))
                    .forEach(one -> part.judge(one.stay(), MountKind.VALVE, one.reading(), inParts::add));
            judge = part;
        }

        assertThat(inParts).isEqualTo(atOnce);
        assertThat(Remembered.text(judge.memory())).isEqualTo(Remembered.text(whole.memory()));
    }

    @Property(seed = "20261126", tries = 60)
    void noWheelEverHasTwoOpenAlertsOfOneFamily(@ForAll @LongRange(min = 0, max = 1_000_000) long seed) {
        AtomicLong ids = new AtomicLong();
        AlertBook book = new AlertBook(ids::incrementAndGet);
        List<Alert> seen = new ArrayList<>();
        VehicleJudge judge = new VehicleJudge(RULES);

        dayOfAll(seed)
                .forEach(one -> judge.judge(one.stay(), MountKind.VALVE, one.reading(), finding -> book.apply(finding)
                        .ifPresent(changed -> {
                            seen.removeIf(alert -> alert.id() == changed.id());
                            seen.add(changed);
                        })));

        assertThat(seen.stream()
                        .filter(alert -> alert.state() != AlertState.CLOSED)
                        .map(alert -> alert.position() + " " + alert.kind().family()))
                .doesNotHaveDuplicates();
    }

    @Property(seed = "20261120", tries = 300)
    void aWheelNeverHasTwoOpenAlertsOfOneFamilyAndTheRecordIsInOrder(
            @ForAll @LongRange(min = 0, max = 1_000_000) long seed) {
        AtomicLong ids = new AtomicLong();
        AlertBook book = new AlertBook(ids::incrementAndGet);
        List<Alert> seen = new ArrayList<>();
        VehicleJudge judge = new VehicleJudge(RULES);

        for (Reading reading : day(seed, 1_700_000_000_000L, 400)) {
            judge.judge(stay(1, 0, Fitting.OPEN), MountKind.STRAP, reading, finding -> book.apply(finding)
                    .ifPresent(changed -> {
                        seen.removeIf(alert -> alert.id() == changed.id());
                        seen.add(changed);
                    }));
        }

        List<Alert> open =
                seen.stream().filter(a -> a.state() != AlertState.CLOSED).toList();
        assertThat(open.stream().map(alert -> alert.kind().family())).doesNotHaveDuplicates();
        for (Alert alert : seen) {
            assertThat(alert.entries()).extracting(AlertEntry::at).isSorted();
            assertThat(alert.entries().get(0).change()).isEqualTo(AlertEntry.Change.OPENED);
        }
    }

    /** What an alert says, without its identity and without what has no reading time. */
    private record Said(long openedAt, List<AlertEntry> judged, boolean isRunSoft) {
        static Said of(Alert alert) {
            return new Said(
                    alert.openedAt(),
                    alert.entries().stream().filter(e -> e.who() == null).toList(),
                    alert.isRunSoft());
        }
    }

    private static List<Said> said(List<Alert> alerts) {
        return alerts.stream()
                .filter(alert -> alert.entries().stream().noneMatch(e -> e.change() == AlertEntry.Change.WITHDRAWN))
                .map(Said::of)
                .sorted(Comparator.comparingLong(Said::openedAt)
                        .thenComparing(s -> s.judged().toString()))
                .toList();
    }

    private static Rejudgement again(List<Alert> known) {
        return new Rejudgement(0, RULES, Map.of(WHEEL, new Rejudgement.Past(known, List.of())));
    }

    /** Judges everything as if it had been known in time. */
    private static List<Alert> inHindsight(List<Fitting> stays, List<List<Reading>> readings) {
        Rejudgement judgement = again(List.of());
        for (int i = 0; i < stays.size(); i++) {
            Fitting stay = stays.get(i);
            readings.get(i).stream()
                    .filter(r -> stay.covers(r.at()))
                    .forEach(r -> judgement.judge(stay, MountKind.STRAP, r));
        }
        AtomicLong ids = new AtomicLong();
        return judgement.outcome(List.of(), ids::incrementAndGet, 0);
    }

    @Property(seed = "20261120", tries = 200)
    void aMoveRecordedLateComesOutAsIfItHadBeenKnownInTime(
            @ForAll @LongRange(min = 0, max = 1_000_000) long seed, @ForAll @IntRange(min = 1, max = 99) int percent) {
        long begin = 1_700_000_000_000L;
        List<Reading> ofFirst = day(seed, begin, 250);
        List<Reading> ofSecond = day(seed + 1, begin, 250);
        long moved = begin + (ofFirst.get(249).at() - begin) * percent / 100;
        List<Fitting> truth = List.of(stay(1, 0, moved), stay(2, moved, Fitting.OPEN));

        // Until somebody says so, all of the first sensor's readings are believed to be this wheel's.
        AtomicLong ids = new AtomicLong();
        AlertBook book = new AlertBook(ids::incrementAndGet);
        List<Alert> believed = new ArrayList<>();
        VehicleJudge judge = new VehicleJudge(RULES);
        for (Reading reading : ofFirst) {
            judge.judge(stay(1, 0, Fitting.OPEN), MountKind.STRAP, reading, finding -> book.apply(finding)
                    .ifPresent(changed -> {
                        believed.removeIf(alert -> alert.id() == changed.id());
                        believed.add(changed);
                    }));
        }
        Rejudgement correction = again(believed);
        ofFirst.stream()
                .filter(r -> truth.get(0).covers(r.at()))
                .forEach(r -> correction.judge(truth.get(0), MountKind.STRAP, r));
        ofSecond.stream()
                .filter(r -> truth.get(1).covers(r.at()))
                .forEach(r -> correction.judge(truth.get(1), MountKind.STRAP, r));
        List<Alert> corrected = correction.outcome(believed, ids::incrementAndGet, 0);
        List<Alert> standing = new ArrayList<>(corrected);
        believed.stream()
                .filter(old -> corrected.stream().noneMatch(c -> c.id() == old.id()))
                .filter(old -> old.openedAt() < moved)
                .forEach(standing::add);

        assertThat(said(corrected)).isEqualTo(said(inHindsight(truth, List.of(ofFirst, ofSecond))));
        // Every alert of before is either still there under its identity or was withdrawn or closed already.
        assertThat(believed).allSatisfy(old -> assertThat(
                        standing.stream().anyMatch(a -> a.id() == old.id()) || old.state() == AlertState.CLOSED)
                .isTrue());
    }

    /** Filled again and again it is called a leak in the end; that is the same alert. */
    @Property(seed = "20261120", tries = 200)
    void aFaultThatComesAndGoesWithinADayIsOneAlert(
            @ForAll @IntRange(min = 6 * 60 + 10, max = 23 * 60) int minutesBetween) {
        JudgedWheel wheel = JudgedWheel.drive();
        for (int i = 0; i < 4; i++) {
            wheel.steady(4, 715, 20).steady(30, 800, 20);
            wheel.now += (minutesBetween - 30) * MINUTE;
        }

        assertThat(wheel.alert().entries().stream()
                        .filter(e ->
                                e.change() == AlertEntry.Change.OPENED || e.change() == AlertEntry.Change.RETURNED))
                .hasSize(4);
    }
}
