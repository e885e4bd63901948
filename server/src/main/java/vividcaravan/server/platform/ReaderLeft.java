package vividcaravan.server.platform;

/**
 * Somebody may no longer read as they did: they left, their session or token was ended, or they see other vehicles now.
 *
 * @param reader their {@link ReaderKey}
 */
public record ReaderLeft(String reader) {}
