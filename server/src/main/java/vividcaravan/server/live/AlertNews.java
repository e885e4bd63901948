package vividcaravan.server.live;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.server.alerts.AlertQueries;

/** A changed alert as it is told: made once for all who read in the same units. */
final class AlertNews {

    private final AlertQueries.Change change;
    private final JsonMapper json;
    private final Map<AlertWords, String> told = new ConcurrentHashMap<>();

    AlertNews(AlertQueries.Change change, JsonMapper json) {
        this.change = change;
        this.json = json;
    }

    long vehicle() {
        return change.vehicle();
    }

    boolean isTold() {
        return change.isTold();
    }

    /** Its item as JSON. */
    String json(AlertWords words) {
        return told.computeIfAbsent(
                words, w -> json.writeValueAsString(change.item().apply(w)));
    }
}
