package vividcaravan.server.document;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
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
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitFault;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Texts;

/** Reads vehicles as a fleet document describes them, and finds every fault that can be seen without the present fleet. */
public final class VehicleEntryReader {

    /** Six to eight hex digits, compared in upper case, without padding. */
    private static final Pattern CODE = Pattern.compile("[0-9A-F]{6,8}");

    /** A ref is part of web addresses, and some characters are refused there even when they are encoded. */
    private static final Pattern ADDRESSABLE = Pattern.compile("(?!\\.+$)[^/\\\\;%]+");

    private static final int LONGEST_REF = 60;
    public static final int LONGEST_PLATE = 40;
    public static final int LONGEST_DEPOT = 120;

    private final Faults faults;
    private final Instant latest;
    private final LimitBook book;
    private final Map<String, String> pathByCode = new HashMap<>();

    public VehicleEntryReader(Faults faults, Instant latest, LimitBook book) {
        this.faults = faults;
        this.latest = latest;
        this.book = book;
    }

    /** One vehicle that is a document by itself; only to be used if no fault was found. */
    public FleetDocument.VehicleEntry read(JsonNode json) {
        return read(JsonPart.root(json, faults));
    }

    /** The vehicles of a fleet document; only to be used if no fault was found. */
    List<FleetDocument.VehicleEntry> readAll(JsonPart root) {
        List<FleetDocument.VehicleEntry> vehicles = new ArrayList<>();
        Set<String> refs = new HashSet<>();
        for (JsonPart part : root.parts("vehicles", false)) {
            FleetDocument.VehicleEntry vehicle = read(part);
            if (vehicle == null) {
                continue;
            }
            if (vehicle.ref() != null && !refs.add(vehicle.ref())) {
                part.fault("ref", "The vehicle \"" + vehicle.ref() + "\" stands in this document twice.");
            }
            vehicles.add(vehicle);
        }
        return vehicles;
    }

    private FleetDocument.VehicleEntry read(JsonPart part) {
        if (!part.isObjectOf("ref", "kind", "plate", "depot", "duty", "use", "state", "spares", "axles", "sensors")) {
            return null;
        }
        VehicleKind kind = part.choice("kind", true, VehicleKind.class);
        int spares = part.whole("spares", 0, 0, Position.MOST_SPARES);
        DutyProfile duty = part.choice("duty", false, DutyProfile.class);
        List<FleetDocument.AxleEntry> axles = axles(part, kind, duty == null ? DutyProfile.GENERAL : duty);
        return new FleetDocument.VehicleEntry(
                ref(part),
                kind,
                part.text("plate", false, LONGEST_PLATE),
                part.text("depot", false, LONGEST_DEPOT),
                duty,
                part.choice("use", false, VehicleUse.class),
                part.choice("state", false, VehicleState.class),
                spares,
                axles,
                sensors(part, layout(axles, spares)));
    }

    private static String ref(JsonPart part) {
        String ref = part.text("ref", true, LONGEST_REF);
        if (ref != null) {
            faultOfRef(ref).ifPresent(fault -> part.fault("ref", fault));
        }
        return ref;
    }

    /** What is wrong with a ref, if anything is. */
    public static Optional<String> faultOfRef(String ref) {
        if (ref.isBlank()) {
            return Optional.of("A ref has 1 to " + LONGEST_REF + " characters.");
        }
        Optional<String> wrong = Texts.fault(ref, LONGEST_REF, true);
        if (wrong.isPresent()) {
            return Optional.of("A ref " + wrong.get());
        }
        return ADDRESSABLE.matcher(ref).matches()
                ? Optional.empty()
                : Optional.of("\"" + ref + "\" cannot stand in an address; leave out / \\ ; and %.");
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

    private List<FleetDocument.AxleEntry> axles(JsonPart vehicle, VehicleKind kind, DutyProfile duty) {
        List<FleetDocument.AxleEntry> axles = new ArrayList<>();
        List<JsonPart> parts = vehicle.parts("axles", true);
        if (vehicle.has("axles") && (parts.isEmpty() || parts.size() > Position.MOST_AXLES)) {
            vehicle.fault("axles", "A vehicle has 1 to 12 axles, here are " + parts.size() + ".");
        }
        parts.forEach(part -> axles.add(axle(part, kind, duty)));
        return axles;
    }

    private FleetDocument.AxleEntry axle(JsonPart part, VehicleKind kind, DutyProfile duty) {
        int before = faults.size();
        boolean isObject = part.isObjectOf(
                "role",
                "wheels",
                "liftable",
                "coldPressureKpa",
                "fieldPressureKpa",
                "unladenPressureKpa",
                "liftUpPressureKpa",
                "duty",
                "tyreSize",
                "loadIndex",
                "maxPressureKpa",
                "rimInches",
                "dropCentreMm",
                "ballasted",
                "automaticInflation",
                "limits");
        if (!isObject) {
            return new FleetDocument.AxleEntry(
                    null, null, false, 0, null, null, null, null, null, null, null, null, null, null, null, null);
        }
        Double cold = target(part, "coldPressureKpa", true);
        Double loadIndex = part.number("loadIndex", false, 60, 210);
        FleetDocument.AxleEntry axle = new FleetDocument.AxleEntry(
                part.choice("role", true, AxleRole.class),
                part.choice("wheels", true, WheelArrangement.class),
                part.flag("liftable", false),
                cold == null ? 0 : cold,
                target(part, "fieldPressureKpa", false),
                target(part, "unladenPressureKpa", false),
                target(part, "liftUpPressureKpa", false),
                part.choice("duty", false, DutyProfile.class),
                part.text("tyreSize", false, 40),
                loadIndex == null ? null : (Integer) (int) Math.round(loadIndex),
                part.number("maxPressureKpa", false, 50, 1400),
                part.number("rimInches", false, 8, 60),
                part.number("dropCentreMm", false, 5, 300),
                part.flag("ballasted", false),
                part.flag("automaticInflation", false),
                limits(part.part("limits")));
        if (faults.size() == before && kind != null) {
            findFaults(part, axle, kind, duty);
        }
        return axle;
    }

    private static Double target(JsonPart axle, String name, boolean isRequired) {
        return axle.number(name, isRequired, AxleLimits.LOWEST_TARGET_KPA, AxleLimits.HIGHEST_TARGET_KPA);
    }

    private static @Nullable LimitOverrides limits(@Nullable JsonPart part) {
        if (part == null
                || !part.isObjectOf(
                        Arrays.stream(LimitName.values()).map(LimitName::field).toArray(String[]::new))) {
            return null;
        }
        LimitOverrides limits = LimitOverrides.NONE;
        for (LimitName name : LimitName.values()) {
            limits = limits.with(
                    name,
                    name == LimitName.BASIS
                            ? part.choice(name.field(), false, Basis.class)
                            : part.number(name.field(), false, name.least(), name.most()));
        }
        return limits;
    }

    /** Limits have to stand in every use of the vehicle, so those of the field are looked at too. */
    private void findFaults(JsonPart part, FleetDocument.AxleEntry axle, VehicleKind kind, DutyProfile ofVehicle) {
        DutyProfile own = axle.duty() == null ? ofVehicle : axle.duty();
        for (DutyProfile duty : axle.fieldPressureKpa() == null ? List.of(own) : List.of(own, DutyProfile.FARM_FIELD)) {
            LimitPolicy inherited =
                    book.inherited(new LimitBook.Inheritor(new LimitBook.Kin(kind, axle.role()), duty, axle.wheels()));
            List<LimitFault> wrong = new ArrayList<>(axle.overrides().faultsOver(inherited));
            if (wrong.isEmpty()) {
                wrong.addAll(axle.targets().faults(axle.overrides().over(inherited)));
            }
            for (LimitFault fault : wrong) {
                boolean isTarget = fault.field().endsWith("PressureKpa");
                part.fault((isTarget ? "" : "limits.") + fault.field(), fault.message());
            }
            if (!wrong.isEmpty()) {
                return;
            }
        }
        axle.targets().faults(axle.tyre()).forEach(fault -> part.fault(fault.field(), fault.message()));
    }

    private @Nullable List<FleetDocument.SensorEntry> sensors(JsonPart vehicle, Optional<AxleLayout> layout) {
        if (!vehicle.has("sensors")) {
            return null;
        }
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
        Instant at = part.time("fittedAt", false);
        if (at != null && at.isAfter(latest)) {
            part.fault("fittedAt", at + " is in the future.");
        }
        return at;
    }
}
