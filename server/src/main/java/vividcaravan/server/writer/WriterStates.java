package vividcaravan.server.writer;

import java.util.List;
import org.hibernate.StatelessSession;

/** Several states as one, each in its turn. */
record WriterStates(List<WriterState> each) implements WriterState {

    @Override
    public void load(StatelessSession session) {
        each.forEach(state -> state.load(session));
    }

    @Override
    public void settled() {
        each.forEach(WriterState::settled);
    }

    @Override
    public void takeBack(StatelessSession session) {
        each.forEach(state -> state.takeBack(session));
    }

    @Override
    public void beforeCommit(StatelessSession session) {
        each.forEach(state -> state.beforeCommit(session));
    }

    @Override
    public void onDurable() {
        each.forEach(WriterState::onDurable);
    }

    @Override
    public boolean tidy(StatelessSession session, boolean isIdle) {
        boolean hasMore = false;
        for (WriterState state : each) {
            hasMore |= state.tidy(session, isIdle);
        }
        return hasMore;
    }
}
