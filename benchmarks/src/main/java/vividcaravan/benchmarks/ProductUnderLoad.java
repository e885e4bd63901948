package vividcaravan.benchmarks;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** The product's jar as a process of its own on a folder of its own, with the memory that {@code ./run} gives it. */
final class ProductUnderLoad implements AutoCloseable {

    static final String TOKEN = "token-of-the-load-program";
    private static final int PORT = Integer.getInteger("product.port", 18_480);
    private static final Path JAR = Path.of(System.getProperty("product.jar", "server/target/vivid-caravan.jar"));

    final Path folder;
    final URI address = URI.create("http://localhost:" + PORT);
    final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(10))
            .build();
    private final Process process;

    private ProductUnderLoad(Path folder) throws IOException {
        this.folder = folder;
        List<String> command = new ArrayList<>(List.of("java"));
        command.addAll(List.of(System.getProperty("product.options", "-Xmx640m -XX:+UseParallelGC")
                .split(" ")));
        command.addAll(List.of("-jar", JAR.toString()));
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("log").toFile());
        builder.environment().put("VIVID_DATA_DIR", folder.toString());
        builder.environment().put("VIVID_API_TOKEN", TOKEN);
        builder.environment().put("VIVID_DEMO", "false");
        builder.environment().put("SERVER_PORT", Integer.toString(PORT));
        process = builder.start();
    }

    /** Starts it and waits until it can take readings. */
    static ProductUnderLoad start() throws IOException, InterruptedException {
        return start(Files.createTempDirectory("vivid-load"));
    }

    /** The same on a folder that another one has left. */
    static ProductUnderLoad start(Path folder) throws IOException, InterruptedException {
        ProductUnderLoad product = new ProductUnderLoad(folder);
        for (int i = 0; i < 240; i++) {
            Thread.sleep(250);
            try {
                if (product.get("/actuator/health").statusCode() == 200) {
                    return product;
                }
            } catch (IOException e) {
                // Not yet.
            }
        }
        product.close();
        throw new IllegalStateException("the product did not start; see " + product.folder.resolve("log"));
    }

    HttpResponse<byte[]> get(String path) throws IOException, InterruptedException {
        return http.send(request(path).GET().build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(address.resolve(path))
                .timeout(Duration.ofSeconds(60))
                .header("Authorization", "Bearer " + TOKEN)
                .header("Content-Type", "application/json");
    }

    String post(String path, String body) throws IOException, InterruptedException {
        HttpResponse<String> response = http.send(
                request(path).POST(HttpRequest.BodyPublishers.ofString(body)).build(),
                HttpResponse.BodyHandlers.ofString());
        if (response.statusCode() != 200) {
            throw new IllegalStateException(path + " answered " + response.statusCode() + " " + response.body());
        }
        return response.body();
    }

    /** Resident memory of the process now, MB. */
    long residentMegabytes() throws IOException {
        return status("VmRSS");
    }

    /** The most it ever was, MB. */
    long peakMegabytes() throws IOException {
        return status("VmHWM");
    }

    private long status(String field) throws IOException {
        try (Stream<String> lines = Files.lines(Path.of("/proc/" + process.pid() + "/status"))) {
            return lines.filter(line -> line.startsWith(field))
                            .map(line -> Long.parseLong(line.replaceAll("\\D+", "")))
                            .findFirst()
                            .orElse(0L)
                    / 1024;
        }
    }

    /** Processor time it has used, seconds. */
    double processorSeconds() {
        return process.info().totalCpuDuration().orElse(Duration.ZERO).toMillis() / 1000.0;
    }

    Path database() {
        return folder.resolve("vivid-caravan.mv.db");
    }

    /** Stops it in good order; its folder stays until {@link #close}. */
    void stop() {
        process.destroy();
        process.onExit().join();
    }

    @Override
    public void close() throws IOException {
        stop();
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path path : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(path);
            }
        }
    }
}
