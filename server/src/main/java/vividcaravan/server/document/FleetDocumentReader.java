package vividcaravan.server.document;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.platform.Faults;

/** Reads a fleet document and finds every fault that can be seen without knowing the present fleet. */
final class FleetDocumentReader {

    private final Faults faults;
    private final VehicleEntryReader vehicles;
    private final Instant latest;

    /**
     * @param faults where faults are collected
     * @param latest the latest time that a fitting may have
     * @param book what the fleet holds to
     */
    FleetDocumentReader(Faults faults, Instant latest, LimitBook book) {
        this.faults = faults;
        this.latest = latest;
        this.vehicles = new VehicleEntryReader(faults, latest, book);
    }

    /** The document; only to be used if no fault was found. */
    FleetDocument read(JsonNode json) {
        JsonPart root = JsonPart.root(json, faults);
        if (!root.isObjectOf("format", "version", "onExisting", "depots", "vehicles", "history")) {
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
        List<FleetDocument.DepotEntry> depots = depots(root);
        List<FleetDocument.VehicleEntry> entries = vehicles.readAll(root);
        JsonPart past = root.part("history");
        FleetHistory history = past == null ? null : new FleetHistoryReader(latest, entries).read(past);
        return new FleetDocument(format, FleetDocument.VERSION, onExisting, depots, entries, history);
    }

    private List<FleetDocument.DepotEntry> depots(JsonPart root) {
        List<FleetDocument.DepotEntry> depots = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (JsonPart part : root.parts("depots", false)) {
            if (!part.isObjectOf("name", "timeZone", "altitudeM", "phone")) {
                continue;
            }
            String name = part.text("name", true, 120);
            String zone = part.text("timeZone", false, 60);
            if (zone != null && DepotDescription.zone(zone).isEmpty()) {
                part.fault("timeZone", "\"" + zone + "\" is no time zone; write one such as Europe/Dublin or UTC.");
            }
            String phone = part.text("phone", false, 40);
            if (phone != null && !DepotDescription.isPhone(phone)) {
                part.fault("phone", "\"" + phone + "\" is no telephone number; write it like +353 1 555 0100.");
            }
            if (name != null && !names.add(name)) {
                part.fault("name", "The depot \"" + name + "\" stands in this document twice.");
            }
            depots.add(new FleetDocument.DepotEntry(
                    name,
                    zone,
                    part.number("altitudeM", false, DepotDescription.LOWEST_M, DepotDescription.HIGHEST_M),
                    phone));
        }
        return depots;
    }
}
