package vividcaravan.server.access;

/** A person who may sign in. */
public record Account(String userName, String displayName, Role role, Preferences preferences) {}
