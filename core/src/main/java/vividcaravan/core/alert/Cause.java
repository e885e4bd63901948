package vividcaravan.core.alert;

/**
 * What may be behind an alert.
 *
 * @param likely the cause, in a few words
 * @param because what speaks for it, a sentence with figures
 */
public record Cause(String likely, String because) {}
