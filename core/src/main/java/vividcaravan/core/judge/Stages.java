package vividcaravan.core.judge;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.Arrays;
import vividcaravan.core.alert.AlertFamily;

/** A {@link Stage} for every {@link Limit} of a wheel. */
final class Stages {

    private final Stage[] stages = new Stage[Limit.ALL.length];

    Stages() {
        Arrays.setAll(stages, i -> new Stage());
    }

    Stage at(Limit limit) {
        return stages[limit.ordinal()];
    }

    boolean isRaised(Limit limit) {
        return at(limit).isRaised();
    }

    boolean isAnyRaised(Limit... limits) {
        for (Limit limit : limits) {
            if (isRaised(limit)) {
                return true;
            }
        }
        return false;
    }

    /** The most urgent limit that is raised in a family, or null. */
    Limit worst(AlertFamily family) {
        for (Limit limit : Limit.ALL) {
            if (limit.family() == family && isRaised(limit)) {
                return limit;
            }
        }
        return null;
    }

    /** Whether the latest reading was well inside every limit of a family. */
    boolean isEasy(AlertFamily family) {
        for (Limit limit : Limit.ALL) {
            if (limit.family() == family && at(limit).isUneasy()) {
                return false;
            }
        }
        return true;
    }

    void writeTo(DataOutput out) throws IOException {
        for (Stage stage : stages) {
            stage.writeTo(out);
        }
    }

    void readFrom(DataInput in) throws IOException {
        for (Stage stage : stages) {
            stage.readFrom(in);
        }
    }
}
