package vividcaravan.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.air.WheelTrack;
import vividcaravan.core.judge.days.Seep;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.sensors.ExchangeWatch;
import vividcaravan.core.judge.sensors.Filled;
import vividcaravan.core.judge.sensors.Heard;
import vividcaravan.core.judge.siblings.Neighbour;
import vividcaravan.core.judge.siblings.Siblings;
import vividcaravan.core.judge.weather.Soak;
import vividcaravan.core.judge.weather.Soaked;

/** The latest sensors' stays at a wheel, and what was seen of each; the newest last. */
final class WheelStays implements Neighbour, Soaked, Filled, Heard, Seep.Daily {

    /** A backlog of the sensor before may still come; of those before that it is history. */
    private static final int KEPT = 2;

    private static final Memory NOTHING_SEEN = Memory.blank();

    static {
        new WheelJudge().remember(NOTHING_SEEN);
        new WheelJudge().rememberDays(NOTHING_SEEN);
    }

    /** A sensor's stay at a wheel, and what was seen of it. */
    static final class Stay implements Heard.Stay {
        private final long sensor;
        private final long from;
        private final WheelJudge judge;
        private long to;
        private final Turn turn = new Turn();
        /** How its sensor is held, or null where nobody said. */
        private MountKind mount;

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

        MountKind mount() {
            return mount;
        }

        void heldBy(MountKind kind) {
            mount = kind;
        }

        @Override
        public long from() {
            return from;
        }

        @Override
        public long to() {
            return to;
        }

        @Override
        public long newestAt() {
            return judge.newestAt();
        }

        @Override
        public Turn turn() {
            return turn;
        }

        @Override
        public boolean isSilent() {
            return judge.isSilent();
        }

        @Override
        public void fellSilent(long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings) {
            judge.fellSilent(at, rules, siblings, findings);
        }

        /**
         * @param isLast whether it spoke last: of a sensor that was replaced nobody asks after its days
         */
        private void remember(Memory memory, boolean isLast) {
            to = memory.time("to", to);
            mount = memory.choice("mount", MountKind.class, mount);
            turn.remember(memory.part("turn"));
            Memory seen = memory.part("seen");
            judge.remember(seen);
            if (isLast || memory.isTakenUp()) {
                judge.rememberDays(seen);
            }
            if (!memory.isTakenUp()) {
                seen.leaveOut(NOTHING_SEEN);
            }
        }
    }

    private final Position position;
    private final List<Stay> stays = new ArrayList<>(1);
    private Stay current;

    WheelStays(Position position) {
        this.position = position;
    }

    @Override
    public Position position() {
        return position;
    }

    /** The stay that spoke last, or the newest if none did yet. */
    Stay last() {
        return current;
    }

    /** The stay of the sensor that sits there now, though it has not spoken yet; the last where none does. */
    Stay present() {
        for (int i = stays.size() - 1; i >= 0; i--) {
            if (stays.get(i).to == Fitting.OPEN) {
                return stays.get(i);
            }
        }
        return current;
    }

    @Override
    public Stay recordedFor(long at) {
        for (int i = stays.size() - 1; i >= 0; i--) {
            Stay stay = stays.get(i);
            if (stay.from <= at && at < stay.to) {
                return stay;
            }
        }
        return current;
    }

    /** The wheel against its siblings. */
    WheelTrack track() {
        return current.judge.track();
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

    /** Every stay that is kept. */
    List<Stay> stays() {
        return stays;
    }

    @Override
    public long newestAt() {
        return current.judge.newestAt();
    }

    @Override
    public boolean isHeardLately(long time) {
        return track().isHeardLately(time) && !current.judge.isStuck();
    }

    @Override
    public double ratio() {
        return track().ratio();
    }

    @Override
    public double gauge() {
        return track().gauge();
    }

    @Override
    public double common() {
        return track().common();
    }

    @Override
    public double lossPerHour() {
        return track().lossPerHour();
    }

    @Override
    public double celsius() {
        return track().celsius();
    }

    @Override
    public double airCelsius() {
        return track().airCelsius();
    }

    @Override
    public boolean isHotEnd() {
        return track().isHotEnd();
    }

    @Override
    public boolean hasWarmedByDriving() {
        return current.judge.hasWarmedByDriving();
    }

    @Override
    public double batteryMv() {
        return current.judge.batteryMv();
    }

    @Override
    public Soak soak() {
        return current.judge.soak();
    }

    @Override
    public boolean isFilledInTheCold() {
        return current.judge.isFilledInTheCold();
    }

    @Override
    public boolean isCrossed() {
        return current.judge.isCrossed();
    }

    @Override
    public Seep seep() {
        return current.judge.seep();
    }

    @Override
    public long settledAdjustment() {
        return track().settledAdjustment();
    }

    @Override
    public AirSteps steps() {
        return track().steps();
    }

    @Override
    public void wasProvenInPlace() {
        current.judge.wasProvenInPlace();
    }

    @Override
    public void wasCrossedWith(
            Position other, long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings) {
        current.judge.wasCrossedWith(other, at, rules, siblings, findings);
    }

    @Override
    public boolean hasJustStepped() {
        return track().hasJustStepped();
    }

    @Override
    public void wasExchanged(
            ExchangeWatch.Exchange exchange, long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings) {
        current.judge.wasExchanged(exchange, at, rules, siblings, findings);
    }

    /** What outlives a restart. */
    void remember(Memory memory) {
        long[] sensors = memory.times(
                "sensors", stays.stream().mapToLong(stay -> stay.sensor).toArray());
        long[] begins =
                memory.times("from", stays.stream().mapToLong(stay -> stay.from).toArray());
        if (memory.isTakenUp()) {
            for (int i = 0; i < Math.min(sensors.length, begins.length); i++) {
                stays.add(new Stay(sensors[i], begins[i]));
            }
        }
        List<Memory> parts = memory.parts("stays", stays.size());
        for (int i = 0; i < Math.min(parts.size(), stays.size()); i++) {
            stays.get(i).remember(parts.get(i), stays.get(i) == current);
        }
        int last = memory.count("last", stays.indexOf(current));
        current = stays.get(Math.max(0, Math.min(last, stays.size() - 1)));
    }
}
