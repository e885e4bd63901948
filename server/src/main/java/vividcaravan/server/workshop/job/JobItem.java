package vividcaravan.server.workshop.job;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.fitting.Hearing;
import vividcaravan.core.fitting.MountProcedure;
import vividcaravan.core.fitting.PositionProof;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.core.fitting.WalkOrder;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.WheelState;
import vividcaravan.server.picture.VehicleGlance;

/**
 * A fit-out job as the Workshop shows it.
 *
 * @param isFarm whether smaller changes of pressure prove a position
 * @param proofStepKpa the change of pressure that proves a position, kPa at 20 °C
 * @param axles for the strip
 * @param wheels in the order of the walk
 * @param steps how the job's sensors are mounted
 * @param warmth how warm it has to be for those of them that need it
 * @param cautions what to read before mounting
 * @param gauge the hand gauge in use
 * @param heldBack what would be on the Desk if the vehicle were in service, in words
 * @param isProven whether every wheel is proven or left out with a reason
 */
record JobItem(
        String id,
        String vehicle,
        VehicleState vehicleState,
        boolean isFarm,
        double proofStepKpa,
        @Nullable MountKind mount,
        WalkOrder walk,
        String walkWords,
        JobState state,
        Instant openedAt,
        String openedBy,
        @Nullable Instant closedAt,
        @Nullable String closedBy,
        List<VehicleGlance.AxleGlance> axles,
        List<JobWheel> wheels,
        List<MountStep> steps,
        Warmth warmth,
        List<String> cautions,
        @Nullable GaugeInUse gauge,
        List<String> heldBack,
        boolean isProven) {

    /** One step of mounting a sensor. */
    record MountStep(String words, int seconds, boolean needsWarmth) {}

    /** How warm tyre, glue and sensor have to be for steps that need it, °C. */
    record Warmth(double lowestC, double highestC) {
        static final Warmth OF_GLUE = new Warmth(MountProcedure.COLDEST_GLUE_C, MountProcedure.WARMEST_GLUE_C);
    }

    /** A hand gauge. */
    record GaugeInUse(String name, @Nullable LocalDate calibratedOn) {}

    /** Which entry said something, for those who change it. */
    record SaidBy(int number, Instant at, String who) {}

    /**
     * One wheel of the job.
     *
     * @param words the wheel in words
     * @param targetKpa its cold target, kPa
     * @param state what its sensor shows now
     * @param misfits why the job's mount does not fit its rim
     * @param inspection what was seen of it
     * @param code the sensor taken for it
     * @param hearing whether its sensor is heard, and what its quiet means; null without a sensor
     * @param missing what is still missing before it is proven, in words
     */
    record JobWheel(
            String position,
            String words,
            double targetKpa,
            WheelState state,
            List<String> misfits,
            @Nullable WheelInspection inspection,
            @Nullable SaidBy mounted,
            @Nullable String code,
            @Nullable SaidBy paired,
            @Nullable LeftOut leftOut,
            @Nullable Integer batteryMv,
            @Nullable Integer rssiDbm,
            long received,
            long expected,
            @Nullable Hearing hearing,
            boolean advisesRepeater,
            @Nullable GaugeReading gauge,
            @Nullable AirSeen air,
            @Nullable SaidBy proved,
            @Nullable LeftOut takenAsProven,
            List<String> missing) {}

    /** What was seen of a wheel, and why it does not pass. */
    record WheelInspection(
            SaidBy by,
            List<Double> treadMm,
            @Nullable String dateCode,
            @Nullable Integer years,
            TyreInspection.Stem stem,
            boolean isValveReachable,
            boolean isRetread,
            @Nullable String damage,
            @Nullable String tyre,
            List<String> failures,
            List<String> unlikeMate,
            @Nullable LeftOut passedAnyway) {}

    /** A reason that was given. */
    record LeftOut(SaidBy by, String reason) {}

    /** The hand gauge beside the sensor. */
    record GaugeReading(
            SaidBy by,
            double gaugeKpa,
            @Nullable Double expectedKpa,
            @Nullable Double differenceKpa,
            @Nullable Boolean agrees) {}

    /** What was seen of the air that was let in or out. */
    record AirSeen(Instant since, PositionProof.Verdict verdict, @Nullable String moved, double stepKpa) {}
}
