package vividcaravan.server.tyres;

import java.util.Optional;
import org.hibernate.StatelessSession;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.tyres.SensorFate;
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

    @EventListener
    void redescribed(VehicleRedescribed event) {
        if (event.gone().isEmpty()) {
            return;
        }
        event
                .pen()
                .session()
                .createSelectionQuery(
                        "from TyreStayRow where vehicleId = :vehicle and toAt = " + TyreStay.OPEN, TyreStayRow.class)
                .setParameter("vehicle", event.vehicle().id())
                .getResultList()
                .stream()
                .filter(row -> event.gone().contains(Position.parse(row.position)))
                .forEach(row -> putAway(event, row));
    }

    /** A tyre does not vanish with its wheel; a sensor inside goes along. */
    private static void putAway(VehicleRedescribed event, TyreStayRow row) {
        TyreStay stay = row.stay();
        TyrePlace store = new TyrePlace.Away(
                TyrePlace.Kind.STORE, event.vehicle().description().depot());
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
