package vividcaravan.core.planning;

import java.util.Optional;
import vividcaravan.core.axles.MountKind;

/** What is needed to equip vehicles with sensors [common practice; the sensor maker's list goes first]. */
public enum KitItem {
    CAP_SENSOR("cap sensor", Use.SENSOR, MountKind.CAP),
    VALVE_SENSOR("valve sensor", Use.SENSOR, MountKind.VALVE),
    STRAP_SENSOR("sensor with steel strap", Use.SENSOR, MountKind.STRAP),
    BELT_SENSOR("sensor with woven belt", Use.SENSOR, MountKind.BELT),
    NARROW_BELT_SENSOR("sensor with narrow woven belt", Use.SENSOR, MountKind.BELT),
    GLUED_SENSOR("sensor for the inner liner", Use.SENSOR, MountKind.GLUED),
    RECEIVER("receiver", Use.HARDWARE, null),
    REPEATER("repeater", Use.HARDWARE, null),
    LOCK_NUT("lock nut", Use.EACH_SENSOR, MountKind.CAP),
    VALVE_STEM("valve stem with seal", Use.EACH_SENSOR, MountKind.VALVE),
    VALVE_CORE("valve core", Use.EACH_DISMOUNTED, null),
    LINER_GLUE("portion of liner glue", Use.EACH_SENSOR, MountKind.GLUED),
    LINER_CLEANER("portion of liner cleaner", Use.EACH_SENSOR, MountKind.GLUED),
    LOCK_NUT_WRENCH("lock nut wrench", Use.TOOL, MountKind.CAP),
    ANTI_THEFT_TOOL("anti-theft tool", Use.TOOL, MountKind.CAP),
    VALVE_TORQUE_SCREWDRIVER("torque screwdriver for valves", Use.TOOL, MountKind.VALVE),
    STRAP_TORQUE_SCREWDRIVER("torque screwdriver for straps", Use.TOOL, MountKind.STRAP),
    CABLE_PULLER("cable puller", Use.TOOL, MountKind.STRAP),
    WIRE_CUTTER("wire cutter", Use.TOOL, MountKind.STRAP),
    LINER_SCRAPER("liner scraper", Use.TOOL, MountKind.GLUED),
    GLOVES_AND_GOGGLES("gloves and goggles", Use.TOOL, MountKind.GLUED),
    THERMOMETER("thermometer for tyre and air", Use.TOOL, MountKind.GLUED),
    HAND_GAUGE("hand gauge within its calibration", Use.TOOL, null),
    TREAD_GAUGE("tread depth gauge", Use.TOOL, null);

    /** What it is counted by. */
    public enum Use {
        /** One at each wheel with this mount, and a share to spare. */
        SENSOR,
        /** As the vehicles call for it. */
        HARDWARE,
        /** One with each sensor of this mount, spares among them. */
        EACH_SENSOR,
        /** One for each wheel that comes off. */
        EACH_DISMOUNTED,
        /** One for the team; it comes back. */
        TOOL
    }

    private final String words;
    private final Use use;
    private final MountKind mount;

    KitItem(String words, Use use, MountKind mount) {
        this.words = words;
        this.use = use;
        this.mount = mount;
    }

    /** What it is called. */
    public String words() {
        return words;
    }

    /** What it is used for. */
    public Use use() {
        return use;
    }

    /** The mount it goes with; empty if with any. */
    public Optional<MountKind> mount() {
        return Optional.ofNullable(mount);
    }

    /** Whether it comes back to the store after the work. */
    public boolean isTool() {
        return use == Use.TOOL;
    }
}
