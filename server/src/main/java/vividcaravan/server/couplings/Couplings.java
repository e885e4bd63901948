package vividcaravan.server.couplings;

import java.util.Comparator;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Service;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.coupling.CouplingFault;
import vividcaravan.core.coupling.CouplingRefused;
import vividcaravan.server.fleet.CouplingRow;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Couples and uncouples vehicles as people say, and knows who pulled whom when. */
@Service
public class Couplings {

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final CouplingBook book;
    private final RoadWatch watch;

    Couplings(SessionFactory sessions, SingleWriter writer, FleetDirectory fleet, CouplingBook book, RoadWatch watch) {
        this.sessions = sessions;
        this.writer = writer;
        this.fleet = fleet;
        this.book = book;
        this.watch = watch;
    }

    /** Who pulled a vehicle and what it pulled, the latest first. */
    List<CouplingRow> of(FleetVehicle vehicle) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery("from CouplingRow where pulledId = :id or pullerId = :id", CouplingRow.class)
                    .setParameter("id", vehicle.id())
                    .getResultList()
                    .stream()
                    .sorted(Comparator.comparingLong((CouplingRow row) -> row.fromAt)
                            .reversed())
                    .toList();
        }
    }

    /**
     * Hooks a vehicle behind another; whatever it hung behind before ends then.
     *
     * @param at since when, epoch milliseconds
     * @param who user name of whoever says so
     * @throws Refusal if it cannot be
     */
    public void couple(FleetVehicle pulled, FleetVehicle puller, long at, Coupling.Source source, String who) {
        if (!pulled.description().kind().isPulled()) {
            throw Refusal.badRequest("pulled", CouplingFault.NO_TRAILER.words());
        }
        writer.make(view -> {
            Combinations before = fleet.couplings();
            try {
                before.with(new Coupling(0, pulled.id(), puller.id(), at, Coupling.OPEN, source));
            } catch (CouplingRefused e) {
                throw refusal(e);
            }
            return Decision.make(pen -> {
                try {
                    book.couple(pen, pulled.id(), puller.id(), at, new CouplingBook.Told(source, who));
                } catch (CouplingRefused e) {
                    throw refusal(e);
                }
                watch.changed();
                return Done.by(book.deed(DeedKind.COUPLED, pulled.id(), puller.id(), "coupled")
                        .with(
                                "Hangs behind",
                                before.before(pulled.id(), at)
                                        .flatMap(one -> fleet.vehicle(one.puller()))
                                        .map(one -> one.description().ref())
                                        .orElse(null),
                                puller.description().ref()));
            });
        });
    }

    private static Refusal refusal(CouplingRefused e) {
        return Refusal.conflict(e.fault().words() + " Nothing was stored.");
    }

    private Coupling existing(long id) {
        return fleet.couplings()
                .find(id)
                .orElseThrow(() -> Refusal.notFound("There is no such coupling; perhaps it was corrected meanwhile."));
    }

    /** The coupling of this identity as a pair of vehicles, to be looked at by whoever asks. */
    List<FleetVehicle> pair(long id) {
        Coupling coupling = existing(id);
        return List.of(
                fleet.vehicle(coupling.pulled()).orElseThrow(),
                fleet.vehicle(coupling.puller()).orElseThrow());
    }

    /**
     * Uncouples two vehicles.
     *
     * @param at until when, epoch milliseconds
     * @throws Refusal if they are not coupled, or it began later
     */
    void end(long id, long at, Coupling.Source source, String who) {
        writer.make(view -> {
            Coupling coupling = existing(id);
            if (!coupling.isOpen()) {
                throw Refusal.conflict("They are uncoupled already; somebody else may have said so.");
            }
            if (at <= coupling.from()) {
                throw Refusal.badRequest("at", CouplingFault.BACKWARDS.words());
            }
            return Decision.make(pen -> {
                book.end(pen, coupling, at, new CouplingBook.Told(source, who));
                watch.changed();
                return Done.by(book.deed(DeedKind.UNCOUPLED, coupling.pulled(), coupling.puller(), "uncoupled"));
            });
        });
    }

    /** Takes out a coupling that never was. */
    void forget(long id, String who) {
        writer.make(view -> {
            Coupling coupling = existing(id);
            return Decision.make(pen -> {
                book.forget(pen, coupling, new CouplingBook.Told(Coupling.Source.PERSON, who));
                watch.changed();
                return Done.by(
                        book.deed(DeedKind.UNCOUPLED, coupling.pulled(), coupling.puller(), "took out the coupling of")
                                .because("It never was."));
            });
        });
    }

    /** Somebody says that a trailer that is heard with a motor vehicle does not hang behind it. */
    void deny(FleetVehicle trailer, FleetVehicle front) {
        writer.make(view -> Decision.make(pen -> {
            watch.deny(trailer.id(), front.id());
            return Done.by(book.deed(DeedKind.COUPLING_DENIED, trailer.id(), front.id(), "denied a coupling of"));
        }));
    }
}
