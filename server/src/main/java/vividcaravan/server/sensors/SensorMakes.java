package vividcaravan.server.sensors;

import java.util.Arrays;
import java.util.List;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.SensorMake;
import vividcaravan.server.fleet.SensorMakeRow;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** What the fleet's sensors of each mount are, and how that is changed. */
@Component
class SensorMakes {

    private final FleetDirectory fleet;
    private final SingleWriter writer;

    SensorMakes(FleetDirectory fleet, SingleWriter writer) {
        this.fleet = fleet;
        this.writer = writer;
    }

    List<SensorMake> all() {
        return Arrays.stream(MountKind.values()).map(fleet::make).toList();
    }

    void set(SensorMake make) {
        writer.make(view -> Decision.make(pen -> {
            SensorMake before = fleet.make(make.mount());
            store(pen.session(), make);
            fleet.madeAs(make);
            String words = make.mount().words();
            return Done.by(Deed.of(
                            DeedKind.SENSOR_MAKE_CHANGED,
                            new Thing(Thing.Kind.SETTING, "sensor-makes", "Sensors " + words),
                            "said what the fleet's sensors " + words + " are")
                    .with("Vented", before.isVented(), make.isVented())
                    .with("They measure up to", "kPa", before.rangeKpa(), make.rangeKpa()));
        }));
    }

    private static void store(StatelessSession session, SensorMake make) {
        SensorMakeRow row = new SensorMakeRow();
        row.mount = make.mount();
        row.vented = make.isVented();
        row.rangeKpa = make.rangeKpa();
        if (session.get(SensorMakeRow.class, make.mount()) == null) {
            session.insert(row);
        } else {
            session.update(row);
        }
    }
}
