package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The integration contract driven by a client that knows nothing of this project: curl, and gzip. */
class ContractByCurlTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @TempDir
    Path folder;

    private String run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        return out;
    }

    private String curl(String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(
                List.of("curl", "-sS", "--max-time", "30", "-H", "Authorization: Bearer " + Product.TOKEN));
        command.addAll(List.of(arguments));
        return run(command.toArray(String[]::new));
    }

    @Test
    void aFleetGoesInReadingsFollowAlertsComeOut() throws Exception {
        try (Product product = Product.startWithToken(folder.resolve("data"))) {
            String api = product.address + "/api/v1/";
            Path fleet = Files.writeString(
                    folder.resolve("fleet.json"),
                    """
                    { "format": "vivid-caravan-fleet", "version": 1,
                      "vehicles": [ { "ref": "MX-07", "kind": "TRACTOR_UNIT",
                        "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                                   { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 780 } ],
                        "sensors": [ { "position": "2LO", "code": "A1B2C3", "fittedAt": "2026-01-03T09:00:00Z" } ] } ] }
                    """);
            assertThat(curl(
                            "-H",
                            "Content-Type: application/json",
                            "--data-binary",
                            "@" + fleet,
                            api + "fleet-imports"))
                    .isEqualTo("{\"vehicles\":1,\"sensors\":1}");

            StringBuilder lines = new StringBuilder();
            Instant begin = Instant.now().minusSeconds(600);
            for (int i = 0; i < 5; i++) {
                lines.append("{\"sensor\":\"A1B2C3\",\"at\":\"")
                        .append(begin.plusSeconds(i * 60L))
                        .append("\",\"pressureKpa\":600,\"temperatureC\":30,\"moving\":true}\n");
            }
            Path readings = Files.writeString(folder.resolve("readings.ndjson"), lines);
            run("gzip", "-k", readings.toString());
            JsonNode answer = JSON.readTree(curl(
                    "-H",
                    "Content-Type: application/x-ndjson",
                    "-H",
                    "Content-Encoding: gzip",
                    "--data-binary",
                    "@" + readings + ".gz",
                    api + "readings"));
            assertThat(answer.get("accepted").asInt()).isEqualTo(5);

            JsonNode alert = JSON.readTree(curl(api + "alerts")).get("items").get(0);
            assertThat(alert.get("vehicle").asString()).isEqualTo("MX-07");
            assertThat(alert.get("position").asString()).isEqualTo("2LO");
            assertThat(alert.get("urgency").asString()).isEqualTo("STOP_NOW");

            JsonNode wheel = JSON.readTree(curl(api + "vehicles/MX-07/wheels/2LO/readings"));
            assertThat(wheel.get("items").size()).isEqualTo(5);
            String stranger = run(
                    "curl",
                    "-s",
                    "-o",
                    "/dev/null",
                    "-w",
                    "%{http_code}",
                    "-H",
                    "Authorization: Bearer wrong",
                    api + "alerts");
            assertThat(stranger).isEqualTo("401");

            Path stream = folder.resolve("stream.txt");
            Process live = new ProcessBuilder(
                            "curl",
                            "-sSN",
                            "--max-time",
                            "8",
                            "-H",
                            "Authorization: Bearer " + Product.TOKEN,
                            "-H",
                            "Last-Event-ID: 0",
                            api + "live")
                    .redirectOutput(stream.toFile())
                    .start();
            live.waitFor();
            assertThat(Files.readString(stream)).contains("event:alert").contains("\"MX-07\"");

            JsonNode openApi = JSON.readTree(curl(api + "openapi.json"));
            assertThat(openApi.get("openapi").asString()).startsWith("3.");
        }
    }
}
