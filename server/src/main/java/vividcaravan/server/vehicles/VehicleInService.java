package vividcaravan.server.vehicles;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongSupplier;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.Reading;
import vividcaravan.core.judge.VehicleJudge;
import vividcaravan.core.judge.VehicleRules;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.server.platform.Refusal;

/**
 * A vehicle whose readings are judged: its description, what the judge has seen of it and its alerts. The single writer
 * changes it; others read the parts that are safe to read.
 */
public final class VehicleInService {

    private final long id;
    private final AlertBook book;
    private final Map<Position, WheelCondition> conditions = new ConcurrentHashMap<>();
    private final Map<Position, KnownSensor> sensors = new ConcurrentHashMap<>();
    private final Set<KnownSensor> everFitted = ConcurrentHashMap.newKeySet();
    private volatile VehicleDescription description;
    private volatile DepotDescription depot;
    private volatile VehicleRules rules;
    private volatile TemperatureCompensation compensation;
    private volatile List<Alert> openAlerts = List.of();
    private VehicleJudge judge;
    private long judgedSeq;
    private boolean isTouched;

    VehicleInService(long id, VehicleDescription description, DepotDescription depot, LongSupplier alertIds) {
        this.id = id;
        this.book = new AlertBook(alertIds);
        describe(description, depot);
    }

    /** Takes on another description from now on; what was seen of wheels that stay is kept. */
    void describe(VehicleDescription newDescription, DepotDescription newDepot) {
        description = newDescription;
        depot = newDepot;
        compensation =
                TemperatureCompensation.toTwentyCelsius(Atmosphere.at(newDepot == null ? 0 : newDepot.altitudeM()));
        rules = new VehicleRules(newDescription.kind(), newDescription.layout(), limits(newDescription), compensation);
        if (judge == null) {
            judge = new VehicleJudge(rules);
        } else {
            judge.holdTo(rules);
        }
        conditions.keySet().removeIf(position -> rules.at(position).isEmpty());
    }

    private static List<AxleLimits> limits(VehicleDescription description) {
        return description.axles().stream()
                .map(axle ->
                        new AxleLimits(axle.coldPressureKpa(), axle.overrides().over(LimitPolicy.DEFAULT)))
                .toList();
    }

    public long id() {
        return id;
    }

    public VehicleDescription description() {
        return description;
    }

    /** Its depot; empty where none was named. */
    public Optional<DepotDescription> depot() {
        return Optional.ofNullable(depot);
    }

    /**
     * The position with this code.
     *
     * @throws Refusal if the vehicle has no such wheel
     */
    public Position existing(String code) {
        return Position.find(code)
                .filter(position -> rules.at(position).isPresent())
                .orElseThrow(() -> Refusal.notFound("The vehicle \"" + description.ref() + "\" has no wheel \"" + code
                        + "\"; it has " + description.layout().positions() + "."));
    }

    public VehicleRules rules() {
        return rules;
    }

    public TemperatureCompensation compensation() {
        return compensation;
    }

    /** What the judge has seen; for the single writer only. */
    public VehicleJudge judge() {
        return judge;
    }

    /** Its alerts; for the single writer only. */
    public AlertBook book() {
        return book;
    }

    /** Its open alerts, safe to read. */
    public List<Alert> openAlerts() {
        return openAlerts;
    }

    /** Makes the book's changes visible to readers. */
    public void publishAlerts() {
        openAlerts = book.alerts().stream()
                .filter(alert -> alert.state() != AlertState.CLOSED)
                .toList();
    }

    /** An alert of this vehicle with the figures of its wheel as they are now, as long as the fault lasts. */
    public Alert asItIsNow(Alert alert) {
        Reading newest = alert.position() == null || alert.state() == AlertState.CLOSED || !alert.isActive()
                ? null
                : sensorAt(alert.position()).map(KnownSensor::newest).orElse(null);
        if (newest == null
                || !newest.isMeasurement()
                || newest.at() < alert.evidence().at()) {
            return alert;
        }
        double at20 = compensation.compensateKpa(newest.pressureKpa(), newest.temperatureC());
        return alert.showing(alert.evidence().measuring(newest.pressureKpa(), at20, newest.temperatureC()));
    }

    /** The sensor now at a wheel. */
    public Optional<KnownSensor> sensorAt(Position position) {
        return Optional.ofNullable(sensors.get(position));
    }

    /** Every wheel's sensor now. */
    public Map<Position, KnownSensor> sensors() {
        return sensors;
    }

    /** Every sensor that sits or sat on this vehicle. */
    public Set<KnownSensor> everFitted() {
        return everFitted;
    }

    /** What the judge last said of a wheel. */
    public WheelCondition condition(Position position) {
        return conditions.getOrDefault(position, WheelCondition.OK);
    }

    /** Takes note that wheel {@code position} was judged. */
    public void judged(Position position) {
        WheelCondition condition = judge.condition(position);
        if (conditions.get(position) != condition) {
            conditions.put(position, condition);
        }
        isTouched = true;
    }

    /** Journal row up to which the stored judgement goes. */
    public long judgedSeq() {
        return judgedSeq;
    }

    public void judgedUpTo(long seq) {
        judgedSeq = seq;
    }

    /** Whether a wheel was judged since this was last asked. */
    public boolean takeTouched() {
        boolean was = isTouched;
        isTouched = false;
        return was;
    }
}
