package vividcaravan.benchmarks;

import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.infra.Blackhole;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.VehicleJudge;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.LimitPolicy;

/** Readings judged a second on one core, beside the bare compensation of the same readings. */
@State(Scope.Thread)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class JudgeBenchmark {

    private static final int READINGS = 1_000;

    private final TemperatureCompensation compensation = TemperatureCompensation.toTwentyCelsius(Atmosphere.at(35));
    private final AxleLayout layout = new AxleLayout(
            List.of(
                    new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                    new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false)),
            0);
    /** How the sensors are held: those outside are compared with the others' gauges too. */
    @Param({"VALVE", "CAP"})
    public MountKind mount;

    private VehicleJudge judge;
    private Fitting[] stays;
    private long at;

    /** A two-axle truck, all wheels well. */
    @Setup
    public void truck() {
        AxleLimits limits = new AxleLimits(850, LimitPolicy.DEFAULT);
        judge = new VehicleJudge(new VehicleRules(
                VehicleKind.RIGID_TRUCK, layout, List.of(limits, limits), new SensorAir(Atmosphere.at(35), Set.of())));
        List<Position> positions = List.copyOf(layout.positions());
        stays = new Fitting[positions.size()];
        for (int i = 0; i < stays.length; i++) {
            stays[i] = new Fitting(i + 1, 1, positions.get(i), 0, Fitting.OPEN);
        }
    }

    /** Judging as it is done for every reading. */
    @Benchmark
    @OperationsPerInvocation(READINGS)
    public void judge(Blackhole hole) {
        for (int i = 0; i < READINGS; i++) {
            at += 10_000;
            int wheel = i % stays.length;
            judge.judge(stays[wheel], mount, new Reading(at, 880 + i % 3, 30 + i % 2, 2950, -80, true), hole::consume);
        }
    }

    /** The ceiling: the gas law alone. */
    @Benchmark
    @OperationsPerInvocation(READINGS)
    public void compensate(Blackhole hole) {
        for (int i = 0; i < READINGS; i++) {
            hole.consume(compensation.compensateKpa(880 + i % 3, 30 + i % 2));
        }
    }
}
