package vividcaravan.e2e;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.zip.GZIPOutputStream;

/**
 * Everybody who may be against a server: strangers with huge, slow and endless bodies and with wrong passwords, a receiver on
 * a bad line or out of order, readers who open streams and never read them. Bounded in count, and by an end.
 */
final class Besieger implements AutoCloseable {

    private static final String GUARD = "Cookie: XSRF-TOKEN=a\r\nX-XSRF-TOKEN: a\r\n";
    private static final long SEED = 20_261_128L;
    /** They share two cores with whom they besiege; whoever burns these up tests the machine and not the product. */
    private static final long REST_MILLIS = 10;

    private interface Attack {
        void once(Random random) throws IOException, InterruptedException;
    }

    private final String host;
    private final int port;
    private final String reader;
    private final String receiver;
    private final long until;
    private final List<Thread> threads = new ArrayList<>();
    private final byte[] hugeNumber = packed("[{\"sensor\":\"ABCDEF\",\"at\":", '1', 31_000_000);
    private final byte[] hugeText = packed("[{\"sensor\":\"", 'A', 31_000_000);
    private final byte[] endlessLines = lines(20_000_000);

    /**
     * @param reader a token of a reading role
     * @param receiver a token of a receiver that is out of order
     */
    Besieger(String address, String reader, String receiver, long seconds) {
        URI uri = URI.create(address);
        this.host = uri.getHost();
        this.port = uri.getPort();
        this.reader = reader;
        this.receiver = receiver;
        this.until = System.nanoTime() + seconds * 1_000_000_000L;
    }

    private static byte[] packed(String begin, char then, int count) {
        try {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try (OutputStream out = new GZIPOutputStream(bytes)) {
                out.write(begin.getBytes(StandardCharsets.US_ASCII));
                byte[] piece = new byte[100_000];
                Arrays.fill(piece, (byte) then);
                for (int i = 0; i < count / piece.length; i++) {
                    out.write(piece);
                }
            }
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] lines(int count) {
        try {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try (OutputStream out = new GZIPOutputStream(bytes)) {
                byte[] piece = "x\n".repeat(50_000).getBytes(StandardCharsets.US_ASCII);
                for (int i = 0; i < count / 50_000; i++) {
                    out.write(piece);
                }
            }
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void begin() {
        by(12, this::hugeBodyToAnOpenCall);
        by(70, this::slowBodyToAnOpenCall);
        by(70, this::endlessBodyWithNoToken);
        by(150, this::silence);
        by(10, this::wrongPassword);
        by(14, this::slowReadings);
        by(8, random -> packedReadings("application/json", random.nextBoolean() ? hugeNumber : hugeText));
        by(2, random -> packedReadings("application/x-ndjson", endlessLines));
        by(120, this::streamThatNobodyReads);
        by(60, this::slowBodyByAnotherSpelling);
        by(60, this::documentHardlyRead);
        by(20, this::inventedTokens);
    }

    private void by(int count, Attack attack) {
        for (int i = 0; i < count; i++) {
            Random random = new Random(SEED + threads.size());
            Thread thread = new Thread(
                    () -> {
                        while (System.nanoTime() < until
                                && !Thread.currentThread().isInterrupted()) {
                            try {
                                attack.once(random);
                            } catch (IOException e) {
                                // Hung up on, which is what they deserve; they come again in a moment.
                                rest(200);
                            } catch (InterruptedException e) {
                                return;
                            }
                        }
                    },
                    "besieger-" + threads.size());
            thread.setDaemon(true);
            threads.add(thread);
            thread.start();
        }
    }

    private void rest(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private Socket open() throws IOException {
        Socket socket = new Socket(host, port);
        socket.setSoTimeout(20_000);
        return socket;
    }

    private String head(String path, String more) {
        return "POST " + path + " HTTP/1.1\r\nHost: " + host + ":" + port + "\r\n" + more + "\r\n";
    }

    private static void send(Socket socket, String text) throws IOException {
        socket.getOutputStream().write(text.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
    }

    private void hugeBodyToAnOpenCall(Random random) throws IOException {
        try (Socket socket = open()) {
            boolean isAnnounced = random.nextBoolean();
            String size = isAnnounced ? "Content-Length: 80000000\r\n" : "Transfer-Encoding: chunked\r\n";
            String path =
                    List.of("/api/v1/session", "/api/v1/join", "/api/v1/set-up").get(random.nextInt(3));
            send(socket, head(path, GUARD + "Content-Type: application/json\r\n" + size));
            byte[] piece = new byte[100_000];
            Arrays.fill(piece, (byte) 'a');
            for (int i = 0; i < 800 && System.nanoTime() < until; i++) {
                if (!isAnnounced) {
                    send(socket, Integer.toHexString(piece.length) + "\r\n");
                }
                socket.getOutputStream().write(piece);
                if (!isAnnounced) {
                    send(socket, "\r\n");
                }
                rest(REST_MILLIS);
            }
        }
    }

    private void slowBodyToAnOpenCall(Random random) throws IOException, InterruptedException {
        try (Socket socket = open()) {
            send(
                    socket,
                    head("/api/v1/session", GUARD + "Content-Type: application/json\r\nContent-Length: 50000\r\n"));
            drip(socket, " ", 800);
        }
    }

    private void slowBodyByAnotherSpelling(Random random) throws IOException, InterruptedException {
        List<String> spellings =
                List.of("/%61pi/v1/session", "/api/v1/./session", "//api/v1/join", "/api/v1/session;a=b");
        try (Socket socket = open()) {
            send(
                    socket,
                    head(
                            spellings.get(random.nextInt(spellings.size())),
                            GUARD + "Content-Type: application/json\r\nContent-Length: 50000\r\n"));
            drip(socket, " ", 800);
        }
    }

    /** The largest answer that a stranger can ask for, taken a few bytes at a time. */
    private void documentHardlyRead(Random random) throws IOException, InterruptedException {
        try (Socket socket = new Socket()) {
            socket.setReceiveBufferSize(2_048);
            socket.connect(new InetSocketAddress(host, port));
            send(socket, "GET /api/v1/openapi.json HTTP/1.1\r\nHost: " + host + ":" + port + "\r\n\r\n");
            while (System.nanoTime() < until && socket.getInputStream().read() >= 0) {
                Thread.sleep(500);
            }
        }
    }

    /** Each with a token of its own that nobody gave, so that no share of one asker holds them. */
    private void inventedTokens(Random random) throws IOException, InterruptedException {
        try (Socket socket = open()) {
            send(
                    socket,
                    head(
                            "/api/v1/wheel-moves",
                            "Authorization: Bearer vc_" + Long.toHexString(random.nextLong())
                                    + "\r\nContent-Type: application/json\r\nContent-Length: 50000\r\n"));
            drip(socket, " ", 800);
        }
    }

    private void endlessBodyWithNoToken(Random random) throws IOException, InterruptedException {
        try (Socket socket = open()) {
            String path = random.nextBoolean() ? "/api/v1/readings" : "/api/v1/fleet-imports";
            send(
                    socket,
                    head(
                            path,
                            "Authorization: Bearer nonsense\r\nContent-Type: application/json\r\n"
                                    + "Content-Length: 9000000000\r\n"));
            drip(socket, "[".repeat(1_000), 1_000);
        }
    }

    private void drip(Socket socket, String drop, long everyMillis) throws IOException, InterruptedException {
        while (System.nanoTime() < until) {
            send(socket, drop);
            Thread.sleep(everyMillis);
        }
    }

    private void silence(Random random) throws IOException, InterruptedException {
        try (Socket socket = open()) {
            send(socket, random.nextBoolean() ? "" : "GET /actuator/health HTTP/1.1\r\nHost");
            Thread.sleep(2_000);
        }
    }

    private void wrongPassword(Random random) throws IOException, InterruptedException {
        String body = "{\"userName\":\"guess%d\",\"password\":\"not this one\"}".formatted(random.nextInt(1_000));
        try (Socket socket = open()) {
            send(
                    socket,
                    head(
                                    "/api/v1/session",
                                    GUARD + "Connection: close\r\nContent-Type: application/json\r\nContent-Length: "
                                            + body.length() + "\r\n")
                            + body);
            readToItsEnd(socket);
        }
        Thread.sleep(100);
    }

    private void slowReadings(Random random) throws IOException, InterruptedException {
        try (Socket socket = open()) {
            send(
                    socket,
                    head(
                            "/api/v1/readings",
                            "Authorization: Bearer " + receiver
                                    + "\r\nContent-Type: application/x-ndjson\r\nContent-Length: 100000\r\n"));
            drip(socket, "\n", 500);
        }
    }

    private void packedReadings(String type, byte[] body) throws IOException {
        try (Socket socket = open()) {
            send(
                    socket,
                    head(
                            "/api/v1/readings",
                            "Authorization: Bearer " + receiver + "\r\nConnection: close\r\nContent-Encoding: gzip\r\n"
                                    + "Content-Type: " + type + "\r\nContent-Length: " + body.length + "\r\n"));
            socket.getOutputStream().write(body);
            socket.getOutputStream().flush();
            readToItsEnd(socket);
        }
        rest(20 * REST_MILLIS);
    }

    private void streamThatNobodyReads(Random random) throws IOException, InterruptedException {
        try (Socket socket = open()) {
            send(
                    socket,
                    "GET /api/v1/live HTTP/1.1\r\nHost: " + host + ":" + port + "\r\nAuthorization: Bearer " + reader
                            + "\r\n" + (random.nextBoolean() ? "Last-Event-ID: 0\r\n" : "") + "\r\n");
            Thread.sleep(4_000 + random.nextInt(4_000));
        }
    }

    private static void readToItsEnd(Socket socket) throws IOException {
        InputStream in = socket.getInputStream();
        byte[] piece = new byte[8_192];
        while (in.read(piece) >= 0) {
            // What it says is of no matter.
        }
    }

    @Override
    public void close() {
        threads.forEach(Thread::interrupt);
    }
}
