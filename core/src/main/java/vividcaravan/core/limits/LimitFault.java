package vividcaravan.core.limits;

/**
 * A limit that cannot stand, in words.
 *
 * @param field the limit's name, such as {@code lowCriticalPct}
 * @param message what is wrong, the actual value, what is allowed
 */
public record LimitFault(String field, String message) {}
