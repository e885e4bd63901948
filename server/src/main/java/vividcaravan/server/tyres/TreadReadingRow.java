package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "tread_reading")
public class TreadReadingRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "tread_reading_seq")
    @SequenceGenerator(name = "tread_reading_seq", sequenceName = "tread_reading_seq", allocationSize = 1)
    public Long id;

    public long tyreId;
    public Instant readAt;
    public double shallowestMm;
    /** The points that were measured, mm, divided by blanks. */
    public String points;
    /** How far the vehicle had run, km, or null. */
    public Double km;

    public String who;
}
