package vividcaravan.core.driver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.Departure.Verdict;
import vividcaravan.core.alert.EvidenceBuilder;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Outage;
import vividcaravan.core.alert.Sight;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.words.Language;

/**
 * What the Desk, the gate and the driver's page say of a vehicle is one verdict in three voices: held over random alerts in random
 * states, beside random hand gauges, walks, outages and nuts.
 */
class OneVerdictInThreeVoicesTest {

    private static final List<Position> WHEELS = List.of("1L", "1R", "2LO", "2LI", "2RI", "2RO", "S1").stream()
            .map(Position::parse)
            .toList();
    private static final Set<AlertKind> OF_A_SENSOR = EnumSet.of(
            AlertKind.SENSOR_BATTERY, AlertKind.SENSOR_FAULT, AlertKind.SENSOR_SILENT, AlertKind.RECEIVER_SILENT);

    private static final DriverWords WORDS = DriverWords.in(Language.EN);

    private static <T> T anyOf(List<T> all, Random random) {
        return all.get(random.nextInt(all.size()));
    }

    /** An alert in any state that people and readings can bring it to. */
    private static Alert alert(long id, Random random) {
        Position wheel = anyOf(WHEELS, random);
        AlertKind kind = anyOf(List.of(AlertKind.values()), random);
        Urgency urgency = anyOf(List.of(Urgency.values()), random);
        boolean isRunSoft = kind.isLossOfAir() && urgency != Urgency.PLAN && random.nextInt(4) == 0;
        Alert alert = kind == AlertKind.REPORTED_FAULT
                ? Alert.open(id, new Sight(wheel, urgency, "tansley", "tread low"), 1_000)
                : Alert.open(
                        id,
                        new Finding.Raised(
                                kind == AlertKind.RECEIVER_SILENT || kind == AlertKind.WEATHER_LOW ? null : wheel,
                                kind,
                                urgency,
                                new EvidenceBuilder(1_000)
                                        .measured(640.0, 640.0, 20.0)
                                        .target(800.0)
                                        .limits(720.0, null)
                                        .compensated(true)
                                        .runSoft(isRunSoft)
                                        .parked(random.nextBoolean())
                                        .build()));
        return switch (random.nextInt(5)) {
            case 0 -> alert.by("quill", 2_000).withJob("look at it");
            case 1 -> kind == AlertKind.REPORTED_FAULT ? alert : alert.judged().recovered(2_000);
            case 2 ->
                kind == AlertKind.REPORTED_FAULT
                        ? alert
                        : alert.by("quill", 2_000)
                                .withJob("look at it")
                                .by("quill", 3_000)
                                .jobEnded("valve core changed")
                                .judged()
                                .recovered(4_000);
            case 3 -> deferred(alert);
            default -> alert;
        };
    }

    private static Alert deferred(Alert alert) {
        try {
            return alert.by("marrable", 2_000).shelved("workshop tonight", 9_000_000);
        } catch (vividcaravan.core.alert.AlertRefused refused) {
            return alert;
        }
    }

    private static Departure.Facts facts(Random random) {
        List<Alert> open = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            open.add(alert(i, random));
        }
        Set<Position> gauged = new HashSet<>();
        WHEELS.stream().filter(wheel -> random.nextInt(4) == 0).forEach(gauged::add);
        return new Departure.Facts(
                open,
                random.nextInt(4) == 0
                        ? List.of(new Departure.Unwatched(
                                WHEELS.get(0), anyOf(List.of(Departure.Blind.values()), random)))
                        : List.of(),
                random.nextInt(6) == 0
                        ? List.of(new Outage(1, null, anyOf(WHEELS, random), "waits for a part", 9_000_000, "marrable"))
                        : List.of(),
                random.nextInt(4) == 0 ? List.of(new Departure.Loose(WHEELS.get(1), random.nextBoolean())) : List.of(),
                List.of(new Departure.Heard(
                        WHEELS.get(2), random.nextInt(3) * Departure.OLD_MILLIS, random.nextInt(4) == 0)),
                gauged,
                random.nextInt(3) == 0,
                random.nextInt(5) == 0 ? List.of(new Departure.Worn(WHEELS.get(1), 1.2, 1.6)) : List.of(),
                random.nextInt(6) == 0 ? new Departure.Owed(random.nextBoolean()) : null);
    }

    @Property(seed = "20261201", tries = 1_000)
    void theyNeverContradictEachOther(@ForAll long seed) {
        Departure.Facts facts = facts(new Random(seed));
        Departure gate = Departure.of(facts);
        Departure.Holds holds = new Departure.Holds(gate.verdict(), Departure.byAlert(facts));

        for (Alert alert : facts.open()) {
            String driver = WORDS.instruction(alert, "GX-05", holds).doNow();
            boolean isOnASpare = alert.position() != null && alert.position().isSpare();
            boolean isHeldByAnOutage = facts.outages().stream().anyMatch(outage -> outage.hasHeldBack(alert));

            // The Desk's urgency and the gate.
            boolean mustStay = alert.isActive()
                    && alert.urgency() != Urgency.PLAN
                    && !OF_A_SENSOR.contains(alert.kind())
                    && !isOnASpare
                    && !isHeldByAnOutage;
            if (mustStay || alert.isRunSoft() && !isOnASpare) {
                assertThat(gate.verdict()).as("%s", alert).isEqualTo(Verdict.NOT_YET);
            }
            // The gate and the driver's page.
            if (driver.startsWith("You may drive")) {
                assertThat(gate.verdict()).as("%s", alert).isEqualTo(Verdict.MAY_LEAVE);
            }
            if (gate.verdict() == Verdict.MAY_LEAVE) {
                assertThat(driver).as("%s", alert).startsWith("You may drive");
            }
            if (holds.of(alert) == Verdict.NOT_YET) {
                assertThat(driver)
                        .as("%s", alert)
                        .matches("Stop now.*|Do not move.*|Go on to the next safe stop.*|Do not drive off.*"
                                + "|Finish this trip.*|Before you leave, have this fixed.");
            }
            // The Desk and the driver's page: what stops one stops the other.
            if (alert.urgency() == Urgency.STOP_NOW && alert.isActive() && mustStay) {
                assertThat(driver).as("%s", alert).matches("Stop now.*|Do not move.*");
            }
        }
        // The Desk says that nothing waits: nothing that it could have shown holds the vehicle.
        boolean isDeskEmpty = facts.open().stream().allMatch(alert -> alert.state() == AlertState.CLOSED);
        if (isDeskEmpty) {
            assertThat(holds.byAlert()).isEmpty();
        }
        assertThat(gate.reasons().isEmpty()).isEqualTo(gate.verdict() == Verdict.MAY_LEAVE);
    }

    /** Whatever is done by hand makes a verdict milder or leaves it; and nothing done by hand hides what must stop. */
    @Property(seed = "20261202", tries = 500)
    void aWalkTakesThePlaceOfNothingThatMustStay(@ForAll long seed) {
        Departure.Facts facts = facts(new Random(seed));
        Departure.Facts walked = new Departure.Facts(
                facts.open(),
                facts.unwatched(),
                facts.outages(),
                facts.loose(),
                facts.heardBefore(),
                facts.gauged(),
                true,
                facts.worn(),
                facts.owed());
        Departure before = Departure.of(facts);

        if (before.verdict() == Verdict.NOT_YET) {
            assertThat(Departure.of(walked).verdict()).isEqualTo(Verdict.NOT_YET);
        }
        assertThat(before.reasons()).containsAll(Departure.of(walked).reasons());
    }

    /** Each reason has its German: no English word of ours is left in it. */
    @Property(seed = "20261203", tries = 300)
    void theReasonsAreInTheDriversLanguage(@ForAll long seed) {
        Departure.Facts facts = facts(new Random(seed));

        Departure german = Departure.of(facts, Language.DE);

        assertThat(german.verdict()).isEqualTo(Departure.of(facts).verdict());
        assertThat(german.reasons()).hasSameSizeAs(Departure.of(facts).reasons());
        assertThat(german.reasons())
                .noneMatch(reason -> reason.matches(".*\\b(wheel|sensor|leak|target|proven|since|moved)\\b.*"));
    }
}
