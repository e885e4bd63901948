package vividcaravan.server.workshop.job;

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
    static Deed entered(FitOutJob job, JobEntry<?> entry, @Nullable String sensor) {
        FleetVehicle vehicle = job.vehicle();
        Position position = entry.position();
        Said said = entry.data();
        String where = position == null
                ? vehicle.description().ref()
                : vehicle.thing(position).name();
        boolean isPlacing =
                said instanceof Said.Paired || said instanceof Said.LeftOut || said instanceof Said.Exchanged;
        Deed deed = Deed.of(
                        isPlacing ? DeedKind.SENSOR_PLACED : DeedKind.JOB_ENTERED,
                        thing(job),
                        said.words(where, thing(job).name()))
                .because(said.reason());
        deed = position == null ? deed.at(vehicle.id()) : deed.at(vehicle.id(), position.code());
        if (said instanceof Said.Exchanged exchanged) {
            deed = deed.at(vehicle.id(), exchanged.other().code());
        }
        String now = said instanceof Said.Paired paired ? paired.code() : said instanceof Said.LeftOut ? null : sensor;
        return said.in(deed.with("Done at", Difference.TIME, null, entry.at().toString())
                .with("Sensor", sensor, now));
    }

    /** Code of the sensor that sits at a wheel now, or null. */
    static @Nullable String sensorAt(FleetVehicle vehicle, @Nullable Position position) {
        return position == null
                ? null
                : vehicle.sensorAt(position).map(KnownSensor::code).orElse(null);
    }
}
