package vividcaravan.server.logbook;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.json.JsonMapper;

/**
 * The chain of the book: SHA-256 (FIPS 180-4) over an entry as JSON in the form of RFC 8785, without its own hash and with
 * that of the entry before. All values are texts, whole numbers or null, so that of RFC 8785 only the order of names, the
 * missing white space and the escapes matter, and anybody can compute it with an ordinary JSON writer. docs/logbook.md
 * shows how.
 */
public final class Chain {

    /** What stands before the first entry. */
    public static final String BEGINNING = "0".repeat(64);

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private Chain() {}

    /** An entry with its hash. */
    static LogbookEntry link(long number, Instant at, Author author, Deed deed, String previous) {
        return new LogbookEntry(number, at, author, deed, previous, hash(number, at, author, deed, previous));
    }

    /** The hash that an entry has to have. */
    static String hash(LogbookEntry entry) {
        return hash(entry.number(), entry.at(), entry.author(), entry.deed(), entry.previous());
    }

    private static String hash(long number, Instant at, Author author, Deed deed, String previous) {
        String canonical = JSON.writeValueAsString(form(number, at, author, deed, previous));
        return HexFormat.of().formatHex(sha256().digest(canonical.getBytes(StandardCharsets.UTF_8)));
    }

    /** An entry as it is handed out, with its hash. */
    public static Map<String, Object> form(LogbookEntry entry) {
        Map<String, Object> form = form(entry.number(), entry.at(), entry.author(), entry.deed(), entry.previous());
        form.put("hash", entry.hash());
        return form;
    }

    private static Map<String, Object> form(long number, Instant at, Author author, Deed deed, String previous) {
        Map<String, Object> form = new TreeMap<>();
        form.put("number", number);
        form.put("at", at.toString());
        form.put("author", author.id());
        form.put("authorKind", author.kind().name());
        form.put("authorName", author.name());
        form.put("kind", deed.kind().name());
        form.put("thing", deed.thing().id());
        form.put("thingKind", deed.thing().kind().name());
        form.put("thingName", deed.thing().name());
        form.put("places", deed.at().stream().map(Deed.Place::toString).toList());
        form.put("words", deed.words());
        form.put("differences", differences(deed.differences()));
        form.put("why", deed.why());
        form.put("previous", previous);
        return form;
    }

    private static List<Map<String, Object>> differences(List<Difference> differences) {
        return differences.stream()
                .map(difference -> {
                    Map<String, Object> form = new TreeMap<>();
                    form.put("what", difference.what());
                    form.put("unit", difference.unit());
                    form.put("before", difference.before());
                    form.put("after", difference.after());
                    return form;
                })
                .toList();
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            // Every Java platform has it.
            throw new IllegalStateException(e);
        }
    }
}
