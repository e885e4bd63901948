package vividcaravan.server.platform;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.servers.Server;
import java.time.Clock;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class PlatformConfiguration {

    @Bean
    OpenAPI openApi() {
        Info info = new Info()
                .title("Vivid Caravan")
                .version("1")
                .description(
                        "Pressures are kPa gauge, temperatures °C, times RFC 3339 UTC. Errors are RFC 9457 problems.");
        // Relative, so that the document is the same wherever the product runs.
        return new OpenAPI().info(info).servers(List.of(new Server().url("/")));
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
