package vividcaravan.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.awaitility.core.ConditionTimeoutException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The product as it is shipped, in a process of its own, as an operator starts it. */
final class Product implements AutoCloseable {

    static final String TOKEN = "token-of-the-tests-only";

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path HERE = Path.of("").toAbsolutePath();
    private static final Path LAID_OUT = HERE.resolve("target/product");
    /** It ends before compiling more thoroughly would have paid. */
    private static final List<String> SHORT_LIVED = List.of("-Xmx512m", "-XX:TieredStopAtLevel=1");

    private static final HttpClient HTTP = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(5))
            .build();

    /**
     * Ports of this process of tests alone. One that the system hands out is free only until it is let go: another product, or a
     * connection of the machine, had it before ours was up.
     */
    private static final AtomicInteger NEXT_PORT =
            new AtomicInteger(20_000 + (int) (ProcessHandle.current().pid() % 120) * 100);

    final String address;
    final int port;
    private final Process process;
    private final Path log;

    private Product(Path folder, Map<String, String> environment, List<String> before) {
        this(folder, environment, before, SHORT_LIVED);
    }

    private Product(Path folder, Map<String, String> environment, List<String> before, List<String> options) {
        this(LAID_OUT, Path.of(""), folder.toString(), environment, before, options);
    }

    private Product(
            Path home,
            Path from,
            String folder,
            Map<String, String> environment,
            List<String> before,
            List<String> options) {
        port = environment.containsKey("SERVER_PORT") ? Integer.parseInt(environment.get("SERVER_PORT")) : freePort();
        address = "http://localhost:" + port;
        List<String> command = new ArrayList<>(before);
        command.add(home.resolve("bin/vivid-caravan").toString());
        try {
            log = Files.createTempFile("vivid-caravan", ".log");
            ProcessBuilder builder = new ProcessBuilder(command)
                    .directory(from.toAbsolutePath().toFile())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
            builder.environment().put("VIVID_DATA_DIR", folder);
            builder.environment().put("VIVID_JAVA_OPTIONS", String.join(" ", options));
            builder.environment().put("SERVER_PORT", Integer.toString(port));
            builder.environment().putAll(environment);
            process = builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Starts the product and waits until it can take readings. */
    static Product start(Path folder, Map<String, String> environment) {
        return started(launch(folder, environment));
    }

    /** Starts it with options of the virtual machine of its own. */
    static Product startWith(Path folder, List<String> options) {
        layOut();
        return started(new Product(folder, Map.of("VIVID_API_TOKEN", TOKEN), List.of(), options));
    }

    /** Packs it up as it is shipped, unpacks it at {@code home}, and starts it from {@code from}, its data in {@code data} there. */
    static Product startUnpacked(Path home, Path from, String data, String settings) {
        layOut();
        run("bash", "-c", "tar -C \"$1\" -cz . | tar -C \"$2\" -xz", "unpack", LAID_OUT.toString(), home.toString());
        try {
            Files.writeString(home.resolve("etc/vivid-caravan.conf"), settings);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return started(new Product(home, from, data, Map.of(), List.of(), SHORT_LIVED));
    }

    /** How nice the threads are whose names begin so, as the system knows them: the nicest first, 0 is usual. */
    List<Integer> niceness(String threads) {
        try (Stream<Path> all = Files.list(Path.of("/proc", Long.toString(process.pid()), "task"))) {
            return all.map(Product::stat)
                    .filter(stat -> stat.substring(stat.indexOf('(') + 1).startsWith(threads))
                    // The nineteenth field; the second, the name, may have spaces.
                    .map(stat -> Integer.parseInt(
                            stat.substring(stat.lastIndexOf(')') + 2).split(" ")[16]))
                    .sorted(Comparator.reverseOrder())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String stat(Path thread) {
        try {
            return Files.readString(thread.resolve("stat"));
        } catch (IOException e) {
            // It has ended meanwhile.
            return "() " + "0 ".repeat(20);
        }
    }

    /** No file may grow beyond so many bytes from now on: to the product that is a full disk. */
    void leaveRoomFor(long bytes) {
        run("prlimit", "--pid", Long.toString(process.pid()), "--fsize=" + bytes + ":unlimited");
    }

    /** Lifts that limit while it runs. */
    void makeRoom() {
        run("prlimit", "--pid", Long.toString(process.pid()), "--fsize=unlimited");
    }

    private static void run(String... command) {
        try {
            // What a child writes to the tests' own output would get between what they report by it.
            Process child =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            String said = new String(child.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (child.waitFor() != 0) {
                throw new AssertionError(String.join(" ", command) + " failed:\n" + said);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    void waitUntilUp() {
        Patience.until("the product is up", this::isUp);
    }

    private static Product started(Product product) {
        try {
            Patience.until("the product is up, or has ended", () -> product.isUp() || !product.process.isAlive());
        } catch (ConditionTimeoutException e) {
            product.kill();
        }
        if (!product.process.isAlive()) {
            throw new AssertionError("the product did not start:\n" + product.log());
        }
        return product;
    }

    static Product startWithToken(Path folder) {
        return start(folder, Map.of("VIVID_API_TOKEN", TOKEN));
    }

    /** Starts the product without waiting for it. */
    static Product launch(Path folder, Map<String, String> environment) {
        layOut();
        return new Product(folder, environment, List.of());
    }

    /** Once for all tests, in whichever process they run, so that each of their starts is quick. */
    private static synchronized void layOut() {
        Path jar = HERE.resolve("../server/target/vivid-caravan.jar");
        Path done = LAID_OUT.resolve("done");
        try (FileChannel lock = FileChannel.open(
                HERE.resolve("target/product.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
            lock.lock();
            String stamp =
                    Files.getLastModifiedTime(jar) + Files.readString(HERE.resolve("../packaging/bin/vivid-caravan"));
            if (Files.exists(done) && Files.readString(done).equals(stamp)) {
                return;
            }
            run(HERE.resolve("../scripts/lay-out").toString(), jar.toString(), LAID_OUT.toString());
            Files.writeString(done, stamp);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Fills {@code folder} with what {@code make} made in {@code kept}, which is done once for all tests in whichever process,
     * and for each product that was laid out.
     */
    static void copyOnce(Path kept, Path folder, Consumer<Path> make) {
        layOut();
        Path stamp = kept.resolveSibling(kept.getFileName() + ".stamp");
        try (FileChannel lock = FileChannel.open(
                kept.resolveSibling(kept.getFileName() + ".lock"),
                StandardOpenOption.CREATE,
                StandardOpenOption.WRITE)) {
            lock.lock();
            String laidOut = Files.readString(LAID_OUT.resolve("done"));
            if (!Files.exists(stamp) || !Files.readString(stamp).equals(laidOut)) {
                run("rm", "-rf", kept.toString());
                make.accept(kept);
                Files.writeString(stamp, laidOut);
            }
            run("cp", "-r", kept + "/.", folder.toString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static int freePort() {
        while (true) {
            try (ServerSocket socket = new ServerSocket(NEXT_PORT.getAndIncrement())) {
                return socket.getLocalPort();
            } catch (BindException e) {
                // Somebody has it; the next one.
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private boolean isUp() {
        try {
            return get("/actuator/health", null).statusCode() == 200;
        } catch (UncheckedIOException e) {
            return false;
        }
    }

    HttpResponse<String> get(String path, String token) {
        return send(request(path, token).GET());
    }

    HttpResponse<String> post(String path, String token, String type, String body) {
        return send(request(path, token).header("Content-Type", type).POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    HttpResponse<String> put(String path, String token, String body) {
        return send(request(path, token)
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Signs in as a page does: with the guard against cross-site requests that it was given before. */
    HttpResponse<String> signIn(String nameAndPassword) {
        String guard = get("/api/v1/session", null).headers().allValues("Set-Cookie").stream()
                .map(cookie -> cookie.split(";")[0])
                .filter(cookie -> cookie.startsWith("XSRF-TOKEN="))
                .findFirst()
                .orElseThrow();
        return send(request("/api/v1/session", null)
                .header("Content-Type", "application/json")
                .header("Cookie", guard)
                .header("X-XSRF-TOKEN", guard.substring(guard.indexOf('=') + 1))
                .POST(HttpRequest.BodyPublishers.ofString(nameAndPassword)));
    }

    private HttpRequest.Builder request(String path, String token) {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(address + path)).timeout(Duration.ofSeconds(60));
        return token == null ? request : request.header("Authorization", "Bearer " + token);
    }

    private static HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    JsonNode json(String path) {
        HttpResponse<String> answer = get(path, TOKEN);
        if (answer.statusCode() != 200) {
            throw new AssertionError(path + ": " + answer.statusCode() + " " + answer.body());
        }
        return JSON.readTree(answer.body());
    }

    JsonNode readings(String token, String array) {
        HttpResponse<String> answer = post("/api/v1/readings", token, "application/json", array);
        if (answer.statusCode() != 200) {
            throw new AssertionError(answer.statusCode() + " " + answer.body());
        }
        return JSON.readTree(answer.body());
    }

    /** What the product wrote so far. */
    String log() {
        try {
            return Files.readString(log);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Waits until the log says {@code pattern}, and gives its first group. */
    String waitForLog(String pattern) {
        Pattern wanted = Pattern.compile(pattern);
        try {
            Patience.until("the log says it", () -> wanted.matcher(log()).find() || !process.isAlive());
        } catch (ConditionTimeoutException e) {
            throw new AssertionError("the log does not say " + pattern + ":\n" + log(), e);
        }
        Matcher found = wanted.matcher(log());
        if (!found.find()) {
            throw new AssertionError("the product ended before its log said " + pattern + ":\n" + log());
        }
        return found.groupCount() > 0 ? found.group(1) : found.group();
    }

    /** Waits until the product has ended by itself. */
    int waitForEnd() {
        try {
            if (!process.waitFor(Patience.WITH_A_PRODUCT.toSeconds(), TimeUnit.SECONDS)) {
                kill();
                throw new AssertionError("the product did not end:\n" + log());
            }
            return process.exitValue();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Pulls the plug: SIGKILL. */
    void kill() {
        process.destroyForcibly();
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Asks it to stop, as an operator does. */
    @Override
    public void close() {
        process.destroy();
        try {
            if (!process.waitFor(Patience.WITH_A_PAGE.toSeconds(), TimeUnit.SECONDS)) {
                kill();
            }
            Files.deleteIfExists(log);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** A folder for a product that outlives a test class; the caller deletes it. */
    static Path newFolder() {
        try {
            return Files.createTempDirectory("vivid-caravan-whole");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static void deleteFolder(Path folder) {
        try (var files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder())
                    .forEach(path -> path.toFile().delete());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
