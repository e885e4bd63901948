package vividcaravan.server.drivers;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "alert_photo")
class PhotoRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "alert_photo_seq")
    @SequenceGenerator(name = "alert_photo_seq", sequenceName = "alert_photo_seq", allocationSize = 1)
    Long id;

    long alertId;
    /** From 1 for each alert, as its record names it. */
    int number;

    String takenBy;
    Instant takenAt;
    byte[] jpeg;
}
