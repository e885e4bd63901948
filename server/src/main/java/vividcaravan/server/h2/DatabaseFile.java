package vividcaravan.server.h2;

import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.StartRefused;
import vividcaravan.server.platform.VividProperties;

/** Where the database is: one file in the data folder. */
@Component
public final class DatabaseFile implements JdbcConnectionDetails {

    /** Acknowledged means on disk: see docs/architecture.md, "Durable". */
    public static final String SETTINGS = ";WRITE_DELAY=0;ANALYZE_AUTO=0;DB_CLOSE_ON_EXIT=FALSE;CACHE_SIZE=65536"
            // What is overwritten is kept for so long, in case the disk has not written what replaces it. We wait for
            // the disk with every group of writes, so that a few seconds are plenty, and the file stays small.
            + ";RETENTION_TIME=5000"
            // Blocks of readings and the judges' states shrink to a third by that, for little work.
            + ";COMPRESS=TRUE";

    private final VividProperties properties;

    /**
     * @throws StartRefused if the file is there and empty, or holds less than it did: that is no new product but a lost one
     */
    DatabaseFile(VividProperties properties) {
        this.properties = properties;
        Path file = properties.dataDir().resolve(H2Storage.NAME + ".mv.db");
        if (Files.isRegularFile(file) && file.toFile().length() == 0) {
            throw new StartRefused(
                    "The database in the folder " + properties.dataDir().toAbsolutePath()
                            + " is damaged: its file has no bytes.",
                    "Bring back the newest backup: bin/vivid-caravan --restore FILE, with VIVID_DATA_DIR"
                            + " naming this folder. To begin anew instead, take the empty file away.");
        }
        DatabaseAge.refuseOlder(file);
    }

    @Override
    public String getJdbcUrl() {
        return url(properties.dataDir().resolve(H2Storage.NAME).toString());
    }

    /**
     * How H2 is to open a database that is written to.
     *
     * @param path without its ending, may begin with another scheme of H2's
     */
    public static String url(String path) {
        // H2 takes no path that is relative to where the product happens to be started.
        String full = path.contains(":")
                ? path
                : Path.of(path).toAbsolutePath().normalize().toString();
        return "jdbc:h2:" + HeaderLast.schemeForH2() + full + SETTINGS;
    }

    @Override
    public String getUsername() {
        return "sa";
    }

    @Override
    public String getPassword() {
        return "";
    }
}
