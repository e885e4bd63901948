package vividcaravan.server.platform;

import java.util.Optional;
import java.util.Set;

/** How far whoever is asking may see. */
public interface ReaderSight {

    /** Identities of the vehicles that the person behind the present request may see; empty if all. */
    Optional<Set<Long>> vehicleIds();
}
