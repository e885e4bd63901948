package vividcaravan.server.alerts;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** Some alerts, and where the next ones begin. */
public record AlertPage(List<AlertItem> items, @Nullable String nextCursor) {}
