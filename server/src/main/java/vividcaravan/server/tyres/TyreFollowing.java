package vividcaravan.server.tyres;

import org.hibernate.StatelessSession;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.FittingsChanged;
import vividcaravan.server.fleet.KnownSensor;

/** A sensor that is put to a wheel is not inside a tyre in store any more. */
@Component
class TyreFollowing {

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
        session.delete(row);
        if (since > stay.from()) {
            session.insert(TyreStayRow.of(new TyreStay(stay.tyre(), stay.place(), stay.sensor(), stay.from(), since)));
        }
        long from = Math.max(since, stay.from());
        session.insert(TyreStayRow.of(new TyreStay(stay.tyre(), stay.place(), null, from, TyreStay.OPEN)));
    }
}
