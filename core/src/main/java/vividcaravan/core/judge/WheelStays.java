package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;

/** The latest sensors' stays at a wheel, and what was seen of each; the newest last. */
final class WheelStays {

    private static final long NEVER = -1;

    /** A backlog of the sensor before may still come; of those before that it is history. */
    private static final int KEPT = 2;

    /** A sensor's stay at a wheel, and what was seen of it. */
    static final class Stay {
        private final long sensor;
        private final long from;
        private final WheelJudge judge;
        private long to;
        /** The round of the vehicle in which this one last spoke. */
        private long mark = NEVER;

        private long countedAt = Long.MIN_VALUE / 2;

        private Stay(long sensor, long from) {
            this.sensor = sensor;
            this.from = from;
            this.judge = new WheelJudge();
        }

        private boolean is(Fitting fitting) {
            return sensor == fitting.sensor() && from == fitting.from();
        }

        WheelJudge judge() {
            return judge;
        }

        /** When it began, epoch milliseconds. */
        long from() {
            return from;
        }

        /** When it ends, epoch milliseconds. */
        long to() {
            return to;
        }

        long mark() {
            return mark;
        }

        void mark(long round) {
            mark = round;
        }

        /** Whether the last reading that counted is so long ago that this one counts; it does from now on. */
        boolean countsAgain(long at, long millis) {
            boolean counts = at - countedAt >= millis;
            countedAt = counts ? at : countedAt;
            return counts;
        }
    }

    private final Position position;
    private final List<Stay> stays = new ArrayList<>(1);
    private Stay current;

    WheelStays(Position position) {
        this.position = position;
    }

    Position position() {
        return position;
    }

    /** The stay that spoke last, or the newest if none did yet. */
    Stay last() {
        return current;
    }

    /** The stay that is on record for {@code at}, or the last. */
    Stay recordedFor(long at) {
        for (int i = stays.size() - 1; i >= 0; i--) {
            Stay stay = stays.get(i);
            if (stay.from <= at && at < stay.to) {
                return stay;
            }
        }
        return current;
    }

    WheelTrack track() {
        return current.judge.track();
    }

    boolean isHeardSince(long at) {
        return current.judge.newestAt() >= at;
    }

    /** Whether another sensor's stay here has given a newer reading. */
    boolean isBehind(Fitting fitting, long at) {
        for (Stay stay : stays) {
            if (!stay.is(fitting) && stay.judge.newestAt() > at) {
                return true;
            }
        }
        return false;
    }

    /** Whether anything was seen of this stay, or it is expected. */
    boolean knows(Fitting fitting) {
        for (Stay stay : stays) {
            if (stay.is(fitting)) {
                return true;
            }
        }
        return false;
    }

    /** What was seen of this stay; it begins now if nothing was. */
    Stay of(Fitting fitting) {
        Stay found = null;
        for (Stay stay : stays) {
            found = stay.is(fitting) ? stay : found;
        }
        if (found == null) {
            found = new Stay(fitting.sensor(), fitting.from());
            stays.add(found);
            stays.sort(Comparator.comparingLong(stay -> stay.from));
            while (stays.size() > KEPT) {
                stays.remove(0);
            }
            current = current == null || !stays.contains(current) ? found : current;
        }
        found.to = fitting.to();
        return found;
    }

    /** A stay has spoken. */
    void spoke(Stay stay) {
        current = stay;
    }

    void markAll(long round) {
        stays.forEach(stay -> stay.mark = round);
    }

    void writeTo(DataOutput out) throws IOException {
        out.writeUTF(position.code());
        out.writeByte(stays.size());
        out.writeByte(stays.indexOf(current));
        for (Stay stay : stays) {
            out.writeLong(stay.sensor);
            out.writeLong(stay.from);
            out.writeLong(stay.to);
            out.writeLong(stay.mark);
            out.writeLong(stay.countedAt);
            stay.judge.writeTo(out);
        }
    }

    static WheelStays readFrom(DataInput in) throws IOException {
        WheelStays wheel = new WheelStays(Position.parse(in.readUTF()));
        int count = in.readByte();
        int current = in.readByte();
        for (int i = 0; i < count; i++) {
            Stay stay = new Stay(in.readLong(), in.readLong());
            stay.to = in.readLong();
            stay.mark = in.readLong();
            stay.countedAt = in.readLong();
            stay.judge.readFrom(in);
            wheel.stays.add(stay);
        }
        wheel.current = wheel.stays.get(Math.max(0, current));
        return wheel;
    }
}
