package vividcaravan.server.vehicles;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitFault;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.server.platform.Refusal;

/** Reads a fleet document and finds every fault that can be seen without knowing the present fleet. */
final class FleetDocumentReader {

    /** Six to eight hex digits, compared in upper case, without padding. */
    static final Pattern CODE = Pattern.compile("[0-9A-F]{6,8}");

    /** A ref is part of web addresses, and some characters are refused there even when they are encoded. */
    private static final Pattern ADDRESSABLE = Pattern.compile("(?!\\.+$)[^/\\\\;%]+");

    private static final double LOWEST_DEPOT_M = -500;
    private static final double HIGHEST_DEPOT_M = 9_000;
    private static final int MOST_SPARES = Position.MOST_SPARES;

    private final List<Refusal.Fault> faults;
    private final Instant latest;
    private final Map<String, String> pathByCode = new HashMap<>();

    /**
     * @param faults where faults are collected
     * @param latest the latest time that a fitting may have
     */
    FleetDocumentReader(List<Refusal.Fault> faults, Instant latest) {
        this.faults = faults;
        this.latest = latest;
    }

    /** The document; only to be used if no fault was found. */
    FleetDocument read(JsonNode json) {
        JsonPart root = JsonPart.root(json, faults);
        if (!root.isObjectOf("format", "version", "onExisting", "depots", "vehicles")) {
            return null;
        }
        String format = root.text("format", true, 60);
        if (format != null && !format.equals(FleetDocument.FORMAT)) {
            root.fault("format", "The format must be \"" + FleetDocument.FORMAT + "\", was \"" + format + "\".");
        }
        if (!root.has("version")) {
            root.fault("version", "\"version\" is missing.");
        } else if (root.whole("version", 0, 0, 1_000_000) != FleetDocument.VERSION) {
            root.fault("version", "The version must be 1; this product reads no other.");
        }
        String onExisting = root.has("onExisting") ? root.text("onExisting", false, 20) : null;
        if (onExisting != null && !onExisting.equals("update")) {
            root.fault(
                    "onExisting", "\"onExisting\" can only be \"update\"; leave it out to refuse vehicles that exist.");
        }
        return new FleetDocument(format, FleetDocument.VERSION, onExisting, depots(root), vehicles(root));
    }

    private List<FleetDocument.DepotEntry> depots(JsonPart root) {
        List<FleetDocument.DepotEntry> depots = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (JsonPart part : root.parts("depots", false)) {
            if (!part.isObjectOf("name", "timeZone", "altitudeM")) {
                continue;
            }
            String name = part.text("name", true, 120);
            String zone = part.text("timeZone", false, 60);
            if (zone != null && !isZone(zone)) {
                part.fault("timeZone", "\"" + zone + "\" is no time zone; write one such as Europe/Dublin or UTC.");
            }
            if (name != null && !names.add(name)) {
                part.fault("name", "The depot \"" + name + "\" stands in this document twice.");
            }
            depots.add(new FleetDocument.DepotEntry(
                    name, zone, part.number("altitudeM", false, LOWEST_DEPOT_M, HIGHEST_DEPOT_M)));
        }
        return depots;
    }

    private static boolean isZone(String zone) {
        try {
            ZoneId.of(zone);
            return true;
        } catch (DateTimeException e) {
            return false;
        }
    }

    private List<FleetDocument.VehicleEntry> vehicles(JsonPart root) {
        List<FleetDocument.VehicleEntry> vehicles = new ArrayList<>();
        Set<String> refs = new HashSet<>();
        for (JsonPart part : root.parts("vehicles", false)) {
            if (!part.isObjectOf("ref", "kind", "plate", "depot", "duty", "spares", "axles", "sensors")) {
                continue;
            }
            String ref = part.text("ref", true, 60);
            if (ref != null && !ADDRESSABLE.matcher(ref).matches()) {
                part.fault("ref", "\"" + ref + "\" cannot stand in an address; leave out / \\ ; and %.");
            }
            if (ref != null && !refs.add(ref)) {
                part.fault("ref", "The vehicle \"" + ref + "\" stands in this document twice.");
            }
            VehicleKind kind = part.choice("kind", true, VehicleKind.class);
            int spares = part.whole("spares", 0, 0, MOST_SPARES);
            DutyProfile duty = part.choice("duty", false, DutyProfile.class);
            List<FleetDocument.AxleEntry> axles = axles(part, duty == null ? DutyProfile.GENERAL : duty);
            vehicles.add(new FleetDocument.VehicleEntry(
                    ref,
                    kind,
                    part.text("plate", false, 40),
                    part.text("depot", false, 120),
                    duty,
                    spares,
                    axles,
                    sensors(part, layout(axles, spares))));
        }
        return vehicles;
    }

    private static Optional<AxleLayout> layout(List<FleetDocument.AxleEntry> axles, int spares) {
        boolean isKnown = !axles.isEmpty()
                && axles.size() <= Position.MOST_AXLES
                && axles.stream().allMatch(axle -> axle.role() != null && axle.wheels() != null);
        return isKnown
                ? Optional.of(new AxleLayout(
                        axles.stream()
                                .map(axle -> new Axle(axle.role(), axle.wheels(), axle.liftable()))
                                .toList(),
                        spares))
                : Optional.empty();
    }

    private List<FleetDocument.AxleEntry> axles(JsonPart vehicle, DutyProfile duty) {
        List<FleetDocument.AxleEntry> axles = new ArrayList<>();
        List<JsonPart> parts = vehicle.parts("axles", true);
        if (vehicle.has("axles") && (parts.isEmpty() || parts.size() > Position.MOST_AXLES)) {
            vehicle.fault("axles", "A vehicle has 1 to 12 axles, here are " + parts.size() + ".");
        }
        for (JsonPart part : parts) {
            if (!part.isObjectOf(
                    "role", "wheels", "liftable", "coldPressureKpa", "ballasted", "automaticInflation", "limits")) {
                axles.add(new FleetDocument.AxleEntry(null, null, false, 0, null, null, null));
                continue;
            }
            AxleRole role = part.choice("role", true, AxleRole.class);
            WheelArrangement wheels = part.choice("wheels", true, WheelArrangement.class);
            Double cold =
                    part.number("coldPressureKpa", true, AxleLimits.LOWEST_TARGET_KPA, AxleLimits.HIGHEST_TARGET_KPA);
            boolean isTwin = wheels != null && wheels.tyresPerSide() == 2;
            FleetDocument.LimitsEntry limits = limits(part, cold, duty.over(LimitPolicy.DEFAULT, isTwin));
            axles.add(new FleetDocument.AxleEntry(
                    role,
                    wheels,
                    part.flag("liftable", false),
                    cold == null ? 0 : cold,
                    part.flag("ballasted", false),
                    part.flag("automaticInflation", false),
                    limits));
        }
        return axles;
    }

    private FleetDocument.LimitsEntry limits(JsonPart axle, Double coldKpa, LimitPolicy inherited) {
        int before = faults.size();
        JsonPart part = axle.part("limits");
        FleetDocument.LimitsEntry limits = null;
        if (part != null
                && part.isObjectOf(
                        "basis", "lowPct", "lowCriticalPct", "highPct", "temperatureC", "temperatureCriticalC")) {
            limits = new FleetDocument.LimitsEntry(
                    part.choice("basis", false, Basis.class),
                    part.number("lowPct", false, 0, 100),
                    part.number("lowCriticalPct", false, 0, 100),
                    part.number("highPct", false, 0, 200),
                    part.number("temperatureC", false, 30, 150),
                    part.number("temperatureCriticalC", false, 30, 150));
        }
        if (faults.size() > before || coldKpa == null) {
            return limits;
        }
        LimitOverrides overrides = limits == null ? LimitOverrides.NONE : limits.overrides();
        List<LimitFault> wrong = new ArrayList<>(overrides.faultsOver(inherited));
        if (wrong.isEmpty()) {
            wrong.addAll(AxleLimits.faults(coldKpa, overrides.over(inherited)));
        }
        for (LimitFault fault : wrong) {
            faults.add(new Refusal.Fault(
                    axle.path() + (fault.field().equals("coldPressureKpa") ? "." : ".limits.") + fault.field(),
                    fault.message()));
        }
        return limits;
    }

    private List<FleetDocument.SensorEntry> sensors(JsonPart vehicle, Optional<AxleLayout> layout) {
        List<FleetDocument.SensorEntry> sensors = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (JsonPart part : vehicle.parts("sensors", false)) {
            if (!part.isObjectOf("position", "code", "mount", "fittedAt")) {
                continue;
            }
            String position = position(part, layout);
            if (position != null && !taken.add(position)) {
                part.fault("position", "Two sensors are given for " + position + "; a wheel holds one.");
            }
            sensors.add(new FleetDocument.SensorEntry(
                    position, code(part), part.choice("mount", false, MountKind.class), fittedAt(part)));
        }
        return sensors;
    }

    private static String position(JsonPart part, Optional<AxleLayout> layout) {
        String code = part.text("position", true, 10);
        if (code == null) {
            return null;
        }
        Optional<Position> position = Position.find(code);
        if (position.isEmpty()) {
            part.fault(
                    "position", "\"" + code + "\" is no position; write axle, side and place, such as 1L, 2RO or S1.");
        } else if (layout.isPresent() && !layout.get().has(position.get())) {
            part.fault(
                    "position",
                    "This vehicle has no wheel at " + code + "; it has "
                            + layout.get().positions() + ".");
        }
        return code;
    }

    private String code(JsonPart part) {
        String text = part.text("code", true, 40);
        if (text == null) {
            return null;
        }
        String code = text.toUpperCase(Locale.ROOT);
        if (!CODE.matcher(code).matches()) {
            part.fault("code", "\"" + text + "\" is no sensor code; it has 6 to 8 hex digits, 0–9 and A–F.");
            return null;
        }
        String other = pathByCode.putIfAbsent(code, part.path());
        if (other != null) {
            part.fault(
                    "code", "The sensor " + code + " is given at " + other + " too; it sits in one place at a time.");
        }
        return code;
    }

    private Instant fittedAt(JsonPart part) {
        String text = part.text("fittedAt", false, 40);
        if (text == null) {
            return null;
        }
        try {
            Instant at = OffsetDateTime.parse(text).toInstant();
            if (at.isAfter(latest)) {
                part.fault("fittedAt", text + " is in the future.");
            }
            if (at.isBefore(Instant.EPOCH)) {
                part.fault("fittedAt", text + " is before 1970.");
            }
            return at;
        } catch (DateTimeException e) {
            part.fault("fittedAt", "\"" + text + "\" is no time; write it like 2026-01-03T09:00:00Z.");
            return null;
        }
    }
}
