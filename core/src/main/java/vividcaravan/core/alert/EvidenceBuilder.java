package vividcaravan.core.alert;

import java.util.List;
import vividcaravan.core.axles.Position;

/** Puts together what is known behind a judgement; what is not said does not apply. Units are those of {@link Evidence}. */
public final class EvidenceBuilder {

    private final long at;
    private Double pressureKpa;
    private Double pressureAt20Kpa;
    private Double temperatureC;
    private Double targetKpa;
    private Double limitKpa;
    private Double limitC;
    private boolean isCompensated;
    private Double fallKpa;
    private Integer minutesToCritical;
    private boolean isRunSoft;
    private boolean isParked;
    private Integer batteryMv;
    private Double lossKpaPerHour;
    private Double lossErrorKpaPerHour;
    private Integer refills;
    private Position other;
    private Long lastHeardAt;
    private Others others = Others.NONE;
    private List<Evidence.Shortfall> shortfalls = List.of();
    private double toGaugeKpa;
    private Evidence.OverDays overDays;
    private Evidence.Step step;

    /**
     * Begins with nothing.
     *
     * @param at time of the reading, epoch milliseconds
     */
    public EvidenceBuilder(long at) {
        this.at = at;
    }

    /** Begins with what {@code evidence} says, of another time. */
    EvidenceBuilder(long at, Evidence evidence) {
        this.at = at;
        pressureKpa = evidence.pressureKpa();
        pressureAt20Kpa = evidence.pressureAt20Kpa();
        temperatureC = evidence.temperatureC();
        targetKpa = evidence.targetKpa();
        limitKpa = evidence.limitKpa();
        limitC = evidence.limitC();
        isCompensated = evidence.isCompensated();
        fallKpa = evidence.fallKpa();
        minutesToCritical = evidence.minutesToCritical();
        isRunSoft = evidence.isRunSoft();
        isParked = evidence.isParked();
        batteryMv = evidence.batteryMv();
        lossKpaPerHour = evidence.lossKpaPerHour();
        lossErrorKpaPerHour = evidence.lossErrorKpaPerHour();
        refills = evidence.refills();
        other = evidence.other();
        lastHeardAt = evidence.lastHeardAt();
        others = evidence.others();
        shortfalls = evidence.shortfalls();
        toGaugeKpa = evidence.toGaugeKpa();
        overDays = evidence.overDays();
        step = evidence.step();
    }

    /** What the wheel's sensor reports, and that at 20 °C. */
    public EvidenceBuilder measured(Double reportedKpa, Double kpaAt20, Double celsius) {
        pressureKpa = reportedKpa;
        pressureAt20Kpa = kpaAt20;
        temperatureC = celsius;
        return this;
    }

    public EvidenceBuilder target(Double kpa) {
        targetKpa = kpa;
        return this;
    }

    /** The limits that were crossed. */
    public EvidenceBuilder limits(Double kpa, Double celsius) {
        limitKpa = kpa;
        limitC = celsius;
        return this;
    }

    public EvidenceBuilder compensated(boolean is) {
        isCompensated = is;
        return this;
    }

    public EvidenceBuilder fall(Double kpa) {
        fallKpa = kpa;
        return this;
    }

    public EvidenceBuilder minutesToCritical(Integer minutes) {
        minutesToCritical = minutes;
        return this;
    }

    public EvidenceBuilder runSoft(boolean is) {
        isRunSoft = is;
        return this;
    }

    public EvidenceBuilder parked(boolean is) {
        isParked = is;
        return this;
    }

    public EvidenceBuilder battery(Integer mv) {
        batteryMv = mv;
        return this;
    }

    /** How fast it loses air, and the standard error of that. */
    public EvidenceBuilder loss(Double kpaPerHour, Double errorKpaPerHour) {
        lossKpaPerHour = kpaPerHour;
        lossErrorKpaPerHour = errorKpaPerHour;
        return this;
    }

    public EvidenceBuilder refills(Integer count) {
        refills = count;
        return this;
    }

    public EvidenceBuilder other(Position wheel) {
        other = wheel;
        return this;
    }

    public EvidenceBuilder lastHeard(Long heardAt) {
        lastHeardAt = heardAt;
        return this;
    }

    public EvidenceBuilder others(Others showed) {
        others = showed;
        return this;
    }

    public EvidenceBuilder shortfalls(List<Evidence.Shortfall> lacking) {
        shortfalls = lacking;
        return this;
    }

    public EvidenceBuilder toGauge(double kpa) {
        toGaugeKpa = kpa;
        return this;
    }

    public EvidenceBuilder overDays(Evidence.OverDays days) {
        overDays = days;
        return this;
    }

    public EvidenceBuilder step(Evidence.Step stepped) {
        step = stepped;
        return this;
    }

    public Evidence build() {
        return new Evidence(
                at,
                pressureKpa,
                pressureAt20Kpa,
                temperatureC,
                targetKpa,
                limitKpa,
                limitC,
                isCompensated,
                fallKpa,
                minutesToCritical,
                isRunSoft,
                isParked,
                batteryMv,
                lossKpaPerHour,
                lossErrorKpaPerHour,
                refills,
                other,
                lastHeardAt,
                others,
                shortfalls,
                toGaugeKpa,
                overDays,
                step);
    }
}
