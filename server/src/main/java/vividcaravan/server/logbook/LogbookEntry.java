package vividcaravan.server.logbook;

import java.time.Instant;

/**
 * An entry of the book.
 *
 * @param number its place; one more than that of the entry before
 * @param at when it was entered, to the millisecond; never before the entry before
 * @param previous hash of the entry before, in hexadecimal digits; {@link Chain#BEGINNING} for the first
 * @param hash over all the rest, in hexadecimal digits
 */
public record LogbookEntry(long number, Instant at, Author author, Deed deed, String previous, String hash) {}
