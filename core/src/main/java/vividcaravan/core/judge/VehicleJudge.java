package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;

/**
 * The one place where readings are judged: all wheels of one vehicle, in event time, without a clock. Give it a vehicle's
 * readings in the order of their time and it gives the findings; however they are split into calls makes no difference.
 * What is seen belongs to a sensor's stay at a wheel: another sensor there starts afresh. Not safe for use by several
 * threads.
 */
public final class VehicleJudge {

    private static final byte FORMAT = 2;
    /** What an earlier version wrote; it knew nothing of siblings, so judging starts afresh. */
    private static final byte FORMAT_WITHOUT_SIBLINGS = 1;

    /** A sibling that was not heard for so long says nothing of now. */
    private static final long LATELY_MILLIS = 12L * 60 * 1000;
    /** A wheel is silent once its siblings have reported this often each since, and so long after its last word. */
    private static final int SILENT_ROUNDS = 12;

    /** A sensor that chatters counts once in so long. */
    private static final long ROUND_MILLIS = 45_000;

    private static final long SILENT_MILLIS = 30L * 60 * 1000;

    /** A backlog of the sensor before may still come; of those before that it is history. */
    private static final int STAYS_KEPT = 2;

    private static final int WHEELS_OF_AXLE = 4;

    /** A sensor's stay at a wheel, and what was seen of it. */
    private static final class Stay {
        private final long sensor;
        private final long from;
        private final WheelJudge judge;
        private long to;
        /** How many readings the vehicle had given when this one's last came. */
        private long mark;

        private long countedAt = Long.MIN_VALUE / 2;

        private Stay(long sensor, long from, WheelJudge judge) {
            this.sensor = sensor;
            this.from = from;
            this.judge = judge;
        }

        boolean is(Fitting fitting) {
            return sensor == fitting.sensor() && from == fitting.from();
        }
    }

    /** The latest stays at a wheel, the newest last. */
    private static final class Wheel {
        private final Position position;
        private final List<Stay> stays = new ArrayList<>(1);

        private Wheel(Position position) {
            this.position = position;
        }

        Stay last() {
            return stays.get(stays.size() - 1);
        }

        boolean isHeardSince(long at) {
            return last().judge.newestAt() >= at;
        }
    }

    private final Map<Position, Wheel> wheels = new LinkedHashMap<>();
    /** The same, to walk over with every reading. */
    private final List<Wheel> inOrder = new ArrayList<>();

    private final double[] ratios = new double[Position.MOST_AXLES * WHEELS_OF_AXLE];
    private final double[] celsius = new double[Position.MOST_AXLES * WHEELS_OF_AXLE];
    private final double[] airCelsius = new double[Position.MOST_AXLES * WHEELS_OF_AXLE];
    private long heard;
    private boolean isStanding;
    private long standingAt;
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
        Wheel wheel = other.wheels.get(position);
        if (wheel != null) {
            // The other has counted for itself.
            wheel.stays.forEach(stay -> stay.mark = heard);
            wheels.put(position, wheel);
        }
        listWheels();
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
        WheelRules wheelRules = rules.at(stay.position()).orElse(null);
        if (wheelRules == null) {
            return true;
        }
        Wheel wheel = wheels.get(stay.position());
        if (wheel == null) {
            wheel = new Wheel(stay.position());
            wheels.put(stay.position(), wheel);
        }
        Stay seen = null;
        boolean isBehind = false;
        for (Stay known : wheel.stays) {
            if (known.is(stay)) {
                seen = known;
            } else if (known.judge.newestAt() > reading.at()) {
                isBehind = true;
            }
        }
        if (isBehind) {
            return false;
        }
        if (seen == null) {
            seen = new Stay(stay.sensor(), stay.from(), new WheelJudge());
            wheel.stays.add(seen);
            while (wheel.stays.size() > STAYS_KEPT) {
                wheel.stays.remove(0);
            }
            listWheels();
        }
        seen.to = stay.to();
        if (reading.moving() != null) {
            isStanding = !reading.moving();
            standingAt = reading.at();
        }
        Siblings siblings = siblings(stay.position(), reading.at());
        seen.judge.judge(reading, wheelRules, siblings, mount == MountKind.CAP, findings);
        boolean isNextRound = reading.at() - seen.countedAt >= ROUND_MILLIS;
        if (isNextRound) {
            seen.countedAt = reading.at();
            heard++;
        }
        seen.mark = heard;
        if (isNextRound) {
            lookForSilence(reading.at(), findings);
        }
        return true;
    }

    private boolean isStanding(long at) {
        return isStanding && at - standingAt <= LATELY_MILLIS;
    }

    private Siblings siblings(Position own, long at) {
        if (own.isSpare()) {
            return Siblings.NONE;
        }
        int n = 0;
        int known = 0;
        WheelTrack mate = null;
        for (int i = 0; i < inOrder.size(); i++) {
            Wheel wheel = inOrder.get(i);
            WheelTrack track = wheel.last().judge.track();
            boolean isSibling =
                    track.at() >= at - LATELY_MILLIS && !wheel.position.isSpare() && !wheel.position.equals(own);
            if (isSibling) {
                ratios[n] = track.common();
                celsius[n] = track.celsius();
                n++;
                if (!Double.isNaN(track.airCelsius())) {
                    airCelsius[known++] = track.airCelsius();
                }
                mate = wheel.position.isTwinOf(own) ? track : mate;
            }
        }
        if (n == 0) {
            return Siblings.NONE;
        }
        return new Siblings(
                n,
                Siblings.median(ratios, n),
                Siblings.median(celsius, n),
                Siblings.median(airCelsius, known),
                mate,
                isStanding(at));
    }

    /** Silence shows only in what the others say. A lifted axle sleeps as a whole, which is no silence. */
    private void lookForSilence(long at, Consumer<Finding> findings) {
        int awake = 0;
        for (int i = 0; i < inOrder.size(); i++) {
            awake += inOrder.get(i).isHeardSince(at - LATELY_MILLIS) ? 1 : 0;
        }
        // Where most sleep, those that do are not the ones to wonder at.
        if (awake < Math.max(2, inOrder.size() / 2 + 1)) {
            return;
        }
        for (int i = 0; i < inOrder.size(); i++) {
            Wheel wheel = inOrder.get(i);
            Stay stay = wheel.last();
            boolean isQuiet = heard - stay.mark >= (long) SILENT_ROUNDS * awake
                    && at - stay.judge.newestAt() >= SILENT_MILLIS
                    && !stay.judge.isSilent()
                    && stay.to > at;
            if (isQuiet && !wheel.position.isSpare() && !isLifted(wheel.position, at)) {
                stay.judge.fellSilent(at, rules.at(wheel.position).orElseThrow(), findings);
            }
        }
    }

    private boolean isLifted(Position position, long at) {
        return rules.at(position).orElseThrow().isLiftable()
                && inOrder.stream()
                        .filter(wheel -> wheel.position.axle() == position.axle())
                        .noneMatch(wheel -> wheel.isHeardSince(at - LATELY_MILLIS));
    }

    /** How a wheel is, as far as its own readings tell. */
    public WheelCondition condition(Position position) {
        Wheel wheel = wheels.get(position);
        return wheel == null ? WheelCondition.OK : wheel.last().judge.condition();
    }

    /** Writes all that was seen, for {@link #readFrom}. */
    public void writeTo(DataOutput out) throws IOException {
        out.writeByte(FORMAT);
        out.writeLong(heard);
        out.writeBoolean(isStanding);
        out.writeLong(standingAt);
        out.writeShort(wheels.size());
        for (Wheel wheel : inOrder) {
            out.writeUTF(wheel.position.code());
            out.writeByte(wheel.stays.size());
            for (Stay stay : wheel.stays) {
                out.writeLong(stay.sensor);
                out.writeLong(stay.from);
                out.writeLong(stay.to);
                out.writeLong(stay.mark);
                out.writeLong(stay.countedAt);
                stay.judge.writeTo(out);
            }
        }
    }

    /**
     * Takes up what {@link #writeTo} wrote.
     *
     * @throws IOException if it was not written by a version this one understands
     */
    public void readFrom(DataInput in) throws IOException {
        byte format = in.readByte();
        if (format == FORMAT_WITHOUT_SIBLINGS) {
            return;
        }
        if (format != FORMAT) {
            throw new IOException("judge state has format " + format + ", this version reads format " + FORMAT);
        }
        wheels.clear();
        heard = in.readLong();
        isStanding = in.readBoolean();
        standingAt = in.readLong();
        int count = in.readShort();
        for (int i = 0; i < count; i++) {
            Position position = Position.parse(in.readUTF());
            int stays = in.readByte();
            Wheel wheel = new Wheel(position);
            for (int j = 0; j < stays; j++) {
                Stay stay = new Stay(in.readLong(), in.readLong(), new WheelJudge());
                stay.to = in.readLong();
                stay.mark = in.readLong();
                stay.countedAt = in.readLong();
                stay.judge.readFrom(in);
                wheel.stays.add(stay);
            }
            if (rules.at(position).isPresent()) {
                wheels.put(position, wheel);
            }
        }
        listWheels();
    }
}
