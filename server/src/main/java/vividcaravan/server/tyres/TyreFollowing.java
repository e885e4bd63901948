package vividcaravan.server.tyres;

import java.time.Clock;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.hibernate.StatelessSession;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.FittingsChanged;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleRedescribed;

/**
 * What happens to vehicles happens to their tyres: a sensor that is put to a wheel is not inside a tyre in store any more, and
 * a wheel that is described away leaves its tyre in store.
 */
@Component
class TyreFollowing {

    private final WornTyres worn;
    private final Clock clock;

    TyreFollowing(WornTyres worn, Clock clock) {
        this.worn = worn;
        this.clock = clock;
    }

    /** Before the alerts of the wheels that are gone are withdrawn: what they say of their tyres is kept. */
    @Order(Ordered.HIGHEST_PRECEDENCE)
    @EventListener
    void redescribed(VehicleRedescribed event) {
        worn.touched();
        if (event.gone().isEmpty()) {
            return;
        }
        Set<Position> written = new HashSet<>();
        for (TyreStayRow row : event.pen()
                .session()
                .createSelectionQuery("from TyreStayRow where vehicleId = :vehicle", TyreStayRow.class)
                .setParameter("vehicle", event.vehicle().id())
                .getResultList()) {
            Position position = Position.parse(row.position);
            written.add(position);
            if (event.gone().contains(position) && row.stay().isOpen()) {
                putAway(event, row);
                mark(event, position, row.tyreId);
            }
        }
        event.gone().stream()
                .filter(position -> !written.contains(position)
                        && !Trouble.against(event.vehicle(), position).isEmpty())
                .forEach(position -> mark(event, position, putAwayAsFound(event)));
    }

    /** A tyre of which nothing was written down, and of which trouble is known, gets a row. */
    private long putAwayAsFound(VehicleRedescribed event) {
        TyreRow row = new TyreRow();
        row.describe(Tyre.UNKNOWN);
        row.addedAt = clock.instant();
        event.pen().session().insert(row);
        event.pen()
                .session()
                .insert(TyreStayRow.of(new TyreStay(row.id, store(event), null, event.at(), TyreStay.OPEN)));
        return row.id;
    }

    /** What is open against a tyre whose wheel is described away is not forgotten with the wheel. */
    private void mark(VehicleRedescribed event, Position position, long tyre) {
        String where = event.vehicle().description().ref() + " " + position.code();
        for (Alert alert : Trouble.against(event.vehicle(), position)) {
            Trouble.mark(alert, where).ifPresent(why -> {
                TyreRow row = event.pen().session().get(TyreRow.class, tyre);
                row.mark(alert, why, clock.instant());
                event.pen().session().update(row);
            });
        }
    }

    private static TyrePlace store(VehicleRedescribed event) {
        return new TyrePlace.Away(
                TyrePlace.Kind.STORE, event.vehicle().description().depot());
    }

    /** A tyre does not vanish with its wheel; a sensor inside goes along. */
    private static void putAway(VehicleRedescribed event, TyreStayRow row) {
        TyreStay stay = row.stay();
        TyrePlace store = store(event);
        Long inside = Optional.ofNullable(event.vehicle().sensors().get(Position.parse(row.position)))
                .filter(sensor -> SensorFate.usual(sensor.mount().orElse(null), store, false) == SensorFate.TRAVELS)
                .map(KnownSensor::id)
                .orElse(null);
        cut(event.pen().session(), row, event.at());
        event.pen()
                .session()
                .insert(TyreStayRow.of(
                        new TyreStay(stay.tyre(), store, inside, Math.max(event.at(), stay.from()), TyreStay.OPEN)));
    }

    /** A stay ends; one that had not begun yet never was. */
    private static void cut(StatelessSession session, TyreStayRow row, long at) {
        TyreStay stay = row.stay();
        session.delete(row);
        if (at > stay.from()) {
            session.insert(TyreStayRow.of(stay.until(at)));
        }
    }

    @EventListener
    void fittingsChanged(FittingsChanged event) {
        StatelessSession session = event.pen().session();
        var sensors =
                event.vehicle().sensors().values().stream().map(KnownSensor::id).toList();
        if (sensors.isEmpty()) {
            return;
        }
        session.createSelectionQuery(
                        "from TyreStayRow where sensorId in :sensors and toAt = " + TyreStay.OPEN, TyreStayRow.class)
                .setParameter("sensors", sensors)
                .getResultList()
                .forEach(row -> takeOut(session, event, row));
    }

    private static void takeOut(StatelessSession session, FittingsChanged event, TyreStayRow row) {
        long since = event.vehicle().sensors().values().stream()
                .filter(sensor -> sensor.id() == row.sensorId)
                .flatMap(sensor -> sensor.fittingAt(Fitting.OPEN - 1).stream())
                .mapToLong(Fitting::from)
                .findFirst()
                .orElse(row.fromAt);
        TyreStay stay = row.stay();
        cut(session, row, since);
        long from = Math.max(since, stay.from());
        session.insert(TyreStayRow.of(new TyreStay(stay.tyre(), stay.place(), null, from, TyreStay.OPEN)));
    }
}
