package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.tyres.Tyre;

@Entity
@Table(name = "tyre")
public class TyreRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "tyre_seq")
    @SequenceGenerator(name = "tyre_seq", sequenceName = "tyre_seq", allocationSize = 50)
    public Long id;

    public String maker;
    public String pattern;
    public String size;
    public Integer loadIndex;
    public String speedSymbol;
    public String dateCode;
    public Boolean isRetread;
    public Boolean isDirectional;
    public String note;
    /** When it was taken off marked as run soft; null where it is not, or sits at a wheel, whose alert says so. */
    public Instant markedAt;

    public String markedWords;

    /** The kind of the alert that told of it; null where it was marked before that was kept. */
    @Enumerated(EnumType.STRING)
    public AlertKind markedKind;

    /** Who saw it; null where readings told of it. */
    public String markedSeenBy;

    public Instant addedAt;
    /** Null where the product took for granted that it is there. */
    public String addedBy;

    public Tyre tyre() {
        return new Tyre(maker, pattern, size, loadIndex, speedSymbol, dateCode, isRetread, isDirectional);
    }

    /** Marks it, beside what it is marked with. */
    public void mark(Alert alert, String why, Instant now) {
        boolean isFirst = markedAt == null;
        markedAt = isFirst ? now : markedAt;
        markedWords = isFirst || markedWords == null
                ? why
                : markedWords.contains(why) ? markedWords : markedWords + " " + why;
        markedKind = isFirst || alert.isRunSoft() ? alert.kind() : markedKind;
        markedSeenBy = alert.lastSeenBy().orElse(markedSeenBy);
    }

    /** Takes its mark away. */
    public void unmark() {
        markedAt = null;
        markedWords = null;
        markedKind = null;
        markedSeenBy = null;
    }

    /** Takes on what is known of it. */
    public void describe(Tyre tyre) {
        maker = tyre.maker();
        pattern = tyre.pattern();
        size = tyre.size();
        loadIndex = tyre.loadIndex();
        speedSymbol = tyre.speedSymbol();
        dateCode = tyre.dateCode();
        isRetread = tyre.isRetread();
        isDirectional = tyre.isDirectional();
    }
}
