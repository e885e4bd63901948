package vividcaravan.core.judge;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.air.AirStep;
import vividcaravan.core.judge.air.WheelTrack;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.sensors.Cell;
import vividcaravan.core.judge.sensors.CrossingWatch;
import vividcaravan.core.judge.sensors.ExchangeWatch;
import vividcaravan.core.judge.sensors.Filled;
import vividcaravan.core.judge.sensors.ReceiverWatch;
import vividcaravan.core.judge.sensors.SilenceWatch;
import vividcaravan.core.judge.siblings.Movement;
import vividcaravan.core.judge.siblings.Siblings;
import vividcaravan.core.judge.weather.WeatherWatch;

/**
 * The one place where readings are judged: all wheels of one vehicle, in event time, without a clock. Give it a vehicle's
 * readings in the order of their time and it gives the findings; however they are split into calls makes no difference.
 * What is seen belongs to a sensor's stay at a wheel: another sensor there starts afresh. Not safe for use by several
 * threads.
 */
public final class VehicleJudge {

    /** A round of all sensors, twice over [common practice: 4 to 6 minutes]. */
    private static final long WARM_LATELY_MILLIS = 12L * 60 * 1000;

    private final Map<Position, WheelStays> wheels = new LinkedHashMap<>();
    /** The same, to walk over with every reading. */
    private final List<WheelStays> inOrder = new ArrayList<>();

    private final Siblings siblings = new Siblings(inOrder);
    private final Movement movement = new Movement();
    private final SilenceWatch silence = new SilenceWatch(inOrder);
    private final WeatherWatch weather = new WeatherWatch(inOrder);
    private final CrossingWatch crossing = new CrossingWatch(inOrder);
    private final ExchangeWatch exchange = new ExchangeWatch(inOrder);
    private final ReceiverWatch receiver = new ReceiverWatch();
    private VehicleRules rules;

    /** A judge that has seen nothing yet. */
    public VehicleJudge(VehicleRules rules) {
        this.rules = rules;
    }

    /** Holds the wheels to other rules from now on; what was seen stays. Wheels that are gone are forgotten. */
    public void holdTo(VehicleRules newRules) {
        rules = newRules;
        wheels.keySet().removeIf(position -> newRules.at(position).isEmpty());
        listWheels();
    }

    private void listWheels() {
        inOrder.clear();
        inOrder.addAll(wheels.values());
    }

    /** Takes over what {@code other} has seen at a wheel. */
    public void takeOver(Position position, VehicleJudge other) {
        wheels.remove(position);
        WheelStays wheel = other.wheels.get(position);
        if (wheel != null) {
            wheel.stays().forEach(silence::welcome);
            wheels.put(position, wheel);
        }
        listWheels();
    }

    /**
     * Takes note that a sensor sits at a wheel: if it never speaks while the others do, it is silent.
     *
     * @param stay since when and where
     */
    public void expect(Fitting stay) {
        if (rules.at(stay.position()).isEmpty()) {
            return;
        }
        WheelStays wheel = wheels.computeIfAbsent(stay.position(), WheelStays::new);
        if (!wheel.knows(stay)) {
            wheel.of(stay);
            wheel.stays().forEach(silence::welcome);
            listWheels();
        }
    }

    /**
     * Takes note of when a sensor's stay ends: it is not waited for after that. What was seen of it before stays as it was judged.
     *
     * @param stay one of which it may have seen something, or nothing
     */
    public void ends(Fitting stay) {
        WheelStays wheel = wheels.get(stay.position());
        if (wheel != null && wheel.knows(stay)) {
            wheel.of(stay);
        }
    }

    /**
     * Judges one reading of the sensor in {@code stay} and passes on what is new.
     *
     * @param mount how the sensor is held, or null where nobody said
     *
     * @return whether it came in its order; if not, the wheel has already judged a newer reading of another sensor's
     *     stay, and has to be judged again from its stored readings
     */
    public boolean judge(Fitting stay, MountKind mount, Reading reading, Consumer<Finding> findings) {
        Position position = stay.position();
        WheelRules wheelRules = rules.at(position, mount).orElse(null);
        if (wheelRules == null) {
            return true;
        }
        WheelStays wheel = wheels.get(position);
        if (wheel == null) {
            wheel = new WheelStays(position);
            wheel.of(stay);
            wheels.put(position, wheel);
            listWheels();
        }
        if (wheel.isBehind(stay, reading.at())) {
            return false;
        }
        WheelStays.Stay seen = wheel.of(stay);
        seen.heldBy(mount);
        wheel.spoke(seen);
        long at = reading.at();
        movement.take(reading);
        receiver.hear(at, findings);
        siblings.look(position, at, movement, rules);
        seen.judge().judge(reading, wheelRules, siblings, mount, movement, findings);
        seen.judge().lookAtDays(wheelRules, inOrder);
        crossing.look(wheel, at, rules, siblings, findings);
        if (wheel.hasJustStepped()) {
            lookForExchange(wheel, at, findings);
        }
        if (seen.judge().soak().at() == at) {
            weather.look(at, rules, findings);
        }
        judgeUnanswered(at, findings);
        silence.hear(seen, at, rules, siblings, movement, findings);
        return true;
    }

    private void lookForExchange(WheelStays wheel, long at, Consumer<Finding> findings) {
        ExchangeWatch.Exchange found = exchange.exchangeOf(wheel, rules);
        if (found != null) {
            Filled other = found.with();
            WheelRules own = rules.at(wheel.position()).orElseThrow();
            wheel.wasExchanged(found, at, own, siblings, findings);
            siblings.look(other.position(), at, movement, rules);
            WheelRules others = rules.at(other.position()).orElseThrow();
            other.wasExchanged(found.seenFrom(wheel), at, others, siblings, findings);
        }
    }

    /** A wheel whose pressure jumped down and whose sensor says nothing since is not waited for: its tyre may have burst. */
    private void judgeUnanswered(long at, Consumer<Finding> findings) {
        for (int i = 0; i < inOrder.size(); i++) {
            WheelStays wheel = inOrder.get(i);
            if (wheel.last().judge().isHolding()) {
                MountKind mount = wheel.last().mount();
                WheelRules wheelRules = rules.at(wheel.position(), mount).orElseThrow();
                siblings.look(wheel.position(), at, movement, rules);
                wheel.last().judge().judgeUnanswered(at, wheelRules, siblings, mount, movement, findings);
            }
        }
    }

    /**
     * Whether at clock time {@code now} the vehicle has been quiet as a whole for {@code quietMillis} though it was moving
     * when it was last heard. No reading can tell, so a clock has to ask.
     */
    public boolean isReceiverQuiet(long now, long quietMillis) {
        return receiver.isQuiet(now, quietMillis, movement);
    }

    /** The same whatever it did when it was last heard, for a vehicle that hangs together with one that moves. */
    public boolean isQuiet(long now, long quietMillis) {
        return receiver.isQuiet(now, quietMillis);
    }

    /** Whether at {@code now} its sensors say that it moves, and has for {@code millis}. */
    public boolean hasMovedFor(long now, long millis) {
        return movement.hasMovedFor(now, millis);
    }

    /** Whether its sensors said, at {@code at} or shortly before, that it moves. */
    public boolean wasMoving(long at) {
        return movement.wasMoving(at);
    }

    /**
     * Whether it is driven, as far as its sensors say; where none does, as far as it is seen in warming: of two of its wheels, or of
     * the only one.
     */
    public boolean isDriven(long at) {
        if (movement.isKnown(at)) {
            return movement.wasMoving(at);
        }
        int heard = 0;
        int warm = 0;
        for (WheelStays wheel : inOrder) {
            boolean isHeard = wheel.newestAt() >= at - WARM_LATELY_MILLIS;
            heard += isHeard ? 1 : 0;
            warm += isHeard && wheel.hasWarmedByDriving() ? 1 : 0;
        }
        return warm > 0 && warm >= Math.min(2, heard);
    }

    /** Whether its receiver is said to be silent. */
    public boolean isReceiverSilent() {
        return receiver.isSilent();
    }

    /** Says at clock time {@code now} that nothing pulls it any more; what only followed from that is taken back. */
    public void uncoupled(long now, Consumer<Finding> findings) {
        receiver.uncoupled(now, movement, findings);
    }

    /** Says at clock time {@code now} that the vehicle's receiver is silent; the next word from it takes that back. */
    public void receiverFellSilent(long now, Consumer<Finding> findings) {
        receiver.fallSilent(now, inOrder.size(), findings);
    }

    /** How a wheel is, as far as its own readings tell. */
    public WheelCondition condition(Position position) {
        WheelStays wheel = wheels.get(position);
        return wheel == null ? WheelCondition.OK : wheel.present().judge().condition();
    }

    /** Whether the newest reading of a wheel was one of a cold tyre: the vehicle stood for hours, or had just woken. */
    public boolean isSoaked(Position position) {
        WheelStays wheel = wheels.get(position);
        WheelJudge judge = wheel == null ? null : wheel.present().judge();
        return judge != null && judge.soak().at() == judge.newestAt();
    }

    /** Whether the target of a wheel was raised and it was not driven at that since: filling it is what comes next. */
    public boolean isToBeFilled(Position position) {
        WheelStays wheel = wheels.get(position);
        return wheel != null
                && wheel.present()
                        .judge()
                        .track()
                        .isToBeFilled(rules.at(position).orElseThrow().limits().targetKpa());
    }

    /** How fast a wheel loses air at present, kPa at 20 °C an hour; empty while it does not. */
    public OptionalDouble lossPerHour(Position position) {
        WheelStays wheel = wheels.get(position);
        WheelTrack track = wheel == null ? null : wheel.present().judge().track();
        return track == null || !track.isLeaking() ? OptionalDouble.empty() : OptionalDouble.of(track.ratePerHour());
    }

    /** What a wheel's sensor's cell gives when warm, a slow mean, mV; NaN where it never said. */
    public double warmBatteryMv(Position position) {
        WheelStays wheel = wheels.get(position);
        return wheel == null ? Double.NaN : wheel.present().judge().battery().warmMv();
    }

    /** What is known of a wheel's sensor's cell. */
    public Cell cell(Position position) {
        WheelStays wheel = wheels.get(position);
        return wheel == null ? Cell.UNKNOWN : wheel.present().judge().battery().cell();
    }

    /** When the latest step of a wheel's air came, epoch milliseconds; far back without one. */
    public long lastAirStepAt(Position position) {
        WheelStays wheel = wheels.get(position);
        return wheel == null
                ? Long.MIN_VALUE / 2
                : wheel.present().judge().track().steps().lastTo();
    }

    /** The latest steps of a wheel's air that were seen, whoever wrote them down or did not; the oldest first. */
    public List<AirStep> airSteps(Position position) {
        WheelStays wheel = wheels.get(position);
        return wheel == null
                ? List.of()
                : wheel.present()
                        .judge()
                        .airSteps(rules.at(position).orElseThrow().limits().targetKpa());
    }

    /**
     * All that was seen, as plain values by name, for {@link #takeUp}. What is as in a judge that has seen nothing is left
     * out.
     */
    public Map<String, Object> memory() {
        Memory memory = Memory.blank();
        remember(memory);
        Memory all = memory.part("wheels");
        inOrder.forEach(wheel -> wheel.remember(all.part(wheel.position().code())));
        return memory.values();
    }

    /**
     * Goes on from what {@link #memory} gave; from an earlier version too: what that did not know begins afresh. Wheels that
     * the vehicle no longer has are left out.
     */
    public void takeUp(Map<?, ?> stored) {
        Memory memory = Memory.of(stored);
        remember(memory);
        Memory all = memory.part("wheels");
        wheels.clear();
        for (String code : all.names()) {
            Position.find(code)
                    .filter(position -> rules.at(position).isPresent())
                    .ifPresent(position -> {
                        WheelStays wheel = new WheelStays(position);
                        wheel.remember(all.part(code));
                        wheels.put(position, wheel);
                    });
        }
        listWheels();
    }

    private void remember(Memory memory) {
        movement.remember(memory.part("movement"));
        silence.remember(memory.part("silence"));
        weather.remember(memory.part("weather"));
        receiver.remember(memory.part("receiver"));
    }
}
