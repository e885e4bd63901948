package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;

/**
 * The one place where readings are judged: all wheels of one vehicle, in event time, without a clock. Give it a vehicle's
 * readings in the order of their time and it gives the findings; however they are split into calls makes no difference.
 * What is seen belongs to a sensor's stay at a wheel: another sensor there starts afresh. Not safe for use by several
 * threads.
 */
public final class VehicleJudge {

    private static final byte FORMAT = 1;

    /** A backlog of the sensor before may still come; of those before that it is history. */
    private static final int STAYS_KEPT = 2;

    private record Stay(long sensor, long from, WheelJudge judge) {
        boolean is(Fitting fitting) {
            return sensor == fitting.sensor() && from == fitting.from();
        }
    }

    private final Map<Position, List<Stay>> wheels = new HashMap<>();
    private VehicleRules rules;

    /** A judge that has seen nothing yet. */
    public VehicleJudge(VehicleRules rules) {
        this.rules = rules;
    }

    /** Holds the wheels to other rules from now on; what was seen stays. Wheels that are gone are forgotten. */
    public void holdTo(VehicleRules newRules) {
        rules = newRules;
        wheels.keySet().removeIf(position -> newRules.at(position).isEmpty());
    }

    /** Takes over what {@code other} has seen at a wheel. */
    public void takeOver(Position position, VehicleJudge other) {
        wheels.remove(position);
        List<Stay> stays = other.wheels.get(position);
        if (stays != null) {
            wheels.put(position, stays);
        }
    }

    /**
     * Judges one reading of the sensor in {@code stay} and passes on what is new.
     *
     * @return whether it came in its order; if not, the wheel has already judged a newer reading of another sensor's
     *     stay, and has to be judged again from its stored readings
     */
    public boolean judge(Fitting stay, Reading reading, Consumer<Finding> findings) {
        WheelRules wheelRules = rules.at(stay.position()).orElse(null);
        if (wheelRules == null) {
            return true;
        }
        List<Stay> stays = wheels.computeIfAbsent(stay.position(), position -> new ArrayList<>(1));
        Stay seen = null;
        boolean isBehind = false;
        for (Stay known : stays) {
            if (known.is(stay)) {
                seen = known;
            } else if (known.judge().newestAt() > reading.at()) {
                isBehind = true;
            }
        }
        if (isBehind) {
            return false;
        }
        if (seen == null) {
            seen = new Stay(stay.sensor(), stay.from(), new WheelJudge());
            stays.add(seen);
            while (stays.size() > STAYS_KEPT) {
                stays.remove(0);
            }
        }
        seen.judge().judge(reading, wheelRules, findings);
        return true;
    }

    /** How a wheel is, as far as its own readings tell. */
    public WheelCondition condition(Position position) {
        List<Stay> stays = wheels.get(position);
        return stays == null || stays.isEmpty()
                ? WheelCondition.OK
                : stays.get(stays.size() - 1).judge().condition();
    }

    /** Writes all that was seen, for {@link #readFrom}. */
    public void writeTo(DataOutput out) throws IOException {
        out.writeByte(FORMAT);
        out.writeShort(wheels.size());
        for (Map.Entry<Position, List<Stay>> wheel : wheels.entrySet()) {
            out.writeUTF(wheel.getKey().code());
            out.writeByte(wheel.getValue().size());
            for (Stay stay : wheel.getValue()) {
                out.writeLong(stay.sensor());
                out.writeLong(stay.from());
                stay.judge().writeTo(out);
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
        if (format != FORMAT) {
            throw new IOException("judge state has format " + format + ", this version reads format " + FORMAT);
        }
        wheels.clear();
        int count = in.readShort();
        for (int i = 0; i < count; i++) {
            Position position = Position.parse(in.readUTF());
            int stays = in.readByte();
            List<Stay> read = new ArrayList<>(stays);
            for (int j = 0; j < stays; j++) {
                Stay stay = new Stay(in.readLong(), in.readLong(), new WheelJudge());
                stay.judge().readFrom(in);
                read.add(stay);
            }
            if (rules.at(position).isPresent()) {
                wheels.put(position, read);
            }
        }
    }
}
