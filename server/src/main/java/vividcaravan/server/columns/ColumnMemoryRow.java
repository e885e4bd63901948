package vividcaravan.server.columns;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** Which column was which, the last time that a table with these headings was taken. */
@Entity
@Table(name = "column_memory")
class ColumnMemoryRow {
    /** What the table was of, and a sum of its headings. */
    @Id
    String id;

    /** Names of fields and headings as a JSON object. */
    String mapping;

    Instant usedAt;
}
