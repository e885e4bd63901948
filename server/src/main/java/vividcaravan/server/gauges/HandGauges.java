package vividcaravan.server.gauges;

import java.util.Comparator;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Which hand gauges there are. */
@Component
public class HandGauges {

    private static final int MOST = 500;

    private final SessionFactory sessions;
    private final SingleWriter writer;

    HandGauges(SessionFactory sessions, SingleWriter writer) {
        this.sessions = sessions;
        this.writer = writer;
    }

    /** All of them, whichever is due first first. */
    public List<HandGauge> all() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.createSelectionQuery("from HandGaugeRow", HandGaugeRow.class).getResultList().stream()
                    .map(HandGaugeRow::gauge)
                    .sorted(Comparator.comparing(HandGauge::dueOn).thenComparing(HandGauge::name))
                    .toList();
        }
    }

    /**
     * Writes one down, or what is new about it.
     *
     * @throws Refusal if there are too many
     */
    public void keep(HandGauge gauge) {
        writer.make(view -> {
            HandGaugeRow before = view.get(HandGaugeRow.class, gauge.name());
            long there = view.select("from HandGaugeRow", HandGaugeRow.class).getResultCount();
            if (before == null && there >= MOST) {
                throw Refusal.conflict("There are " + MOST + " hand gauges already. Take out those that are gone.");
            }
            return Decision.make(pen -> {
                pen.session().upsert(HandGaugeRow.of(gauge));
                return Done.by(Deed.of(
                                DeedKind.GAUGE_KEPT, thing(gauge.name()), "wrote down hand gauge " + gauge.name())
                        .with("Calibrated on", before == null ? null : before.calibratedOn, gauge.calibratedOn())
                        .with("Every so many months", before == null ? null : before.everyMonths, gauge.everyMonths())
                        .with("Depot", before == null ? null : before.depot, gauge.depot()));
            });
        });
    }

    /**
     * Takes one out that is gone; what was measured with it stays.
     *
     * @throws Refusal if there is none
     */
    void takeOut(String name) {
        writer.make(view -> {
            HandGaugeRow row = view.get(HandGaugeRow.class, name);
            if (row == null) {
                throw Refusal.notFound("There is no hand gauge \"" + name + "\".");
            }
            return Decision.make(pen -> {
                pen.session().delete(row);
                return Done.by(Deed.of(DeedKind.GAUGE_TAKEN_OUT, thing(name), "took out hand gauge " + name));
            });
        });
    }

    private static Thing thing(String name) {
        return new Thing(Thing.Kind.GAUGE, name, name);
    }
}
