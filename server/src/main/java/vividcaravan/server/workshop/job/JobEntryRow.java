package vividcaravan.server.workshop.job;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "job_entry")
class JobEntryRow {
    @Id
    long id;

    long jobId;
    int number;
    String entryKey;

    @Enumerated(EnumType.STRING)
    EntryKind kind;

    String position;
    long at;
    String who;
    String payload;
}
