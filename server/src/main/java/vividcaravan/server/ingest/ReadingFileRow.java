package vividcaravan.server.ingest;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

/** A file of readings that is taken in, and how far it is. */
@Entity
@Table(name = "reading_file")
class ReadingFileRow {

    /** What becomes of a file. */
    enum State {
        WAITING,
        RUNNING,
        DONE,
        CANCELLED,
        FAILED;

        boolean isOpen() {
            return this == WAITING || this == RUNNING;
        }
    }

    enum Format {
        LINES,
        TABLE;

        /** How people count the reading at {@code index}: from 1, and a table's headings are its first row. */
        long row(long index) {
            return index + (this == TABLE ? 2 : 1);
        }
    }

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "reading_file_seq")
    @SequenceGenerator(name = "reading_file_seq", sequenceName = "reading_file_seq", allocationSize = 1)
    Long id;

    String name;

    @Enumerated(EnumType.STRING)
    Format format;

    /** Which column is which, as a JSON object; null for lines of JSON. */
    String mapping;

    /** What a table is written in. */
    String units;

    long bytes;

    @Enumerated(EnumType.STRING)
    State state;

    /** How often it was begun since a row of it was taken in. */
    int starts;

    long rowsDone;
    long bytesDone;
    long accepted;
    long duplicates;

    long unknownSensors;

    long rejected;
    /** The first rows that were not taken, a line each. */
    String faults;
    /** Why it failed. */
    String words;

    Instant begunAt;
    Instant endedAt;
    String who;
}
