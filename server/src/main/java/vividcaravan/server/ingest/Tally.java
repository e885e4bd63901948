package vividcaravan.server.ingest;

/** What became of some readings that were well formed. */
record Tally(long accepted, long duplicates, long unknownSensors) {

    static final Tally NONE = new Tally(0, 0, 0);

    Tally plus(Tally other) {
        return new Tally(
                accepted + other.accepted, duplicates + other.duplicates, unknownSensors + other.unknownSensors);
    }
}
