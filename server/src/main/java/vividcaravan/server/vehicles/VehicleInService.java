package vividcaravan.server.vehicles;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongSupplier;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.Adjustment;
import vividcaravan.core.judge.AxleConduct;
import vividcaravan.core.judge.Reading;
import vividcaravan.core.judge.VehicleJudge;
import vividcaravan.core.judge.VehicleRules;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.server.platform.Refusal;

/**
 * A vehicle of the fleet, whose readings are judged: its description, what the judge has seen of it and its alerts. The single writer
 * changes it; others read the parts that are safe to read.
 */
public final class VehicleInService {

    /** Nothing was heard as it happened. */
    public static final long NOT_LIVE = Long.MIN_VALUE;

    private final long id;
    private final AlertBook book;
    private final Map<Position, WheelCondition> conditions = new ConcurrentHashMap<>();
    /** How fast wheels lose air at present, kPa an hour. */
    private final Map<Position, Double> losses = new ConcurrentHashMap<>();

    private final Map<Position, KnownSensor> sensors = new ConcurrentHashMap<>();
    private final Set<KnownSensor> everFitted = ConcurrentHashMap.newKeySet();
    private volatile VehicleDescription description;
    private volatile DepotDescription depot;
    private volatile VehicleRules rules;
    private volatile TemperatureCompensation compensation;
    private volatile List<Alert> openAlerts = List.of();
    private volatile List<Adjustment> adjustments = List.of();
    private volatile long heardLiveAt = NOT_LIVE;
    private volatile VehicleState state = VehicleState.IN_SERVICE;
    private volatile String stateReason;
    private volatile int revision = 1;
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
        holdToRules();
    }

    /** Takes note of what people recorded of setting its pressures. */
    void adjusted(List<Adjustment> known) {
        adjustments = List.copyOf(known);
        holdToRules();
    }

    List<Adjustment> adjustments() {
        return adjustments;
    }

    private void holdToRules() {
        rules = new VehicleRules(
                description.kind(),
                description.layout(),
                description.axles().stream().map(description::limits).toList(),
                description.axles().stream().map(this::conduct).toList(),
                compensation,
                adjustments);
        if (judge == null) {
            judge = new VehicleJudge(rules);
        } else {
            judge.holdTo(rules);
        }
        conditions.keySet().removeIf(position -> rules.at(position).isEmpty());
        losses.keySet().removeIf(position -> rules.at(position).isEmpty());
    }

    private AxleConduct conduct(AxleDescription axle) {
        boolean hasOwnTemperatures =
                axle.overrides().temperatureC() != null || axle.overrides().temperatureCriticalC() != null;
        return new AxleConduct(description.duty(axle), hasOwnTemperatures, axle.isBallasted(), axle.isSelfInflating());
    }

    public long id() {
        return id;
    }

    public VehicleDescription description() {
        return description;
    }

    /** Where it stands between being described and being out of use. */
    public VehicleState state() {
        return state;
    }

    /** Whether people are told of its alerts. */
    public boolean isInService() {
        return state == VehicleState.IN_SERVICE;
    }

    /** Why it is out of service, where somebody said so. */
    public Optional<String> stateReason() {
        return Optional.ofNullable(stateReason);
    }

    /** Counts the changes of its description, so that nobody overwrites what he has not seen. */
    public int revision() {
        return revision;
    }

    void stands(VehicleState newState, String reason, int newRevision) {
        state = newState;
        stateReason = reason;
        revision = newRevision;
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
        return isInService() ? openAlerts : List.of();
    }

    /** What would be open if people were told of its alerts; safe to read. */
    public List<Alert> untoldAlerts() {
        return isInService() ? List.of() : openAlerts;
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
        return alert.showing(alert.evidence()
                .measuring(
                        newest.at(), newest.pressureKpa(), at20, newest.temperatureC(), losses.get(alert.position())));
    }

    /** The sensor now at a wheel. */
    public Optional<KnownSensor> sensorAt(Position position) {
        return Optional.ofNullable(sensors.get(position));
    }

    /** Every wheel's sensor now. */
    public Map<Position, KnownSensor> sensors() {
        return sensors;
    }

    /** Waits for the first word of every sensor that sits on it; for the single writer only. */
    public void expectSensors() {
        for (KnownSensor sensor : sensors.values()) {
            sensor.fittingAt(Fitting.OPEN - 1).ifPresent(judge::expect);
        }
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
        OptionalDouble loss = judge.lossPerHour(position);
        if (loss.isPresent()) {
            losses.put(position, loss.getAsDouble());
        } else if (!losses.isEmpty()) {
            losses.remove(position);
        }
        isTouched = true;
    }

    /** When a reading last came in as it was measured, clock time in epoch milliseconds; {@link #NOT_LIVE} if none did. */
    public long heardLiveAt() {
        return heardLiveAt;
    }

    /** Takes note that a reading came in as it was measured, or, with {@link #NOT_LIVE}, that nobody waits for the next. */
    public void heardLive(long now) {
        heardLiveAt = now;
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
