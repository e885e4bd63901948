package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/**
 * The browser's types are made from {@code web/openapi.json}, so that file has to be what the server serves. So are its
 * words, from {@code web/src/api/vocabulary.json}. After a change of the interface, run this test with {@code -Dopenapi.update=true} and commit the files.
 */
@ExtendWith(RunningProduct.class)
class OpenApiDocumentTest {

    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private final Door door = RunningProduct.door();

    @Test
    void theBrowsersTypesAreMadeFromWhatIsServed() throws IOException {
        Path kept = Path.of("..", "web", "openapi.json");
        JsonNode served = door.withToken(null).get("/api/v1/openapi.json").json();

        if (Boolean.getBoolean("openapi.update")) {
            Files.writeString(kept, JSON.writeValueAsString(served) + "\n");
        }

        assertThat(JSON.readTree(Files.readString(kept)))
                .as("web/openapi.json is not what the server serves; run this test with -Dopenapi.update=true")
                .isEqualTo(served);
    }

    @Test
    void thePageIsBuiltWithTheWordsThatAreServed() throws IOException {
        Path kept = Path.of("..", "web", "src", "api", "vocabulary.json");
        JsonNode served = door.get("/api/v1/vocabulary").json();

        if (Boolean.getBoolean("openapi.update")) {
            Files.writeString(kept, JSON.writeValueAsString(served) + "\n");
        }

        assertThat(JSON.readTree(Files.readString(kept)))
                .as(
                        "web/src/api/vocabulary.json is not what the server serves; run this test with -Dopenapi.update=true")
                .isEqualTo(served);
    }

    @Test
    void theContractsPathsAreDescribed() {
        JsonNode paths = door.get("/api/v1/openapi.json").json().get("paths");

        assertThat(paths.propertyNames())
                .contains(
                        "/api/v1/fleet-imports",
                        "/api/v1/fleet-export",
                        "/api/v1/readings",
                        "/api/v1/alerts",
                        "/api/v1/vehicles/{ref}/wheels/{position}/readings",
                        "/api/v1/live");
    }
}
