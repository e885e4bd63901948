package vividcaravan.server.workshop.job;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

@Entity
@Table(name = "job_entry")
class JobEntryRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "job_entry_seq")
    @SequenceGenerator(name = "job_entry_seq", sequenceName = "job_entry_seq", allocationSize = 1)
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
