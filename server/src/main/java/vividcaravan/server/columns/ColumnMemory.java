package vividcaravan.server.columns;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Pen;

/** Remembers which column is which, by the headings: the next table of the same make needs no choosing. */
@Component
public class ColumnMemory {

    private static final TypeReference<Map<String, String>> MAPPING = new TypeReference<>() {};

    private final SessionFactory sessions;
    private final JsonMapper json;
    private final Clock clock;

    ColumnMemory(SessionFactory sessions, JsonMapper json, Clock clock) {
        this.sessions = sessions;
        this.json = json;
        this.clock = clock;
    }

    /**
     * What the columns of a table are: as somebody says; else as the last time; else by what the headings mean.
     *
     * @param kind what the table is of
     * @param said a JSON object of headings by the names of fields, or null
     * @throws Refusal if what is said cannot be
     */
    public Columns of(String kind, List<Field> fields, List<String> headings, @Nullable String said) {
        if (said != null && !said.isBlank()) {
            return Columns.said(fields, headings, read(said));
        }
        try (StatelessSession session = sessions.openStatelessSession()) {
            ColumnMemoryRow row = session.get(ColumnMemoryRow.class, id(kind, headings));
            return row == null ? Columns.guessed(fields, headings) : Columns.said(fields, headings, read(row.mapping));
        }
    }

    private Map<String, String> read(String mapping) {
        try {
            Map<String, String> read = json.readValue(mapping, MAPPING);
            return read == null ? Map.of() : read;
        } catch (JacksonException e) {
            throw Refusal.badRequest(
                    "columns", "Say which column is which as an object, such as {\"sensor\": \"Code\"}.");
        }
    }

    /** The columns as text that {@link #of} takes. */
    public String text(Columns columns) {
        return json.writeValueAsString(columns.of());
    }

    /** Remembers it for the next table with the same headings. */
    public void remember(Pen pen, String kind, Columns columns) {
        ColumnMemoryRow row = new ColumnMemoryRow();
        row.id = id(kind, columns.headings());
        row.mapping = text(columns);
        row.usedAt = clock.instant();
        pen.session().upsert(row);
    }

    private static String id(String kind, List<String> headings) {
        try {
            byte[] sum = MessageDigest.getInstance("SHA-256")
                    .digest(String.join("\u0000", headings).getBytes(StandardCharsets.UTF_8));
            return kind + " " + HexFormat.of().formatHex(sum);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
