package vividcaravan.core.judge.rules;

import java.util.Arrays;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.judge.memory.Memory;

/** A {@link Stage} for every {@link Limit} of a wheel. */
public final class Stages {

    private final Stage[] stages = new Stage[Limit.ALL.length];

    /** None of them reached. */
    public Stages() {
        Arrays.setAll(stages, i -> new Stage());
    }

    /** The stage of one limit. */
    public Stage at(Limit limit) {
        return stages[limit.ordinal()];
    }

    /** Whether a limit is held to be reached. */
    public boolean isRaised(Limit limit) {
        return at(limit).isRaised();
    }

    /** Whether any of these is. */
    public boolean isAnyRaised(Limit... limits) {
        for (Limit limit : limits) {
            if (isRaised(limit)) {
                return true;
            }
        }
        return false;
    }

    /** The most urgent limit that is raised in a family, or null. */
    public Limit worst(AlertFamily family) {
        for (Limit limit : Limit.ALL) {
            if (limit.family() == family && isRaised(limit)) {
                return limit;
            }
        }
        return null;
    }

    /** Whether the latest reading was well inside every limit of a family. */
    public boolean isEasy(AlertFamily family) {
        for (Limit limit : Limit.ALL) {
            if (limit.family() == family && at(limit).isUneasy()) {
                return false;
            }
        }
        return true;
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        for (Limit limit : Limit.ALL) {
            at(limit).remember(memory.part(limit.name()));
        }
    }
}
