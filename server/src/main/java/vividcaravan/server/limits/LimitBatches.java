package vividcaravan.server.limits;

import java.time.Clock;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.View;

/** The changes of limits that were made, with what it takes to undo them. */
@Component
class LimitBatches {

    private final SessionFactory sessions;
    private final Clock clock;
    private final JsonMapper json;

    LimitBatches(SessionFactory sessions, Clock clock, JsonMapper json) {
        this.sessions = sessions;
        this.clock = clock;
        this.json = json;
    }

    /** Keeps a change, within a write, and returns its identity. */
    long keep(StatelessSession session, LimitPlan.Kept kept, String words, String who) {
        LimitBatchRow row = new LimitBatchRow();
        row.at = clock.millis();
        row.who = who;
        row.words = words;
        row.kept = json.writeValueAsString(kept);
        row.format = LimitBatchRow.FIELDS;
        session.insert(row);
        return row.id;
    }

    /**
     * A change that was not undone yet.
     *
     * @throws Refusal if there is none, or it was made by a version that did not keep what it takes
     */
    LimitBatchRow undoable(View view, long batch) {
        LimitBatchRow row = view.get(LimitBatchRow.class, batch);
        if (row == null || row.undoneAt != null) {
            throw Refusal.notFound("There is no change " + batch + " that could be undone.");
        }
        if (row.format != LimitBatchRow.FIELDS) {
            throw Refusal.conflict("This change was made with an earlier version, which did not keep what it takes to"
                    + " undo it safely. Set the limits by hand.");
        }
        return row;
    }

    /** What a change changed. */
    LimitPlan.Kept kept(LimitBatchRow row) {
        return json.readValue(row.kept, LimitPlan.Kept.class);
    }

    /** Notes, within a write, that a change was undone. */
    void undone(StatelessSession session, LimitBatchRow row) {
        row.undoneAt = clock.millis();
        session.update(row);
    }

    /** A change that was made. */
    record MadeChange(String id, long at, String who, String words, boolean isUndone) {}

    /** The last changes, the newest first. */
    List<MadeChange> latest() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery("from LimitBatchRow order by id desc", LimitBatchRow.class)
                    .setMaxResults(20)
                    .getResultList()
                    .stream()
                    .map(row -> new MadeChange(Long.toString(row.id), row.at, row.who, row.words, row.undoneAt != null))
                    .toList();
        }
    }
}
