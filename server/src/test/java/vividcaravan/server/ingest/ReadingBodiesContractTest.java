package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** What a body of readings may be, line by line of the integration contract: types, packing, sizes, breaks, capacity. */
class ReadingBodiesContractTest extends ReadingsOfATruck {

    @Test
    void listsTheFirstThousandRejectedAndCountsAll() {
        String bad = "{\"sensor\":\"nonsense\"}";

        JsonNode answer = door.readings(array(Collections.nCopies(1_500, bad))).json();

        assertThat(answer.get("rejected").size()).isEqualTo(1_000);
        assertThat(answer.get("rejectedTotal").asInt()).isEqualTo(1_500);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{", "nonsense", "<xml/>", "{\"sensor\":\"A1B2C3\"}", "42", "null"})
    void aBodyThatIsNoArrayIsAProblemAndStoresNothing(String body) {
        Door.Answer answer = door.readings(body);

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.contentType()).startsWith("application/problem+json");
        assertThat(answer.json().get("detail").asString()).isNotBlank();
    }

    @Test
    void linesThatAreNoJsonAtAllAreAProblem() {
        assertThat(door.lines("this\nis\nno JSON\n").status()).isEqualTo(400);
    }

    @Test
    void anEmptyArrayAndAnEmptyStreamAreFine() {
        assertCounts(door.readings("[]").json(), 0, 0, 0, 0);
        assertCounts(door.lines("").json(), 0, 0, 0, 0);
    }

    @Test
    void aBodyThatEndsEarlySaysWhatWasTaken() {
        String whole = array(List.of(
                reading(truck.left(), now.minusSeconds(2), 800, 20),
                reading(truck.left(), now.minusSeconds(1), 800, 20)));

        Door.Answer answer = door.readings(whole.substring(0, whole.length() - 20));

        assertThat(answer.status()).isEqualTo(400);
        assertCounts(answer.json(), 1, 0, 0, 0);
        assertThat(stored("1L")).hasSize(1);
    }

    private static byte[] gzip(String text) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(bytes)) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private Door.Answer packed(byte[] body, String type) {
        return door.send("POST", "/api/v1/readings", body, Map.of("Content-Type", type, "Content-Encoding", "gzip"));
    }

    @Test
    void unpacksGzip() {
        String one = reading(truck.left(), now.minusSeconds(1), 800, 20);

        assertCounts(packed(gzip("[" + one + "]"), "application/json").json(), 1, 0, 0, 0);
        assertCounts(packed(gzip(one + "\n"), "application/x-ndjson").json(), 0, 1, 0, 0);
    }

    @Test
    void aTruncatedGzipSaysWhatWasTakenAndThatIsKept() {
        StringBuilder lines = new StringBuilder();
        for (int i = 0; i < 5_000; i++) {
            lines.append(reading(truck.left(), now.minusMillis(600_000 - i * 100L), 800 + i % 7, 20))
                    .append('\n');
        }
        byte[] whole = gzip(lines.toString());

        Door.Answer answer = packed(Arrays.copyOf(whole, whole.length / 2), "application/x-ndjson");

        assertThat(answer.status()).isEqualTo(400);
        int accepted = answer.json().get("accepted").asInt();
        assertThat(accepted).isBetween(1, 4_999);
        assertThat(stored("1L")).hasSize(accepted);
    }

    @ParameterizedTest
    @ValueSource(strings = {"not gzip at all", ""})
    void whatOnlyClaimsToBeGzipIsAProblem(String body) {
        Door.Answer answer = packed(body.getBytes(StandardCharsets.UTF_8), "application/json");

        assertThat(answer.status()).isEqualTo(400);
        assertCounts(answer.json(), 0, 0, 0, 0);
    }

    @Test
    void otherTypesAndPackingsAreNamed() {
        byte[] body = "[]".getBytes(StandardCharsets.UTF_8);

        for (String type : List.of("text/plain", "application/xml", "nonsense", "application/x-www-form-urlencoded")) {
            Door.Answer answer = door.send("POST", "/api/v1/readings", body, Map.of("Content-Type", type));
            assertThat(answer.status()).as(type).isEqualTo(415);
            assertThat(answer.json().get("detail").asString()).contains("application/x-ndjson");
        }
        assertThat(door.send("POST", "/api/v1/readings", body, Map.of()).status())
                .isEqualTo(415);
        assertThat(door.send(
                                "POST",
                                "/api/v1/readings",
                                body,
                                Map.of("Content-Type", "application/json", "Content-Encoding", "br"))
                        .status())
                .isEqualTo(415);
    }

    @Test
    void anArrayOverThirtyTwoMegabytesIsTooLargeAndAStreamIsNot() {
        String one = reading(truck.left(), now.minusSeconds(1), 800, 20);
        String padding = " ".repeat(1_000 - one.length());
        String fiftyMegabytes = (one + padding + "\n").repeat(50_000);

        Door.Answer array = door.readings("[" + fiftyMegabytes.strip().replace("\n", ",") + "]");
        Door.Answer stream = door.lines(fiftyMegabytes);

        assertThat(array.status()).isEqualTo(413);
        assertThat(array.json().get("detail").asString()).contains("32 MB");
        assertCounts(stream.json(), 1, 49_999, 0, 0);
    }

    @Test
    void aPackedArrayIsMeasuredUnpacked() {
        byte[] bomb = gzip("[" + " ".repeat(40_000_000) + "]");

        assertThat(packed(bomb, "application/json").status()).isEqualTo(413);
    }

    @Test
    void aLineLongerThanAnyReadingIsRejectedAndItsNeighboursAreKept() {
        String before = reading(truck.left(), now.minusSeconds(2), 800, 20);
        String after = reading(truck.left(), now.minusSeconds(1), 800, 20);

        Door.Answer answer = door.lines(before + "\n" + "x".repeat(5_000_000) + "\n" + after);

        assertCounts(answer.json(), 2, 0, 0, 1);
    }

    @Test
    void brokenUtf8SpoilsItsOwnReadingOnly() {
        byte[] good = reading(truck.left(), now.minusSeconds(2), 800, 20).getBytes(StandardCharsets.UTF_8);
        byte[] bad = reading(truck.left(), now.minusSeconds(1), 800, 20).getBytes(StandardCharsets.UTF_8);
        bad[12] = (byte) 0xC3;
        ByteArrayOutputStream lines = new ByteArrayOutputStream();
        ByteArrayOutputStream array = new ByteArrayOutputStream();
        lines.writeBytes(good);
        lines.write('\n');
        lines.writeBytes(bad);
        array.write('[');
        array.writeBytes(good);
        array.write(',');
        array.writeBytes(bad);
        array.write(']');

        Door.Answer asLines = door.send(
                "POST", "/api/v1/readings", lines.toByteArray(), Map.of("Content-Type", "application/x-ndjson"));
        Door.Answer asArray =
                door.send("POST", "/api/v1/readings", array.toByteArray(), Map.of("Content-Type", "application/json"));

        assertCounts(asLines.json(), 1, 0, 0, 1);
        assertCounts(asArray.json(), 0, 1, 0, 1);
    }

    @Test
    void overCapacityItSaysWhenToComeAgainAndRecovers() throws IOException {
        URI address = URI.create(door.address);
        List<Socket> slow = new ArrayList<>();
        try {
            // Bodies that begin and do not go on.
            for (int i = 0; i < 20; i++) {
                Socket socket = new Socket(address.getHost(), address.getPort());
                socket.getOutputStream()
                        .write(("POST /api/v1/readings HTTP/1.1\r\nHost: localhost\r\nAuthorization: Bearer "
                                        + RunningProduct.TOKEN
                                        + "\r\nContent-Type: application/x-ndjson\r\nContent-Length: 1000\r\n\r\n{")
                                .getBytes(StandardCharsets.US_ASCII));
                slow.add(socket);
            }
            Door.Answer refused = untilStatusIs(503);

            assertThat(refused.headers().firstValue("Retry-After")).contains("1");
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
        untilStatusIs(200);
    }

    private Door.Answer untilStatusIs(int status) {
        Instant until = Instant.now().plusSeconds(30);
        Door.Answer answer;
        do {
            answer = door.readings("[]");
        } while (answer.status() != status && Instant.now().isBefore(until));
        assertThat(answer.status()).isEqualTo(status);
        return answer;
    }

    @Test
    void needsATokenOrASession() {
        Door.Answer none = door.withToken(null).readings("[]");
        Door.Answer wrong = door.withToken("some-token-that-nobody-made").readings("[]");

        assertThat(none.status()).isIn(401, 403);
        assertThat(wrong.status()).isEqualTo(401);
        assertThat(wrong.contentType()).startsWith("application/problem+json");
    }
}
