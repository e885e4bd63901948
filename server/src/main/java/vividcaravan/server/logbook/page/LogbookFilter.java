package vividcaravan.server.logbook.page;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.DeedKind;

/**
 * Which entries are wanted; what is null does not matter.
 *
 * @param vehicle identity of a vehicle that they touch
 * @param position code of a wheel of it; entries about the vehicle as a whole are not of its wheels
 * @param author who did it, by user name or name of the token
 * @param alert identity of the alert that they are about
 * @param from not before
 * @param to before
 * @param text words that have to occur, all of them
 */
record LogbookFilter(
        @Nullable Long vehicle,
        @Nullable String position,
        Author.@Nullable Kind authorKind,
        @Nullable String author,
        @Nullable DeedKind kind,
        @Nullable Long alert,
        @Nullable Instant from,
        @Nullable Instant to,
        @Nullable String text) {}
