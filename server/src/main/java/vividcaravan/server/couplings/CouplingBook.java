package vividcaravan.server.couplings;

import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.coupling.CouplingRefused;
import vividcaravan.server.fleet.CouplingRow;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.writer.Pen;

/** Brings couplings into memory and onto disk as one; within a write. */
@Component
class CouplingBook {

    private final FleetDirectory fleet;

    CouplingBook(FleetDirectory fleet) {
        this.fleet = fleet;
    }

    /** How a change of couplings came about. */
    record Told(Coupling.Source source, String who) {}

    /**
     * Hooks a vehicle behind another.
     *
     * @return the coupling
     * @throws CouplingRefused if it cannot be; nothing was changed
     */
    Coupling couple(Pen pen, long pulled, long puller, long from, Told told) throws CouplingRefused {
        Combinations before = fleet.couplings();
        // Looked at before it has a number of its own.
        before.with(new Coupling(0, pulled, puller, from, Coupling.OPEN, told.source()));
        CouplingRow row = new CouplingRow();
        row.pulledId = pulled;
        row.pullerId = puller;
        row.fromAt = from;
        row.source = told.source();
        row.begunBy = told.who();
        pen.session().insert(row);
        keep(pen.session(), before.with(row.coupling()), told);
        return row.coupling();
    }

    /** Ends a coupling. */
    void end(Pen pen, Coupling coupling, long at, Told told) {
        keep(pen.session(), fleet.couplings().ending(coupling.id(), at), told);
    }

    /** Takes out one that never was. */
    void forget(Pen pen, Coupling coupling, Told told) {
        keep(pen.session(), fleet.couplings().without(coupling.id()), told);
    }

    private void keep(StatelessSession session, Combinations after, Told told) {
        for (Combinations.Changed changed : after.since(fleet.couplings())) {
            Coupling coupling = changed.after();
            if (coupling == null) {
                session.createMutationQuery("delete from CouplingRow where id = :id")
                        .setParameter("id", changed.before().id())
                        .executeUpdate();
            } else if (changed.before() != null) {
                session.createMutationQuery("update CouplingRow set toAt = :to, endedSource = :source,"
                                + " endedBy = :who where id = :id")
                        .setParameter("to", coupling.isOpen() ? null : coupling.to(), Long.class)
                        .setParameter("source", told.source())
                        .setParameter("who", told.who())
                        .setParameter("id", coupling.id())
                        .executeUpdate();
            }
        }
        fleet.coupled(after);
    }

    /** What the logbook says of it, after the author's name. */
    Deed deed(DeedKind kind, long pulled, long puller, String verb) {
        FleetVehicle trailer = fleet.vehicle(pulled).orElseThrow();
        FleetVehicle before = fleet.vehicle(puller).orElseThrow();
        return Deed.of(
                        kind,
                        trailer.thing(),
                        verb + " " + trailer.description().ref() + " and "
                                + before.description().ref())
                .at(pulled)
                .at(puller);
    }
}
