package vividcaravan.server.workshop.job;

import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.Thing;

/** What was done at a vehicle, as the logbook says it. */
final class JobDeeds {

    private JobDeeds() {}

    static Thing thing(FitOutJob job) {
        return new Thing(
                Thing.Kind.JOB,
                Long.toString(job.id()),
                "the fit-out of " + job.vehicle().description().ref());
    }

    /** A job that was opened. */
    static Deed opened(FitOutJob job) {
        return Deed.of(DeedKind.JOB_OPENED, thing(job), "opened " + thing(job).name())
                .at(job.vehicle().id())
                .with("Sensors", null, job.mount().map(mount -> mount.words()).orElse("not said"));
    }

    /** A job that ended. */
    static Deed ended(FitOutJob job, JobState state, @Nullable String reason) {
        String how = state == JobState.DONE ? "ended " : "dropped ";
        return Deed.of(DeedKind.JOB_ENDED, thing(job), how + thing(job).name())
                .at(job.vehicle().id())
                .because(reason);
    }

    /**
     * An entry that was made.
     *
     * @param sensor code of the sensor that sat at the wheel before, or null
     */
    static Deed entered(FitOutJob job, JobEntry entry, @Nullable Position position, @Nullable String sensor) {
        FleetVehicle vehicle = job.vehicle();
        String where = position == null
                ? vehicle.description().ref()
                : vehicle.thing(position).name();
        boolean isPlacing = entry.kind() == EntryKind.PAIRED
                || entry.kind() == EntryKind.LEFT_OUT
                || entry.kind() == EntryKind.EXCHANGED;
        Deed deed = Deed.of(
                        isPlacing ? DeedKind.SENSOR_PLACED : DeedKind.JOB_ENTERED, thing(job), words(entry, where, job))
                .because(entry.data().reason());
        deed = position == null ? deed.at(vehicle.id()) : deed.at(vehicle.id(), position.code());
        if (entry.kind() == EntryKind.EXCHANGED) {
            deed = deed.at(vehicle.id(), entry.data().other());
        }
        return found(deed.with("Done at", Difference.TIME, null, entry.at().toString()), entry, sensor);
    }

    private static Deed found(Deed deed, JobEntry entry, @Nullable String sensor) {
        EntryData data = entry.data();
        String now =
                entry.kind() == EntryKind.PAIRED ? data.code() : entry.kind() == EntryKind.LEFT_OUT ? null : sensor;
        return deed.with("Sensor", sensor, now)
                .with("Tread", "mm", null, treads(data))
                .with("Date code", null, data.dateCode())
                .with(
                        "Valve stem",
                        null,
                        data.stem() == null ? null : words(data.stem().name()))
                .with("Valve can be reached", null, data.isValveReachable())
                .with("Retread", null, data.isRetread())
                .with("Damage", null, data.damage())
                .with("Tyre", null, data.tyre())
                .with("Temperature at work", "\u00b0C", null, data.ambientC())
                .with(
                        "Steps done",
                        null,
                        data.stepsDone() == null ? null : data.stepsDone().size())
                .with("Hand gauge", "kPa", null, data.gaugeKpa())
                .with("Gauge", null, data.gaugeName())
                .with("Calibrated on", null, data.calibratedOn());
    }

    private static @Nullable String treads(EntryData data) {
        return data.treadMm() == null
                ? null
                : data.treadMm().stream()
                        .filter(Objects::nonNull)
                        .map(Object::toString)
                        .collect(Collectors.joining(", "));
    }

    private static String words(String name) {
        return name.toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }

    private static String words(JobEntry entry, String where, FitOutJob job) {
        return switch (entry.kind()) {
            case INSPECTED -> "inspected the tyre at " + where;
            case PASSED_ANYWAY -> "let the tyre at " + where + " pass, though it failed";
            case MOUNTED -> "mounted the sensor at " + where;
            case PAIRED -> "took sensor " + entry.data().code() + " for " + where;
            case LEFT_OUT -> "left " + where + " without a sensor";
            case GAUGED -> "read the hand gauge at " + where;
            case AIR_SET -> "set air on at " + where;
            case PROVED -> "proved which wheel the sensor at " + where + " sits at";
            case EXCHANGED ->
                "exchanged the sensors of " + where + " and " + entry.data().other();
            case TAKEN_AS_PROVEN -> "took " + where + " as proven without the proof";
            case GAUGE_NAMED -> "named the hand gauge for " + thing(job).name();
            case NOTED -> "wrote a note on " + thing(job).name();
            case CLOSED -> "ended " + thing(job).name();
        };
    }

    /** Code of the sensor that sits at a wheel now, or null. */
    static @Nullable String sensorAt(FleetVehicle vehicle, @Nullable Position position) {
        return position == null
                ? null
                : vehicle.sensorAt(position).map(KnownSensor::code).orElse(null);
    }
}
