package vividcaravan.server.writer;

import org.hibernate.StatelessSession;
import org.hibernate.query.SelectionQuery;
import org.jspecify.annotations.Nullable;

/** What is stored, to be looked at: nothing can be changed through it. */
public interface View {

    /** The row of this identity, or null. */
    <T> @Nullable T get(Class<T> type, Object id);

    /** A query that reads. */
    <T> SelectionQuery<T> select(String query, Class<T> type);

    /** What {@code session} sees. */
    static View of(StatelessSession session) {
        return new View() {
            @Override
            public <T> @Nullable T get(Class<T> type, Object id) {
                return session.get(type, id);
            }

            @Override
            public <T> SelectionQuery<T> select(String query, Class<T> type) {
                return session.createSelectionQuery(query, type);
            }
        };
    }
}
