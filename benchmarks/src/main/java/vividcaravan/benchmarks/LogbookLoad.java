package vividcaravan.benchmarks;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A logbook of a million entries: how long its pages take. The entries are written into the stopped product's file by an
 * implementation of the chain of its own, after docs/logbook.md; the product then says whether it finds it whole.
 */
final class LogbookLoad {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int VEHICLES = 500;
    private static final int TIMES = 30;
    private static final String[] PEOPLE = {"marrable", "quill", "sedge", "tansley"};
    private static final String[] KINDS = {"ALERT_RAISED", "ALERT_RECOVERED", "ALERT_ACKNOWLEDGED", "PRESSURE_SET"};

    private LogbookLoad() {}

    static void measure(int entries) throws Exception {
        ProductUnderLoad first = ProductUnderLoad.start();
        new LoadFleet(VEHICLES * 10).importInto(first);
        first.stop();
        long begun = System.nanoTime();
        Instant middle = fill(first, entries);
        say("filled %,d entries in %.0f s", entries, (System.nanoTime() - begun) / 1e9);
        try (ProductUnderLoad product = ProductUnderLoad.start(first.folder)) {
            String some = "vehicle=" + ref(product);
            page(product, "newest", "");
            page(product, "far back", "before=" + entries / 2);
            page(product, "a vehicle", some);
            page(product, "a wheel", some + "&position=2LO");
            page(product, "a person", "author=quill");
            page(product, "the judge", "author=judge&authorKind=JUDGE");
            page(product, "a kind", "kind=PRESSURE_SET");
            page(product, "a day long ago", "from=" + middle + "&to=" + middle.plusSeconds(86_400));
            page(product, "a person and a kind, long ago", "author=quill&kind=PRESSURE_SET&to=" + middle);
            page(product, "a vehicle and a person", some + "&author=quill");
            page(product, "a common word", "text=pressure");
            page(product, "a word in one of 10,000", "text=crackedvalve");
            page(product, "a word in one of all", "text=onceonly");
            page(product, "a word that is nowhere", "text=nowhere-at-all");
            page(product, "two words and a person", "text=lm-7+crackedvalve&author=quill");
            page(product, "a common word by who never says it", "text=acknowledged&author=judge&authorKind=JUDGE");
            long proof = System.nanoTime();
            JsonNode standing =
                    JSON.readTree(product.get("/api/v1/logbook/proof").body());
            say(
                    "proof: whole %s, %,d entries, %.1f s",
                    standing.get("isWhole"), standing.get("entries").asLong(), (System.nanoTime() - proof) / 1e9);
            say(
                    "resident %d MB, peak %d MB, file %.0f MB",
                    product.residentMegabytes(),
                    product.peakMegabytes(),
                    java.nio.file.Files.size(product.database()) / 1e6);
        }
    }

    private static void say(String format, Object... values) {
        System.out.printf(Locale.ROOT, format + "%n", values);
    }

    private static String ref(ProductUnderLoad product) throws Exception {
        JsonNode list = JSON.readTree(product.get("/api/v1/vehicles").body());
        return list.at("/items/7/ref").asString();
    }

    private static void page(ProductUnderLoad product, String what, String query) throws Exception {
        Latencies latencies = new Latencies();
        long items = 0;
        for (int i = 0; i < TIMES; i++) {
            long begun = System.nanoTime();
            HttpResponse<byte[]> answer = product.get("/api/v1/logbook?" + query);
            latencies.add(System.nanoTime() - begun);
            if (answer.statusCode() != 200) {
                throw new IllegalStateException(query + ": " + new String(answer.body(), StandardCharsets.UTF_8));
            }
            items = JSON.readTree(answer.body()).get("items").size();
        }
        say("%-40s %2d entries, %s", what, items, latencies);
    }

    /** Appends entries as the product would; returns the time of the one in the middle. */
    private static Instant fill(ProductUnderLoad product, int entries) throws Exception {
        SplittableRandom random = new SplittableRandom(20_261_128);
        MessageDigest sha = MessageDigest.getInstance("SHA-256");
        Instant middle = Instant.EPOCH;
        String url = "jdbc:h2:file:" + product.folder.resolve("vivid-caravan") + ";COMPRESS=TRUE;CACHE_SIZE=131072";
        try (Connection connection = DriverManager.getConnection(url, "sa", "");
                Statement statement = connection.createStatement();
                PreparedStatement row = connection.prepareStatement(
                        "insert into logbook (number, at, author_kind, author, author_name, kind, thing_kind, thing,"
                                + " thing_name, places, words, differences, why, hash) values (?,?,?,?,?,?,?,?,?,?,?,?,?,?)");
                PreparedStatement place = connection.prepareStatement(
                        "insert into logbook_place (vehicle_id, position, number) values (?,?,?)");
                PreparedStatement block = connection.prepareStatement("insert into logbook_words values (?, ?)")) {
            connection.setAutoCommit(false);
            long number;
            String previous;
            long at;
            try (ResultSet last =
                    statement.executeQuery("select number, hash, at from logbook order by number desc limit 1")) {
                last.next();
                number = last.getLong(1);
                previous = HexFormat.of().formatHex(last.getBytes(2));
                at = last.getLong(3);
            }
            long[] ids = ids(statement);
            TreeSet<String> words = new TreeSet<>(List.of("the", "product", "took", "in", "began"));
            for (int i = 0; i < entries; i++) {
                number++;
                at += random.nextInt(20_000);
                Map<String, Object> entry = entry(random, ids, number, at, previous, i);
                if (number % 1_000 == 0) {
                    block.setLong(1, number / 1_000 - 1);
                    block.setString(2, String.join(" ", words));
                    block.executeUpdate();
                    words.clear();
                }
                for (String name : List.of("author", "authorName", "thingName", "words")) {
                    words.addAll(List.of(
                            entry.get(name).toString().toLowerCase(Locale.ROOT).split("\\s+")));
                }
                if (entry.get("why") != null) {
                    words.addAll(List.of(
                            entry.get("why").toString().toLowerCase(Locale.ROOT).split("\\s+")));
                }
                byte[] hash = sha.digest(JSON.writeValueAsString(entry).getBytes(StandardCharsets.UTF_8));
                previous = HexFormat.of().formatHex(hash);
                insert(row, place, entry, at, hash);
                if (i == entries / 2) {
                    middle = Instant.ofEpochMilli(at);
                }
                if (i % 10_000 == 9_999) {
                    row.executeBatch();
                    place.executeBatch();
                    connection.commit();
                }
            }
            row.executeBatch();
            place.executeBatch();
            connection.commit();
            statement.execute("shutdown compact");
        }
        java.nio.file.Files.deleteIfExists(product.folder.resolve("vivid-caravan.mv.db.version"));
        return middle;
    }

    private static long[] ids(Statement statement) throws Exception {
        long[] ids = new long[VEHICLES];
        try (ResultSet rows = statement.executeQuery("select id from vehicle order by id")) {
            for (int i = 0; rows.next(); i++) {
                ids[i] = rows.getLong(1);
            }
        }
        return ids;
    }

    private static Map<String, Object> entry(
            SplittableRandom random, long[] ids, long number, long at, String previous, int i) {
        int vehicle = random.nextInt(VEHICLES);
        boolean isJudge = random.nextInt(10) < 7;
        String who = isJudge ? "judge" : PEOPLE[random.nextInt(PEOPLE.length)];
        String kind = KINDS[isJudge ? random.nextInt(2) : 2 + random.nextInt(2)];
        String position = random.nextBoolean() ? "2LO" : "1R";
        String wheel = "LM-" + vehicle + " " + position;
        String why = i % 10_000 == 5_000 ? "crackedvalve" : i == 12_345 ? "onceonly" : null;
        Map<String, Object> entry = new TreeMap<>();
        entry.put("number", number);
        entry.put("at", Instant.ofEpochMilli(at).toString());
        entry.put("author", who);
        entry.put("authorKind", isJudge ? "JUDGE" : "PERSON");
        entry.put("authorName", isJudge ? "The judge" : who);
        entry.put("kind", kind);
        entry.put("thing", Integer.toString(i));
        entry.put("thingKind", "ALERT");
        entry.put("thingName", wheel);
        entry.put("places", List.of(ids[vehicle] + " " + position));
        entry.put("words", kind.toLowerCase(Locale.ROOT).replace('_', ' ') + " at " + wheel);
        entry.put("differences", List.of());
        entry.put("why", why);
        entry.put("previous", previous);
        return entry;
    }

    private static void insert(
            PreparedStatement row, PreparedStatement place, Map<String, Object> entry, long at, byte[] hash)
            throws Exception {
        row.setLong(1, (Long) entry.get("number"));
        row.setLong(2, at);
        row.setObject(3, entry.get("authorKind"));
        row.setObject(4, entry.get("author"));
        row.setObject(5, entry.get("authorName"));
        row.setObject(6, entry.get("kind"));
        row.setObject(7, entry.get("thingKind"));
        row.setObject(8, entry.get("thing"));
        row.setObject(9, entry.get("thingName"));
        String where = ((List<?>) entry.get("places")).get(0).toString();
        row.setString(10, where);
        row.setObject(11, entry.get("words"));
        row.setObject(12, null);
        row.setObject(13, entry.get("why"));
        row.setBytes(14, hash);
        row.addBatch();
        place.setLong(1, Long.parseLong(where.substring(0, where.indexOf(' '))));
        place.setString(2, where.substring(where.indexOf(' ') + 1));
        place.setLong(3, (Long) entry.get("number"));
        place.addBatch();
    }
}
