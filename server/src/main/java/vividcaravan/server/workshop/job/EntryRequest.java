package vividcaravan.server.workshop.job;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.platform.AtMost;

/**
 * Something entered at a vehicle.
 *
 * @param key given by its author, the same whenever it is sent again
 * @param at when it was entered; now unless said otherwise
 * @param basedOn number of the last entry of this kind and wheel that its author had seen; 0 if there was none
 * @param isMeant whether its author was told of what speaks against it and means it all the same
 */
record EntryRequest(
        @AtMost(64) @Nullable String key,
        @Nullable EntryKind kind,
        @AtMost(10) @Nullable String position,
        @Nullable Instant at,
        @Nullable Integer basedOn,
        @Nullable Boolean isMeant,
        @Nullable EntryData data) {

    boolean isInsisted() {
        return Boolean.TRUE.equals(isMeant);
    }

    EntryData said() {
        return data == null ? EntryData.NONE : data;
    }
}
