package vividcaravan.server.logbook;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** An entry as it is stored. */
@Entity
@Table(name = "logbook")
public class LogbookRow {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final TypeReference<List<Difference>> DIFFERENCES = new TypeReference<>() {};

    @Id
    long number;

    long at;

    @Enumerated(EnumType.STRING)
    Author.Kind authorKind;

    String author;
    String authorName;

    @Enumerated(EnumType.STRING)
    DeedKind kind;

    @Enumerated(EnumType.STRING)
    Thing.Kind thingKind;

    String thing;
    String thingName;

    /** As the chain has them, parted by commas; null for none. */
    @Nullable
    String places;

    String words;

    /** As JSON; null for none. */
    @Nullable
    String differences;

    @Nullable
    String why;

    byte[] hash;

    static LogbookRow of(LogbookEntry entry) {
        LogbookRow row = new LogbookRow();
        Deed deed = entry.deed();
        row.number = entry.number();
        row.at = entry.at().toEpochMilli();
        row.authorKind = entry.author().kind();
        row.author = entry.author().id();
        row.authorName = entry.author().name();
        row.kind = deed.kind();
        row.thingKind = deed.thing().kind();
        row.thing = deed.thing().id();
        row.thingName = deed.thing().name();
        row.places = deed.at().isEmpty()
                ? null
                : deed.at().stream().map(Deed.Place::toString).collect(Collectors.joining(","));
        row.words = deed.words();
        row.differences = deed.differences().isEmpty() ? null : JSON.writeValueAsString(deed.differences());
        row.why = deed.why();
        row.hash = HexFormat.of().parseHex(entry.hash());
        return row;
    }

    /** The row that {@code results} stands at, with every column of the table. */
    public static LogbookRow of(ResultSet results) throws SQLException {
        LogbookRow row = new LogbookRow();
        row.number = results.getLong("number");
        row.at = results.getLong("at");
        row.authorKind = Author.Kind.valueOf(results.getString("author_kind"));
        row.author = results.getString("author");
        row.authorName = results.getString("author_name");
        row.kind = DeedKind.valueOf(results.getString("kind"));
        row.thingKind = Thing.Kind.valueOf(results.getString("thing_kind"));
        row.thing = results.getString("thing");
        row.thingName = results.getString("thing_name");
        row.places = results.getString("places");
        row.words = results.getString("words");
        row.differences = results.getString("differences");
        row.why = results.getString("why");
        row.hash = results.getBytes("hash");
        return row;
    }

    /** Its number. */
    public long number() {
        return number;
    }

    /** The hash that is stored with it. */
    public String hash() {
        return HexFormat.of().formatHex(hash);
    }

    /**
     * The entry, following on one of this hash.
     *
     * @throws RuntimeException if what is stored makes no sense
     */
    public LogbookEntry entry(String previous) {
        Deed deed = new Deed(
                kind,
                new Thing(thingKind, thing, thingName),
                places(),
                words,
                differences == null ? List.of() : JSON.readValue(differences, DIFFERENCES),
                why);
        return new LogbookEntry(
                number, Instant.ofEpochMilli(at), new Author(authorKind, author, authorName), deed, previous, hash());
    }

    private TreeSet<Deed.Place> places() {
        return places == null
                ? new TreeSet<>()
                : Arrays.stream(places.split(","))
                        .map(LogbookRow::place)
                        .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Deed.Place place(String stored) {
        int space = stored.indexOf(' ');
        return space < 0
                ? new Deed.Place(Long.parseLong(stored), "")
                : new Deed.Place(Long.parseLong(stored.substring(0, space)), stored.substring(space + 1));
    }
}
