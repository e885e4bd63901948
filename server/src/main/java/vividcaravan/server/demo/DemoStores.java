package vividcaravan.server.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.planning.KitItem;
import vividcaravan.core.planning.LoadTable;
import vividcaravan.server.gauges.HandGauge;
import vividcaravan.server.gauges.HandGauges;
import vividcaravan.server.sensorbook.SensorBook;
import vividcaravan.server.stores.Store;
import vividcaravan.server.targets.LoadTables;

/** What the invented fleet has in its store, and a load table, all of it invented. */
@Component
class DemoStores {

    private static final Map<KitItem, Integer> IN_STORE = Map.ofEntries(
            Map.entry(KitItem.STRAP_SENSOR, 14),
            Map.entry(KitItem.VALVE_SENSOR, 6),
            Map.entry(KitItem.CAP_SENSOR, 9),
            Map.entry(KitItem.BELT_SENSOR, 4),
            Map.entry(KitItem.RECEIVER, 2),
            Map.entry(KitItem.LOCK_NUT, 20),
            Map.entry(KitItem.VALVE_STEM, 12),
            Map.entry(KitItem.VALVE_CORE, 60),
            Map.entry(KitItem.LOCK_NUT_WRENCH, 2),
            Map.entry(KitItem.VALVE_TORQUE_SCREWDRIVER, 1),
            Map.entry(KitItem.STRAP_TORQUE_SCREWDRIVER, 1),
            Map.entry(KitItem.CABLE_PULLER, 1),
            Map.entry(KitItem.WIRE_CUTTER, 1),
            Map.entry(KitItem.HAND_GAUGE, 3),
            Map.entry(KitItem.TREAD_GAUGE, 2));

    private static final LoadTable TABLE = new LoadTable(List.of(
            new LoadTable.Row(600, 2_480, 2_280.0),
            new LoadTable.Row(700, 2_870, 2_640.0),
            new LoadTable.Row(800, 3_260, 3_000.0),
            new LoadTable.Row(900, 3_650, 3_360.0)));

    /** A box that came last week, not fitted yet. */
    private static final List<String> BOX =
            List.of("5AB0A1", "5AB0A2", "5AB0A4", "5AB0A7", "5AB0A8", "5AB0AD", "5AB0B3", "5AB0B6");

    private final Store store;
    private final SensorBook sensors;
    private final HandGauges gauges;
    private final LoadTables tables;
    private final Clock clock;

    DemoStores(Store store, SensorBook sensors, HandGauges gauges, LoadTables tables, Clock clock) {
        this.store = store;
        this.sensors = sensors;
        this.gauges = gauges;
        this.tables = tables;
        this.clock = clock;
    }

    void fill() {
        IN_STORE.forEach(store::count);
        sensors.takeIn(BOX, MountKind.STRAP);
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        gauges.keep(new HandGauge("LK gauge 1", "Larkmoor", today.minusMonths(4), 12));
        gauges.keep(new HandGauge("LK gauge 2", "Larkmoor", today.minusMonths(10), 12));
        gauges.keep(new HandGauge("HT gauge 1", "High Tarn", today.minusMonths(13), 12));
        tables.put("315/80 R22.5", "invented for the demo; not for real tyres", 100, TABLE, "the demo");
    }
}
