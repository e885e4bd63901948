package vividcaravan.server.tyres;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.tyres.Tyre;

@Entity
@Table(name = "tyre")
public class TyreRow {

    /** More than a tyre can have; what comes after says nothing that matters. */
    private static final int MOST_MARKS = 12;

    private static final int LONGEST_WORDS = 2_000;

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

    /** Each trouble by itself, the oldest first; null where it was marked before that was kept. */
    @Convert(converter = TyreMark.AsText.class)
    @Column(name = "marks")
    public List<TyreMark> marks;

    public Instant addedAt;
    /** Null where the product took for granted that it is there. */
    public String addedBy;

    public Tyre tyre() {
        return new Tyre(maker, pattern, size, loadIndex, speedSymbol, dateCode, isRetread, isDirectional);
    }

    /** Each trouble by itself, the oldest first; empty where nothing marks it. */
    public List<TyreMark> troubles() {
        if (markedAt == null) {
            return List.of();
        }
        if (marks != null && !marks.isEmpty()) {
            return marks;
        }
        AlertKind kind = markedKind == null ? AlertKind.UNDER_PRESSURE : markedKind;
        String words = markedWords == null ? "It is marked." : markedWords;
        return List.of(new TyreMark(1, kind, markedKind == null, markedAt, markedSeenBy, words));
    }

    /** Marks it, beside what it is marked with. */
    public void mark(Alert alert, String why, Instant now) {
        List<TyreMark> known = troubles();
        if (known.size() < MOST_MARKS
                && known.stream().noneMatch(mark -> mark.words().equals(why))) {
            int number = known.stream().mapToInt(TyreMark::number).max().orElse(0) + 1;
            List<TyreMark> all = new ArrayList<>(known);
            all.add(new TyreMark(
                    number,
                    alert.kind(),
                    alert.isRunSoft(),
                    Instant.ofEpochMilli(alert.openedAt()),
                    alert.lastSeenBy().orElse(null),
                    why));
            markedWith(all, now);
        }
    }

    /**
     * Is marked with these and nothing else.
     *
     * @param now since when it is marked, if it was not before
     */
    public void markedWith(List<TyreMark> all, Instant now) {
        marks = List.copyOf(all);
        TyreMark worst = all.stream()
                .filter(TyreMark::isRunSoft)
                .findFirst()
                .or(() -> all.stream().findFirst())
                .orElse(null);
        markedAt = all.isEmpty() ? null : markedAt == null ? now : markedAt;
        String words = all.stream().map(TyreMark::words).collect(Collectors.joining(" "));
        markedWords = worst == null ? null : words.substring(0, Math.min(words.length(), LONGEST_WORDS));
        markedKind = worst == null ? null : worst.kind();
        markedSeenBy = all.stream()
                .map(TyreMark::seenBy)
                .filter(Objects::nonNull)
                .reduce((first, last) -> last)
                .orElse(null);
    }

    /** Takes its marks away. */
    public void unmark() {
        markedWith(List.of(), Instant.EPOCH);
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
