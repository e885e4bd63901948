package vividcaravan.core.judge.sensors;

import java.util.function.Consumer;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.air.AirSteps;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.judge.siblings.Siblings;

/** A wheel whose pressure people set, and where it can be seen whether the air came to it. */
public interface Filled {

    /** Where it is. */
    Position position();

    /**
     * The recorded adjustment whose effect is settled with the latest reading, epoch milliseconds; {@code Long.MIN_VALUE}
     * otherwise.
     */
    long settledAdjustment();

    /** Sudden changes of its pressure. */
    AirSteps steps();

    /** Whether its sensor is said to sit at another wheel. */
    boolean isCrossed();

    /** Air that was let in here on record was seen here. */
    void wasProvenInPlace();

    /** Air that was let in here on record was seen at {@code other}. */
    void wasCrossedWith(Position other, long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings);

    /** Whether its latest reading showed that its level had stepped. */
    boolean hasJustStepped();

    /** Its level and that of another wheel became each other's. */
    void wasExchanged(
            ExchangeWatch.Exchange exchange, long at, WheelRules rules, Siblings siblings, Consumer<Finding> findings);
}
