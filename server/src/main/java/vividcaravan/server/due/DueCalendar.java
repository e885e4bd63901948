package vividcaravan.server.due;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Classification;
import biweekly.property.RefreshInterval;
import biweekly.util.DateTimeComponents;
import biweekly.util.Duration;
import biweekly.util.ICalDate;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Date;
import java.util.List;
import org.springframework.stereotype.Component;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;

/** Due work as a calendar [RFC 5545]: a whole day each, by the clock of its depot; what is overdue stands on today. */
@Component
class DueCalendar {

    private final FleetDirectory fleet;

    DueCalendar(FleetDirectory fleet) {
        this.fleet = fleet;
    }

    String of(List<DueWork.Due> due, Instant now) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Vivid Caravan//Due work//EN");
        calendar.setName("Due work");
        calendar.setRefreshInterval(
                new RefreshInterval(Duration.builder().hours(1).build()));
        due.forEach(one -> calendar.addEvent(event(one, now)));
        return Biweekly.write(calendar).go();
    }

    private VEvent event(DueWork.Due due, Instant now) {
        ZoneId zone = due.depot() == null
                ? ZoneOffset.UTC
                : fleet.depot(due.depot()).map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
        Instant at = Instant.ofEpochMilli(due.item().dueAt());
        LocalDate day = LocalDate.ofInstant(at.isBefore(now) ? now : at, zone);
        VEvent event = new VEvent();
        // The same while it is due, so that a calendar moves it and does not add another.
        event.setUid(due.item().kind() + "." + due.item().thing().replaceAll("[^A-Za-z0-9-]", "-") + "@vivid-caravan");
        event.setDateTimeStamp(Date.from(now));
        event.setDateStart(
                new ICalDate(new DateTimeComponents(day.getYear(), day.getMonthValue(), day.getDayOfMonth()), false));
        event.setSummary(due.item().thing() + ": " + due.item().kind().words());
        event.setDescription(due.item().words());
        if (due.depot() != null) {
            event.setLocation(due.depot());
        }
        event.setClassification(Classification.private_());
        return event;
    }
}
