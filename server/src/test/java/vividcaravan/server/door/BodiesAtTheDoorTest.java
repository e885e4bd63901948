package vividcaravan.server.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.server.Door;
import vividcaravan.server.Patience;
import vividcaravan.server.RunningProduct;

/** How large and how slow a body may be, and how the answer reaches whoever sent one that is refused. */
@ExtendWith(RunningProduct.class)
@Tag("long")
class BodiesAtTheDoorTest {

    private static final String GUARD = "Cookie: XSRF-TOKEN=a\r\nX-XSRF-TOKEN: a\r\n";

    private final Door door = RunningProduct.door();
    private final URI uri = URI.create(door.address);

    private Socket line() throws IOException {
        Socket socket = new Socket(uri.getHost(), uri.getPort());
        socket.setSoTimeout((int) Patience.MOST.toMillis());
        return socket;
    }

    private static void say(Socket socket, String text) throws IOException {
        socket.getOutputStream().write(text.getBytes(StandardCharsets.ISO_8859_1));
        socket.getOutputStream().flush();
    }

    private static String answer(Socket socket) throws IOException {
        return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    private static Map<String, String> guarded() {
        return Map.of("Content-Type", "application/json", "Cookie", "XSRF-TOKEN=a", "X-XSRF-TOKEN", "a");
    }

    @ParameterizedTest
    @ValueSource(strings = {"/api/v1/session", "/api/v1/join", "/api/v1/join/looks", "/api/v1/set-up"})
    void whatNeedsNoAccountTakes64KilobytesAndNoMore(String path) {
        String most = "{\"userName\":\"" + "a".repeat(60_000) + "\"}";
        String more = "{\"userName\":\"" + "a".repeat(70_000) + "\"}";

        assertThat(door.withToken(null)
                        .send("POST", path, most.getBytes(), guarded())
                        .status())
                .isIn(400, 409);
        Door.Answer refused = door.withToken(null).send("POST", path, more.getBytes(), guarded());
        assertThat(refused.status()).isEqualTo(413);
        assertThat(refused.contentType()).startsWith("application/problem+json");
        assertThat(refused.text()).contains("64 KB");
    }

    @Test
    void aBodyInPiecesIsCountedToo() throws IOException {
        try (Socket socket = line()) {
            say(
                    socket,
                    "POST /api/v1/session HTTP/1.1\r\nHost: x\r\n" + GUARD
                            + "Content-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\n");
            String piece = "a".repeat(10_000);
            for (int i = 0; i < 7; i++) {
                say(socket, "2710\r\n" + piece + "\r\n");
            }
            assertThat(answer(socket)).startsWith("HTTP/1.1 413");
        }
    }

    @Test
    void aSmallBodyThatComesInDropsIsTakenAllTheSame() throws Exception {
        String body = "{\"userName\":\"nobody\",\"password\":\"not this one\"}";
        try (Socket socket = line()) {
            say(
                    socket,
                    "POST /api/v1/session HTTP/1.1\r\nHost: x\r\nConnection: close\r\n" + GUARD
                            + "Content-Type: application/json\r\nContent-Length: " + body.length() + "\r\n\r\n");
            for (int i = 0; i < body.length(); i += 10) {
                say(socket, body.substring(i, Math.min(body.length(), i + 10)));
                Thread.sleep(20);
            }
            assertThat(answer(socket)).startsWith("HTTP/1.1 401").contains("do not belong together");
        }
    }

    @Test
    void aBodyThatNeverComesIsGivenUpAfterAWhile() throws IOException {
        try (Socket socket = line()) {
            say(
                    socket,
                    "POST /api/v1/session HTTP/1.1\r\nHost: x\r\n" + GUARD
                            + "Content-Type: application/json\r\nContent-Length: 1000\r\n\r\n{");
            long begun = System.nanoTime();

            assertThat(answer(socket)).startsWith("HTTP/1.1 408");
            assertThat((System.nanoTime() - begun) / 1_000_000_000L).isGreaterThanOrEqualTo(8L);
        }
    }

    @Test
    void whoIsRefusedWithABodyUnderWayIsAnsweredAndHungUpOn() throws IOException {
        try (Socket socket = line()) {
            say(
                    socket,
                    "POST /api/v1/readings HTTP/1.1\r\nHost: x\r\nAuthorization: Bearer nonsense\r\n"
                            + "Content-Type: application/json\r\nContent-Length: 9000000000\r\n\r\n[");
            long begun = System.nanoTime();

            assertThat(answer(socket)).startsWith("HTTP/1.1 401");
            assertThat((System.nanoTime() - begun) / 1_000_000_000L).isLessThan(10);
        }
    }

    /** An honest client sends all before it reads, and the answer has to be there then. */
    @ParameterizedTest
    @CsvSource({"/api/v1/vehicles, 3, 413", "/api/v1/readings, 40, 413", "/api/v1/jobs, 5, 413"})
    void theAnswerToALargeBodyReachesItsSender(String path, int megabytes, int status) {
        byte[] body = new byte[megabytes << 20];
        Arrays.fill(body, (byte) ' ');

        assertThat(door.send("POST", path, body, Map.of("Content-Type", "application/json"))
                        .status())
                .isEqualTo(status);
    }

    private static byte[] packed(String begin, char then, int count, String end) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (OutputStream out = new GZIPOutputStream(bytes)) {
            out.write(begin.getBytes(StandardCharsets.US_ASCII));
            byte[] piece = new byte[10_000];
            Arrays.fill(piece, (byte) then);
            for (int i = 0; i < count / piece.length; i++) {
                out.write(piece);
            }
            out.write(end.getBytes(StandardCharsets.US_ASCII));
        }
        return bytes.toByteArray();
    }

    /** One reading with a number or a text of megabytes spoils itself and not its neighbours, and takes no memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "{\"sensor\":\"ABCDE1\",\"pressureKpa\":800,\"temperatureC\":20,\"at\":|1|}",
                "{\"sensor\":\"ABCDE1\",\"at\":1,\"pressureKpa\":8.|5|,\"temperatureC\":20}",
                "{\"sensor\":\"|A|\",\"at\":1,\"pressureKpa\":800,\"temperatureC\":20}",
                "{\"|n|\":1}",
            })
    void aPackedNumberOrTextOfMegabytesSpoilsOnlyItsOwnReading(String begin, char then, String end) throws IOException {
        Door.Truck truck = door.newTruck();
        String good = Door.reading(truck.left(), java.time.Instant.now(), 800, 20);
        byte[] body = packed("[" + begin, then, 30_000_000, end + "," + good + "]");
        assertThat(body.length).isLessThan(60_000);

        Door.Answer answer = door.send(
                "POST",
                "/api/v1/readings",
                body,
                Map.of("Content-Type", "application/json", "Content-Encoding", "gzip"));

        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().get("accepted").asInt()).isEqualTo(1);
        assertThat(answer.json().at("/rejected/0/index").asInt()).isZero();
    }

    @Test
    void linesWithoutAnyThatIsJsonAreGivenUp() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (OutputStream out = new GZIPOutputStream(bytes)) {
            byte[] piece = "x\n".repeat(50_000).getBytes(StandardCharsets.US_ASCII);
            for (int i = 0; i < 400; i++) {
                out.write(piece);
            }
        }

        Door.Answer answer = door.send(
                "POST",
                "/api/v1/readings",
                bytes.toByteArray(),
                Map.of("Content-Type", "application/x-ndjson", "Content-Encoding", "gzip"));

        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.json().get("rejectedTotal").asInt()).isLessThan(20_000);
    }

    @Test
    void aFleetDocumentOfMillionsOfNothingsIsRefused() throws IOException {
        byte[] body = packed("{\"format\":\"x\",\"vehicles\":[", ' ', 10_000, "{}" + ",{}".repeat(2_500_000) + "]}");

        Door.Answer answer = door.send(
                "POST",
                "/api/v1/fleet-imports",
                body,
                Map.of("Content-Type", "application/json", "Content-Encoding", "gzip"));

        assertThat(answer.status()).isEqualTo(413);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/[x]", "/%", "/api/v1/vehicles/%zz", "/a\\b"})
    void whatTheWebServerTurnsAwayIsAProblemToo(String target) throws IOException {
        try (Socket socket = line()) {
            say(socket, "GET " + target + " HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n");

            assertThat(answer(socket))
                    .startsWith("HTTP/1.1 400")
                    .doesNotContain("<html")
                    .doesNotContain("Tomcat");
        }
    }

    @Test
    void anArrayThatIsTooLargeIsStoredNotEvenInPart() {
        Door.Truck truck = door.newTruck();
        StringBuilder array = new StringBuilder("[");
        long at = java.time.Instant.now().toEpochMilli() - 3_600_000;
        while (array.length() < (33 << 20)) {
            array.append("{\"sensor\":\"")
                    .append(truck.left())
                    .append("\",\"at\":")
                    .append(at++);
            array.append(",\"pressureKpa\":800,\"temperatureC\":20},");
        }
        array.setCharAt(array.length() - 1, ']');

        // Sent in pieces, so that nothing but reading it tells how large it is.
        assertThat(door.readings(array.toString()).status()).isEqualTo(413);
        assertThat(door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/readings")
                        .json()
                        .get("items"))
                .isEmpty();
    }
}
