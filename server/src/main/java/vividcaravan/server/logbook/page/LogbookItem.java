package vividcaravan.server.logbook.page;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.Thing;

/**
 * An entry as a page shows it.
 *
 * @param number its place in the book
 * @param author user name of a person, or name of a token
 * @param authorName as people read it
 * @param kindWords the kind of deed in plain words
 * @param thing what it is about, as addresses of pages name it
 * @param thingName as it was called then
 * @param vehicle what the vehicle that it touches is called now; null if it touches none or several
 * @param position the wheel that it touches; null if it touches none or several
 * @param words what was done, after the author's name
 * @param differences what was before and after
 * @param why the reason that was given
 * @param hash SHA-256 of the entry, in hexadecimal digits
 */
record LogbookItem(
        long number,
        Instant at,
        Author.Kind authorKind,
        String author,
        String authorName,
        DeedKind kind,
        String kindWords,
        Thing.Kind thingKind,
        String thing,
        String thingName,
        @Nullable String vehicle,
        @Nullable String position,
        String words,
        List<Difference> differences,
        @Nullable String why,
        String hash) {

    /**
     * @param vehicle what the only vehicle that the entry touches is called now, or null
     */
    static LogbookItem of(LogbookEntry entry, @Nullable String vehicle) {
        Deed deed = entry.deed();
        boolean isOneWheel =
                deed.at().size() == 1 && !deed.at().first().position().isEmpty();
        return new LogbookItem(
                entry.number(),
                entry.at(),
                entry.author().kind(),
                entry.author().id(),
                entry.author().name(),
                deed.kind(),
                deed.kind().words(),
                deed.thing().kind(),
                deed.thing().id(),
                deed.thing().name(),
                vehicle,
                isOneWheel ? deed.at().first().position() : null,
                deed.words(),
                deed.differences(),
                deed.why(),
                entry.hash());
    }
}
