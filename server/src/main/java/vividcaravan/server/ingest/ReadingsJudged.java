package vividcaravan.server.ingest;

import java.util.Set;
import vividcaravan.core.axles.Position;

/** Readings of these wheels were judged, and that is on disk. */
public record ReadingsJudged(Set<Wheel> wheels) {

    /** A wheel of a vehicle. */
    public record Wheel(long vehicle, Position position) {}
}
