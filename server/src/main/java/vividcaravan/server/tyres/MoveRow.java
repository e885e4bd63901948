package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "wheel_move")
public class MoveRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "wheel_move_seq")
    @SequenceGenerator(name = "wheel_move_seq", sequenceName = "wheel_move_seq", allocationSize = 1)
    public Long id;

    public long movedAt;
    public Instant madeAt;
    public String madeBy;
    public String note;
    /** The alert with which it was said that the tyre was scrapped or changed; null for a move by itself. */
    public Long alertId;

    public Instant undoneAt;
    public String undoneBy;
}
