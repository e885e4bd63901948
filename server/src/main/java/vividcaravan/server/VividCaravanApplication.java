package vividcaravan.server;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;
import vividcaravan.server.h2.H2Storage;
import vividcaravan.server.operation.Restore;
import vividcaravan.server.operation.VerifyLogbook;
import vividcaravan.server.platform.LastWords;

/**
 * Starts the product; or with {@code --restore FILE} brings back a backup, with {@code --verify-logbook} checks the logbook,
 * and ends.
 */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class VividCaravanApplication {

    public static void main(String[] args) {
        if (args.length == 2 && args[0].equals("--restore")) {
            String folder = System.getenv().getOrDefault("VIVID_DATA_DIR", "./data");
            System.exit(new Restore(new H2Storage(Path.of(folder)))
                    .run(Path.of(args[1]), Path.of(folder), Clock.systemUTC().instant(), System.out));
        }
        if (args.length >= 1 && args.length <= 3 && args[0].equals("--verify-logbook")) {
            String folder = System.getenv().getOrDefault("VIVID_DATA_DIR", "./data");
            System.exit(VerifyLogbook.run(
                    List.of(args).subList(1, args.length),
                    Path.of(folder),
                    new H2Storage(Path.of(folder)),
                    System.out));
        }
        LastWords.whenAThreadDies();
        SpringApplication.run(VividCaravanApplication.class, args);
    }
}
