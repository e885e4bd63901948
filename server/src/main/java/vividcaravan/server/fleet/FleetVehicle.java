package vividcaravan.server.fleet;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AirBan;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Outage;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.VehicleJudge;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.core.judge.air.AirStep;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.AxleConduct;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.TyreArrival;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.sensors.Cell;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;

/**
 * A vehicle of the fleet, whose readings are judged: its description, what the judge has seen of it and its alerts. The single writer
 * changes it; others read the parts that are safe to read.
 */
public final class FleetVehicle {

    /** Nothing was heard as it happened. */
    public static final long NOT_LIVE = Long.MIN_VALUE;

    private final long id;
    private final LongSupplier alertIds;
    private final Supplier<Set<MountKind>> vented;
    private final WriteMarks marks;
    private final ShownWheels shown = new ShownWheels();
    private final Map<Position, KnownSensor> sensors = new ConcurrentHashMap<>();
    private final Set<KnownSensor> everFitted = ConcurrentHashMap.newKeySet();
    private volatile VehicleSnapshot snapshot;
    private volatile List<Alert> openAlerts = List.of();
    private volatile List<Adjustment> adjustments = List.of();
    private List<TyreArrival> arrivals = List.of();
    private volatile List<Outage> outages = List.of();
    private volatile List<Retorque> retorques = List.of();
    private volatile long heardLiveAt = NOT_LIVE;
    private VehicleJudge judge;
    private AlertBook book;
    private long judgedSeq;
    private boolean isTouched;
    private boolean isMarked;
    private volatile boolean hasMovedWhileOut;
    private volatile @Nullable JudgedAgain judgedAgain;
    private volatile boolean isUnderWay;
    private boolean mustCoolFirst = true;
    private long newestAt = Long.MIN_VALUE;

    /**
     * @param vented the mounts whose sensors measure against the air around them
     * @param marks where it says that the write under way touches it
     */
    FleetVehicle(
            long id,
            VehicleDescription description,
            DepotDescription depot,
            LongSupplier alertIds,
            Supplier<Set<MountKind>> vented,
            WriteMarks marks) {
        this.id = id;
        this.alertIds = alertIds;
        this.vented = vented;
        this.marks = marks;
        this.book = new AlertBook(alertIds);
        snapshot = new VehicleSnapshot(description, depot, air(depot), null, VehicleState.IN_SERVICE, null, 1);
        holdToRules(snapshot);
    }

    private SensorAir air(DepotDescription depot) {
        return new SensorAir(Atmosphere.at(depot == null ? 0 : depot.altitudeM()), vented.get());
    }

    /** Says that the write under way changes it. */
    void mark() {
        if (!isMarked) {
            isMarked = true;
            marks.touch(this);
        }
    }

    void unmark() {
        isMarked = false;
    }

    /** Begins anew with what the database says of it; what was seen and raised is to be given back afterwards. */
    void beginAnew(
            VehicleDescription description,
            DepotDescription depot,
            List<Adjustment> known,
            List<TyreArrival> came,
            List<Outage> out,
            List<Retorque> loose) {
        adjustments = List.copyOf(known);
        arrivals = List.copyOf(came);
        outages = List.copyOf(out);
        retorques = List.copyOf(loose);
        judge = null;
        judgedSeq = 0;
        book = new AlertBook(alertIds);
        describe(description, depot);
    }

    /** What readers may see of it, all from one moment. */
    public VehicleSnapshot snapshot() {
        return snapshot;
    }

    /** Takes on another description from now on; what was seen of wheels that stay is kept. */
    public void describe(VehicleDescription newDescription, DepotDescription newDepot) {
        holdToRules(snapshot.describing(newDescription, newDepot, air(newDepot)));
    }

    /** Takes note that the fleet's sensors are others than was thought. */
    void heardByOtherSensors() {
        describe(description(), snapshot.depotNow());
    }

    /** Takes note of what people recorded of setting its pressures. */
    public void adjusted(List<Adjustment> known) {
        adjustments = List.copyOf(known);
        holdToRules(snapshot);
    }

    /** Takes note of what people recorded of tyres that came to its wheels; for the single writer only. */
    public void arrived(List<TyreArrival> known) {
        arrivals = List.copyOf(known);
        holdToRules(snapshot);
    }

    public List<Adjustment> adjustments() {
        return adjustments;
    }

    /** The last that was recorded of setting a wheel's pressure since {@code since}, epoch milliseconds; safe to read. */
    public Optional<Adjustment> latestAdjustment(Position position, long since) {
        return adjustments.stream()
                .filter(adjustment -> adjustment.position().equals(position) && adjustment.at() >= since)
                .max(Comparator.comparingLong(Adjustment::at));
    }

    private void holdToRules(VehicleSnapshot next) {
        mark();
        VehicleDescription description = next.description();
        VehicleRules rules = new VehicleRules(
                description.kind(),
                description.layout(),
                description.axles().stream().map(description::limits).toList(),
                description.axles().stream()
                        .map(axle -> conduct(description, axle))
                        .toList(),
                next.air(),
                adjustments,
                arrivals);
        if (judge == null) {
            judge = new VehicleJudge(rules);
        } else {
            judge.holdTo(rules);
        }
        // As one, so that nobody sees wheels of one description under the rules of another.
        snapshot = next.holdingTo(rules);
        shown.heldTo(judge, description.layout().positions(), position -> rules.at(position)
                .isEmpty());
    }

    private static AxleConduct conduct(VehicleDescription description, AxleDescription axle) {
        boolean hasOwnTemperatures = axle.overrides()
                        .value(LimitName.TEMPERATURE_C)
                        .isPresent()
                || axle.overrides().value(LimitName.TEMPERATURE_CRITICAL_C).isPresent();
        return new AxleConduct(description.duty(axle), hasOwnTemperatures, axle.isBallasted(), axle.isSelfInflating());
    }

    public long id() {
        return id;
    }

    /** Says what of it is out of service; for the single writer only. */
    public void out(List<Outage> known) {
        mark();
        outages = List.copyOf(known);
    }

    /** What of it is out of service and not ended yet, safe to read. */
    public List<Outage> outages() {
        return outages;
    }

    /** Says how far its past is judged again; null once nothing is owed. */
    public void judgedAgain(@Nullable JudgedAgain how) {
        judgedAgain = how;
    }

    /** How far its past is judged again; empty where nothing is owed; safe to read. */
    public Optional<JudgedAgain> judgedAgain() {
        return Optional.ofNullable(judgedAgain);
    }

    /** Says which wheels' nuts are to be tightened again; for the single writer only. */
    public void toRetorque(List<Retorque> known) {
        mark();
        retorques = List.copyOf(known);
    }

    /** Wheels that were off and whose nuts were not tightened again yet, safe to read. */
    public List<Retorque> retorques() {
        return retorques;
    }

    /** This vehicle as the logbook names it. */
    public Thing thing() {
        return Thing.vehicle(id, description().ref());
    }

    /** One of its wheels as the logbook names it. */
    public Thing thing(Position position) {
        return new Thing(
                Thing.Kind.WHEEL, id + " " + position.code(), description().ref() + " " + position.code());
    }

    public VehicleDescription description() {
        return snapshot.description();
    }

    /** Where it stands between being described and being out of use. */
    public VehicleState state() {
        return snapshot.state();
    }

    /** Whether people are told of its alerts. */
    public boolean isInService() {
        return snapshot.isInService();
    }

    /** Why it is out of service, where somebody said so. */
    public Optional<String> stateReason() {
        return snapshot.stateReason();
    }

    /** Counts the changes of its description, so that nobody overwrites what he has not seen. */
    public int revision() {
        return snapshot.revision();
    }

    void stands(VehicleState newState, String reason, int newRevision) {
        mark();
        hasMovedWhileOut = false;
        mustCoolFirst = true;
        snapshot = snapshot.standing(newState, reason, newRevision);
    }

    /** Its depot; empty where none was named. */
    public Optional<DepotDescription> depot() {
        return snapshot.depot();
    }

    /**
     * The position with this code.
     *
     * @throws Refusal if the vehicle has no such wheel
     */
    public Position existing(String code) {
        return snapshot.existing(code);
    }

    /**
     * What a wheel is held to.
     *
     * @throws Refusal if it is gone since the vehicle was looked at
     */
    public WheelRules rulesAt(Position position) {
        return snapshot.rules()
                .at(position)
                .orElseThrow(() -> Refusal.conflict("The vehicle was described anew just now and has no wheel "
                        + position + " any more. Load the page again."));
    }

    public VehicleRules rules() {
        return snapshot.rules();
    }

    /** What brings readings of a sensor to 20 °C on a gauge at its depot. */
    public TemperatureCompensation compensation(KnownSensor sensor) {
        return snapshot.compensation(sensor);
    }

    /** What the judge has seen; for the single writer only. */
    public VehicleJudge judge() {
        mark();
        return judge;
    }

    /** Its alerts; for the single writer only. */
    public AlertBook book() {
        mark();
        return book;
    }

    /** The alert with this identity, if it is the latest of its wheel and family; for the single writer only. */
    public Optional<Alert> alert(long alertId) {
        return book.find(alertId);
    }

    /** Its open alerts of which people are told, safe to read. */
    public List<Alert> openAlerts() {
        return isTold() ? openAlerts : List.of();
    }

    /** What would be open if people were told of its alerts; safe to read. */
    public List<Alert> untoldAlerts() {
        return isTold() ? List.of() : openAlerts;
    }

    /** Whether no figure of air is advised at a wheel, for what is open there; safe to read. */
    public boolean forbidsAir(Position position) {
        return AirBan.isAt(position, Stream.concat(openAlerts().stream(), untoldAlerts().stream()));
    }

    /** Whether people are told of its alerts: what moves is not out of service, whatever was said; safe to read. */
    public boolean isTold() {
        return isInService() || contradictsOutage();
    }

    /** Whether it was said to be out of service and moved since; safe to read. */
    public boolean contradictsOutage() {
        return hasMovedWhileOut && state() == VehicleState.OUT_OF_SERVICE;
    }

    /** Whether it is driven as far as its newest readings say, or show by warming; safe to read. */
    public boolean isUnderWay() {
        return isUnderWay;
    }

    /** Makes the book's changes visible to readers. */
    public void publishAlerts() {
        openAlerts = book.alerts().stream()
                .filter(alert -> alert.state() != AlertState.CLOSED)
                .toList();
    }

    /** An alert of this vehicle with the figures of its wheel as they are now, as long as the fault lasts. */
    public Alert asItIsNow(Alert alert) {
        if (!alert.evidence().shortfalls().isEmpty() && alert.state() != AlertState.CLOSED) {
            return alert.showing(alert.evidence().withoutAirAt(this::forbidsAir));
        }
        boolean isOfReadings = alert.position() != null && alert.kind().family() != AlertFamily.SEEN;
        KnownSensor sensor = !isOfReadings || alert.state() == AlertState.CLOSED || !alert.isActive()
                ? null
                : sensorAt(alert.position()).orElse(null);
        Reading newest = sensor == null ? null : sensor.newest();
        if (newest == null
                || !newest.isMeasurement()
                || newest.at() < alert.evidence().at()) {
            return alert;
        }
        double at20 = compensation(sensor).compensateKpa(newest.pressureKpa(), newest.temperatureC());
        return alert.showing(alert.evidence()
                .measuring(
                        newest.at(),
                        newest.pressureKpa(),
                        at20,
                        newest.temperatureC(),
                        shown.lossKpaPerHour(alert.position()),
                        newest.moving()));
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
            sensor.fittingAt(Fitting.OPEN - 1).ifPresent(judge()::expect);
        }
    }

    /** Has these sensors at its wheels now, and had those. */
    void sitsWith(Map<Position, KnownSensor> now, Set<KnownSensor> ever) {
        sensors.putAll(now);
        sensors.keySet().retainAll(now.keySet());
        everFitted.addAll(ever);
        everFitted.retainAll(ever);
    }

    /** Every sensor that sits or sat on this vehicle. */
    public Set<KnownSensor> everFitted() {
        return everFitted;
    }

    /** What the judge last said of a wheel. */
    public WheelCondition condition(Position position) {
        return shown.condition(position);
    }

    /** The latest steps of a wheel's air that its readings showed, the oldest first. */
    public List<AirStep> airSteps(Position position) {
        return shown.airSteps(position);
    }

    /** Takes note that wheel {@code position} was judged. */
    public void judged(Position position) {
        shown.take(judge, position, sensors.get(position));
        isTouched = true;
        KnownSensor sensor = sensors.get(position);
        if (sensor != null && sensor.newest() != null) {
            newestAt = Math.max(newestAt, sensor.newest().at());
            lookWhetherDriven(newestAt);
        }
    }

    private void lookWhetherDriven(long at) {
        isUnderWay = judge.isDriven(at);
        boolean isSaid = judge.wasMoving(at);
        // Tyres that are warm still when it is taken out of service were driven before.
        mustCoolFirst &= isUnderWay;
        hasMovedWhileOut |= state() == VehicleState.OUT_OF_SERVICE && isUnderWay && (isSaid || !mustCoolFirst);
    }

    /** What is known of the cell of the sensor that sits at a wheel; safe to read. */
    public Cell cell(Position position) {
        return shown.cell(position, sensors.get(position));
    }

    /** Whether a wheel's target was raised and it was not driven at that since; safe to read. */
    public boolean isToBeFilled(Position position) {
        return shown.isToBeFilled(position);
    }

    /** Whether the newest reading of a wheel was one of a cold tyre; safe to read. */
    public boolean isSoaked(Position position) {
        return shown.isSoaked(position);
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
        mark();
        judgedSeq = seq;
    }

    /** Whether a wheel was judged since this was last asked. */
    public boolean takeTouched() {
        boolean was = isTouched;
        isTouched = false;
        return was;
    }
}
