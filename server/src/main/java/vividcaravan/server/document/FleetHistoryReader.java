package vividcaravan.server.document;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;

/** Reads the past that a fleet document tells of, and finds every fault in it. */
final class FleetHistoryReader {

    private static final Pattern CODE = Pattern.compile("[0-9A-F]{6,8}");
    private static final Pattern POINTS = Pattern.compile("\\d{1,2}(\\.\\d{1,3})?( \\d{1,2}(\\.\\d{1,3})?){0,19}");
    private static final Pattern DATE_CODE = Pattern.compile("\\d{4}");
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_WORDS = 500;
    /** Several troubles may be named in one mark. */
    private static final int LONGEST_MARK = 2_000;

    private static final Duration LONGEST_AHEAD = Duration.ofDays(3_650);
    /** Behind the name of somebody who acted in the product that a past comes from. */
    static final String IMPORTED = ", imported";

    private static final double DEEPEST_MM = 80;
    private static final double MOST_KM = 10_000_000;
    private static final double MOST_NM = 3_000;
    private static final double MOST_KPA = 2_000;

    private final Instant latest;
    private final Map<String, FleetDocument.VehicleEntry> vehicles = new HashMap<>();
    private final Set<String> sensors = new HashSet<>();
    private final Set<String> tyres = new HashSet<>();
    private final Map<String, List<Span>> spans = new LinkedHashMap<>();

    /** A time for which something is taken: a wheel, a sensor, a tyre, a trailer. */
    private record Span(JsonPart part, Instant from, Instant to) {}

    /**
     * @param latest no time of it is later
     * @param document the vehicles that it may name
     */
    FleetHistoryReader(Instant latest, List<FleetDocument.VehicleEntry> document) {
        this.latest = latest;
        document.stream().filter(entry -> entry.ref() != null).forEach(entry -> vehicles.put(entry.ref(), entry));
    }

    /** The past; only to be used if no fault was found. */
    @Nullable
    FleetHistory read(JsonPart part) {
        if (!part.isObjectOf("sensors", "tyres", "moves", "couplings", "adjustments")) {
            return null;
        }
        List<FleetHistory.SensorPast> pastSensors =
                part.parts("sensors", false).stream().map(this::sensor).toList();
        List<FleetHistory.TyrePast> pastTyres =
                part.parts("tyres", false).stream().map(this::tyre).toList();
        List<FleetHistory.MovePast> moves =
                part.parts("moves", false).stream().map(this::move).toList();
        List<FleetHistory.CouplingPast> couplings =
                part.parts("couplings", false).stream().map(this::coupling).toList();
        List<FleetHistory.Adjusted> adjustments =
                part.parts("adjustments", false).stream().map(this::adjusted).toList();
        spans.forEach(FleetHistoryReader::refuseOverlaps);
        refuseUnlikeDocument(part, pastSensors);
        return new FleetHistory(pastSensors, pastTyres, moves, couplings, adjustments);
    }

    private void take(String what, JsonPart part, @Nullable Instant from, @Nullable Instant to) {
        spans.computeIfAbsent(what, key -> new ArrayList<>())
                .add(new Span(part, from == null ? Instant.EPOCH : from, to == null ? Instant.MAX : to));
    }

    private static void refuseOverlaps(String what, List<Span> taken) {
        taken.sort(Comparator.comparing(Span::from));
        for (int i = 1; i < taken.size(); i++) {
            Span before = taken.get(i - 1);
            Span span = taken.get(i);
            if (span.from().isBefore(before.to())) {
                span.part()
                        .fault("At one time " + what + " is here and at "
                                + before.part().path() + "; one of both times is wrong.");
            }
        }
    }

    /** Where a sensor sits now is told twice, and must be the same. */
    private void refuseUnlikeDocument(JsonPart part, List<FleetHistory.SensorPast> past) {
        Map<String, String> now = new HashMap<>();
        vehicles.values().forEach(entry -> {
            if (entry.sensors() != null) {
                entry.sensors().forEach(one -> now.put(one.code(), entry.ref() + " " + one.position()));
            }
        });
        for (FleetHistory.SensorPast sensor : past) {
            if (sensor == null) {
                continue;
            }
            String open = sensor.stays().stream()
                    .filter(stay -> stay != null && stay.to() == null)
                    .map(stay -> stay.vehicle() + " " + stay.position())
                    .findFirst()
                    .orElse(null);
            String said = now.remove(sensor.code());
            if (open == null ? said != null : !open.equals(said)) {
                part.fault(
                        "sensors",
                        "The sensor " + sensor.code() + " is " + (said == null ? "at no wheel" : "at " + said)
                                + " by its vehicle, and " + (open == null ? "at no wheel" : "at " + open)
                                + " by its past.");
            }
        }
        now.forEach((code, where) ->
                part.fault("sensors", "The sensor " + code + " is at " + where + " and has no past; name it here."));
    }

    private FleetHistory.@Nullable SensorPast sensor(JsonPart part) {
        if (!part.isObjectOf("code", "mount", "retiredBecause", "stays")) {
            return null;
        }
        String code = code(part, "code", true);
        if (code != null && !sensors.add(code)) {
            part.fault("code", "The sensor " + code + " is told of twice.");
        }
        List<FleetHistory.SensorStay> stays = new ArrayList<>();
        for (JsonPart one : part.parts("stays", false)) {
            if (!one.isObjectOf("vehicle", "position", "from", "to")) {
                continue;
            }
            String vehicle = vehicle(one, "vehicle");
            String position = position(one);
            Instant from = time(one, "from", true);
            Instant to = end(one, from);
            if (vehicle != null && position != null && from != null) {
                take("the sensor " + code, one, from, to);
                take("a sensor at " + vehicle + " " + position, one, from, to);
                stays.add(new FleetHistory.SensorStay(vehicle, position, from, to));
            }
        }
        return new FleetHistory.SensorPast(
                code,
                part.choice("mount", false, MountKind.class),
                part.text("retiredBecause", false, LONGEST_NAME),
                stays);
    }

    private FleetHistory.@Nullable TyrePast tyre(JsonPart part) {
        if (!part.isObjectOf(
                "id",
                "maker",
                "pattern",
                "size",
                "loadIndex",
                "speedSymbol",
                "dateCode",
                "retread",
                "directional",
                "note",
                "markedAt",
                "markedBecause",
                "markedKind",
                "markedSeenBy",
                "trouble",
                "addedAt",
                "addedBy",
                "stays",
                "treads",
                "repairs")) {
            return null;
        }
        String id = part.text("id", true, 40);
        if (id != null && !tyres.add(id)) {
            part.fault("id", "The tyre \"" + id + "\" is told of twice.");
        }
        String dateCode = part.text("dateCode", false, 4);
        if (dateCode != null && !DATE_CODE.matcher(dateCode).matches()) {
            part.fault("dateCode", "A date code has four digits, week and year.");
        }
        return new FleetHistory.TyrePast(
                id,
                part.text("maker", false, 60),
                part.text("pattern", false, 60),
                part.text("size", false, 40),
                part.has("loadIndex") ? part.whole("loadIndex", 60, 60, 210) : null,
                part.text("speedSymbol", false, 2),
                dateCode,
                part.has("retread") ? part.flag("retread", false) : null,
                part.has("directional") ? part.flag("directional", false) : null,
                part.text("note", false, LONGEST_WORDS),
                time(part, "markedAt", false),
                part.text("markedBecause", false, LONGEST_MARK),
                part.choice("markedKind", false, AlertKind.class),
                who(part, "markedSeenBy", false),
                part.has("trouble")
                        ? part.parts("trouble", false).stream()
                                .map(this::trouble)
                                .toList()
                        : null,
                time(part, "addedAt", true),
                who(part, "addedBy", false),
                part.parts("stays", true).stream().map(one -> tyreStay(one, id)).toList(),
                part.parts("treads", false).stream().map(this::tread).toList(),
                part.parts("repairs", false).stream().map(this::repair).toList());
    }

    private FleetHistory.@Nullable TroublePast trouble(JsonPart part) {
        if (!part.isObjectOf("kind", "urgency", "runSoft", "since", "seenBy", "words")) {
            return null;
        }
        AlertKind kind = part.choice("kind", true, AlertKind.class);
        boolean isOfTyre = kind == null || kind.family() == AlertFamily.TYRE || kind.family() == AlertFamily.SEEN;
        if (!isOfTyre) {
            part.fault("kind", kind + " is no trouble of a tyre; leave it out.");
        }
        return new FleetHistory.TroublePast(
                kind,
                part.choice("urgency", true, Urgency.class),
                part.flag("runSoft", false) ? true : null,
                time(part, "since", true),
                who(part, "seenBy", false),
                part.text("words", true, LONGEST_WORDS));
    }

    private FleetHistory.@Nullable TyreStayPast tyreStay(JsonPart part, @Nullable String tyre) {
        if (!part.isObjectOf("place", "sensor", "from", "to")) {
            return null;
        }
        FleetHistory.Place place = place(part, "place");
        String sensor = code(part, "sensor", false);
        Instant from = time(part, "from", false);
        Instant to = end(part, from);
        take("the tyre " + tyre, part, from, to);
        if (place != null && place.vehicle() != null) {
            if (to == null) {
                refuseIfGone(part, place.vehicle(), place.position(), "A tyre stands there still");
            }
            take("a tyre at " + place.vehicle() + " " + place.position(), part, from, to);
            if (sensor != null) {
                part.fault("sensor", "A sensor inside is named only while the tyre is off every vehicle.");
            }
        } else if (sensor != null) {
            if (!sensors.contains(sensor)) {
                part.fault("sensor", "The sensor " + sensor + " is not told of above.");
            }
            take("the sensor " + sensor, part, from, to);
        }
        return new FleetHistory.TyreStayPast(place, sensor, from, to);
    }

    private FleetHistory.@Nullable Tread tread(JsonPart part) {
        if (!part.isObjectOf("at", "shallowestMm", "pointsMm", "km", "who")) {
            return null;
        }
        String points = part.text("pointsMm", true, LONGEST_NAME);
        if (points != null && !POINTS.matcher(points).matches()) {
            part.fault("pointsMm", "Write 1 to 20 depths in mm divided by blanks, such as \"9.1 8.8\".");
        }
        Double shallowest = part.number("shallowestMm", true, 0, DEEPEST_MM);
        return new FleetHistory.Tread(
                time(part, "at", true),
                shallowest == null ? 0 : shallowest,
                points,
                part.number("km", false, 0, MOST_KM),
                who(part, "who", true));
    }

    private FleetHistory.@Nullable Repair repair(JsonPart part) {
        return part.isObjectOf("at", "what", "repairer", "who")
                ? new FleetHistory.Repair(
                        time(part, "at", true),
                        part.text("what", true, LONGEST_WORDS),
                        part.text("repairer", true, 100),
                        who(part, "who", true))
                : null;
    }

    private FleetHistory.@Nullable MovePast move(JsonPart part) {
        if (!part.isObjectOf("at", "madeAt", "madeBy", "note", "undoneAt", "undoneBy", "steps", "nuts", "distances")) {
            return null;
        }
        return new FleetHistory.MovePast(
                time(part, "at", true),
                time(part, "madeAt", true),
                who(part, "madeBy", true),
                part.text("note", false, LONGEST_WORDS),
                time(part, "undoneAt", false),
                who(part, "undoneBy", false),
                part.parts("steps", true).stream().map(this::step).toList(),
                part.parts("nuts", false).stream().map(this::nuts).toList(),
                part.has("distances")
                        ? part.parts("distances", false).stream()
                                .map(this::distance)
                                .toList()
                        : null);
    }

    private FleetHistory.@Nullable Distance distance(JsonPart part) {
        if (!part.isObjectOf("vehicle", "km")) {
            return null;
        }
        Double km = part.number("km", true, 0, MOST_KM);
        return new FleetHistory.Distance(vehicle(part, "vehicle"), km == null ? 0 : km);
    }

    private FleetHistory.@Nullable Step step(JsonPart part) {
        if (!part.isObjectOf("tyre", "from", "to", "sensor", "fate", "reason")) {
            return null;
        }
        String tyre = part.text("tyre", true, 40);
        if (tyre != null && !tyres.contains(tyre)) {
            part.fault("tyre", "The tyre \"" + tyre + "\" is not told of above.");
        }
        String sensor = code(part, "sensor", false);
        if (sensor != null && !sensors.contains(sensor)) {
            part.fault("sensor", "The sensor " + sensor + " is not told of above.");
        }
        return new FleetHistory.Step(
                tyre,
                place(part, "from"),
                place(part, "to"),
                sensor,
                part.choice("fate", true, SensorFate.class),
                part.choice("reason", false, RemovalReason.class));
    }

    private FleetHistory.@Nullable Nuts nuts(JsonPart part) {
        if (!part.isObjectOf(
                "vehicle", "position", "offAt", "dueAt", "km", "doneAt", "doneBy", "torqueNm", "dropped")) {
            return null;
        }
        FleetHistory.Nuts nuts = new FleetHistory.Nuts(
                vehicle(part, "vehicle"),
                position(part),
                time(part, "offAt", true),
                due(part),
                part.whole("km", 0, 0, 100_000),
                time(part, "doneAt", false),
                who(part, "doneBy", false),
                part.number("torqueNm", false, 0, MOST_NM),
                part.flag("dropped", false) ? true : null);
        if (nuts.doneAt() == null && nuts.dropped() == null) {
            refuseIfGone(part, nuts.vehicle(), nuts.position(), "Its nuts are due still");
        }
        return nuts;
    }

    private FleetHistory.@Nullable CouplingPast coupling(JsonPart part) {
        if (!part.isObjectOf("pulled", "puller", "from", "to", "source", "begunBy", "endedSource", "endedBy")) {
            return null;
        }
        String pulled = vehicle(part, "pulled");
        String puller = vehicle(part, "puller");
        Instant from = time(part, "from", true);
        Instant to = end(part, from);
        if (pulled != null && puller != null && from != null) {
            if (pulled.equals(puller)) {
                part.fault("puller", "A vehicle cannot hang behind itself.");
            }
            boolean isPulled = vehicles.get(pulled).kind() == null
                    || vehicles.get(pulled).kind().isPulled();
            if (!isPulled) {
                part.fault("pulled", "\"" + pulled + "\" is no trailer; it hangs behind nothing.");
            }
            take("\"" + pulled + "\" hanging behind another", part, from, to);
            take("\"" + puller + "\" pulling another", part, from, to);
        }
        return new FleetHistory.CouplingPast(
                pulled,
                puller,
                from,
                to,
                part.choice("source", true, Coupling.Source.class),
                who(part, "begunBy", false),
                part.choice("endedSource", false, Coupling.Source.class),
                who(part, "endedBy", false));
    }

    private FleetHistory.@Nullable Adjusted adjusted(JsonPart part) {
        return part.isObjectOf("vehicle", "position", "at", "beforeKpa", "afterKpa", "who", "note")
                ? new FleetHistory.Adjusted(
                        vehicle(part, "vehicle"),
                        position(part),
                        time(part, "at", true),
                        part.number("beforeKpa", false, 0, MOST_KPA),
                        part.number("afterKpa", false, 0, MOST_KPA),
                        who(part, "who", true),
                        part.text("note", false, 1_000))
                : null;
    }

    private FleetHistory.@Nullable Place place(JsonPart parent, String name) {
        JsonPart part = parent.part(name);
        if (part == null) {
            parent.fault(name, "\"" + name + "\" is missing.");
            return null;
        }
        if (!part.isObjectOf("vehicle", "position", "kind", "name")) {
            return null;
        }
        if (!part.has("kind")) {
            return new FleetHistory.Place(vehicle(part, "vehicle"), position(part), null, null);
        }
        if (part.has("vehicle") || part.has("position")) {
            part.fault("A place is a wheel or off every vehicle, one of both.");
        }
        return new FleetHistory.Place(
                null, null, part.choice("kind", true, TyrePlace.Kind.class), part.text("name", false, 100));
    }

    /** What lasts is at a wheel that the vehicle has. */
    private void refuseIfGone(JsonPart part, @Nullable String ref, @Nullable String code, String why) {
        FleetDocument.VehicleEntry entry = ref == null ? null : vehicles.get(ref);
        Position position = code == null ? null : Position.find(code).orElse(null);
        if (entry != null
                && position != null
                && layout(entry).filter(one -> !one.has(position)).isPresent()) {
            part.fault(
                    "position",
                    why + ", and \"" + ref + "\" has no wheel " + code + ". Say when it ended, or name another wheel.");
        }
    }

    /** How a vehicle is described; empty where that has faults of its own. */
    private static Optional<AxleLayout> layout(FleetDocument.VehicleEntry entry) {
        boolean isSound = entry.axles() != null
                && !entry.axles().isEmpty()
                && entry.axles().size() <= Position.MOST_AXLES
                && entry.spares() >= 0
                && entry.spares() <= Position.MOST_SPARES
                && entry.axles().stream()
                        .allMatch(axle -> axle != null && axle.role() != null && axle.wheels() != null);
        return isSound
                ? Optional.of(new AxleLayout(
                        entry.axles().stream()
                                .map(axle -> new Axle(axle.role(), axle.wheels(), axle.liftable()))
                                .toList(),
                        entry.spares()))
                : Optional.empty();
    }

    /** A name of another product stands for nobody of this one. */
    private static @Nullable String who(JsonPart part, String name, boolean isRequired) {
        String who = part.text(name, isRequired, LONGEST_NAME - IMPORTED.length());
        return who == null ? null : who + IMPORTED;
    }

    private @Nullable String vehicle(JsonPart part, String name) {
        String ref = part.text(name, true, 60);
        if (ref != null && !vehicles.containsKey(ref)) {
            part.fault(name, "The vehicle \"" + ref + "\" is not in this document.");
            return null;
        }
        return ref;
    }

    /** Wheels of earlier days need not be there any more. */
    private static @Nullable String position(JsonPart part) {
        String code = part.text("position", true, 10);
        if (code != null && Position.find(code).isEmpty()) {
            part.fault(
                    "position", "\"" + code + "\" is no position; write axle, side and place, such as 1L, 2RO or S1.");
            return null;
        }
        return code;
    }

    private static @Nullable String code(JsonPart part, String name, boolean isRequired) {
        String text = part.text(name, isRequired, 40);
        String code = text == null ? null : text.toUpperCase(Locale.ROOT);
        if (code != null && !CODE.matcher(code).matches()) {
            part.fault(name, "\"" + text + "\" is no sensor code; it has 6 to 8 hex digits, 0–9 and A–F.");
            return null;
        }
        return code;
    }

    private @Nullable Instant time(JsonPart part, String name, boolean isRequired) {
        Instant at = part.time(name, isRequired);
        if (at != null && at.isAfter(latest)) {
            part.fault(name, at + " is in the future.");
        }
        return at;
    }

    /** What is due may lie ahead, but not for ever. */
    private @Nullable Instant due(JsonPart part) {
        Instant due = part.time("dueAt", true);
        if (due != null && due.isAfter(latest.plus(LONGEST_AHEAD))) {
            part.fault("dueAt", "It is due within ten years.");
        }
        return due;
    }

    private @Nullable Instant end(JsonPart part, @Nullable Instant from) {
        Instant to = time(part, "to", false);
        if (to != null && !to.isAfter(from == null ? Instant.EPOCH : from)) {
            part.fault("to", "It ends before it begins.");
        }
        return to;
    }
}
