package vividcaravan.server.drivers;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.core.driver.DriverWords;
import vividcaravan.core.driver.Instruction;
import vividcaravan.core.words.Language;
import vividcaravan.server.access.Account;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.access.Role;
import vividcaravan.server.alerts.AlertActions;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.mail.MailState;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.picture.Departures;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.texts.TextState;
import vividcaravan.server.texts.Texts;

/** Tells drivers what to do about an alert, by what they have, and knows what became of it. */
@Service
public class Instructions {

    /** A way by which an instruction goes. */
    enum Channel {
        PAGE,
        EMAIL,
        TEXT
    }

    /** How far it came. */
    enum State {
        WAITING,
        SENT,
        FAILED,
        SEEN,
        ANSWERED
    }

    /**
     * What became of an instruction by one way.
     *
     * @param at when that was, where it is known
     * @param trouble why it failed, or has to wait
     */
    record Delivery(Channel channel, State state, @Nullable Instant at, @Nullable String trouble) {}

    /** What a driver was told, as it was sent. */
    record Told(String driver, Language language, String text, String by, Instant at, List<Delivery> deliveries) {}

    /**
     * Somebody who drives the vehicle, and what they would be told.
     *
     * @param hasEmail whether a mail can be sent to them
     * @param hasPhone whether a text message can be sent to them
     */
    record Driver(
            String userName, String displayName, Language language, String text, boolean hasEmail, boolean hasPhone) {}

    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    private final Accounts accounts;
    private final AlertActions actions;
    private final Departures departures;
    private final Outbox outbox;
    private final Texts texts;
    private final Clock clock;

    Instructions(
            SessionFactory sessions,
            FleetDirectory fleet,
            Accounts accounts,
            AlertActions actions,
            Departures departures,
            Outbox outbox,
            Texts texts,
            Clock clock) {
        this.sessions = sessions;
        this.fleet = fleet;
        this.accounts = accounts;
        this.actions = actions;
        this.departures = departures;
        this.outbox = outbox;
        this.texts = texts;
        this.clock = clock;
    }

    private record Case(FleetVehicle vehicle, Alert alert, Departure.Holds holds) {
        Instruction in(Language language) {
            return DriverWords.in(language)
                    .instruction(alert, vehicle.description().ref(), holds);
        }

        String textIn(Language language) {
            return in(language).text(call(vehicle, language).orElse(null));
        }
    }

    /** Whom drivers of this vehicle call, as a sentence. */
    static Optional<String> call(FleetVehicle vehicle, Language language) {
        return vehicle.depot().filter(depot -> depot.phone() != null).map(depot -> DriverWords.in(language)
                .call(depot.name(), depot.phone()));
    }

    private Case found(long alertId) {
        for (FleetVehicle vehicle : fleet.vehicles()) {
            for (Alert alert : vehicle.openAlerts()) {
                if (alert.id() == alertId) {
                    return new Case(vehicle, vehicle.asItIsNow(alert), departures.holds(vehicle));
                }
            }
        }
        throw Refusal.conflict("Alert " + alertId + " is not open; nobody is told of it any more.");
    }

    /** Who drives it, or a vehicle that it hangs behind. */
    private List<Accounts.Member> driversOf(FleetVehicle vehicle) {
        List<FleetVehicle> combination = fleet.combination(vehicle, clock.millis());
        List<Long> upToIt = combination.subList(0, combination.indexOf(vehicle) + 1).stream()
                .map(FleetVehicle::id)
                .toList();
        return accounts.all().stream()
                .filter(member -> member.removedAt() == null
                        && member.account().role() == Role.DRIVER
                        && member.vehicleIds().stream().anyMatch(upToIt::contains))
                .toList();
    }

    /** Who can be told of an open alert, and what. */
    List<Driver> drivers(long alertId) {
        Case known = found(alertId);
        return driversOf(known.vehicle).stream()
                .map(member -> new Driver(
                        member.account().userName(),
                        member.account().displayName(),
                        language(member),
                        known.textIn(language(member)),
                        member.email() != null,
                        phone(member) != null))
                .toList();
    }

    private @Nullable String phone(Accounts.Member member) {
        return texts.isThere() ? member.phone() : null;
    }

    private static Language language(Accounts.Member member) {
        Language own = member.account().preferences().language();
        return own == null ? Language.EN : own;
    }

    /**
     * Tells a driver what to do: on their page, by mail and by text message, as far as they have them.
     *
     * @param who user name of whoever tells them
     * @throws Refusal if the alert is not open, or nobody of this name drives the vehicle
     */
    void tell(long alertId, @Nullable String driver, String who) {
        Case known = found(alertId);
        Accounts.Member member = driversOf(known.vehicle).stream()
                .filter(one -> one.account().userName().equals(driver))
                .findFirst()
                .orElseThrow(() -> Refusal.badRequest(
                        "driver",
                        "\"" + driver + "\" does not drive "
                                + known.vehicle.description().ref()
                                + ". Choose one who does, or assign the vehicle to them in the Office."));
        InstructionRow row = new InstructionRow();
        row.alertId = alertId;
        row.driver = member.account().userName();
        row.language = language(member);
        row.text = known.textIn(row.language);
        row.toldBy = who;
        row.toldAt = clock.instant();
        row.email = member.email();
        row.phone = phone(member);
        String words = member.account().displayName() + ", on their page" + (row.email == null ? "" : ", by mail")
                + (row.phone == null ? "" : ", by text message");
        String subject = known.vehicle.description().ref() + ": "
                + known.in(row.language).doNow();
        actions.instruct(alertId, who, words, pen -> {
            List<Deed> deeds = new ArrayList<>();
            if (row.email != null) {
                Deed mail = outbox.call(pen, row.email, subject, row.text);
                row.mailId = Long.valueOf(mail.thing().id());
                deeds.add(mail);
            }
            if (row.phone != null) {
                Deed text = texts.write(pen, row.phone, row.text);
                row.textId = Long.valueOf(text.thing().id());
                deeds.add(text);
            }
            pen.session().insert(row);
            return deeds;
        });
    }

    /**
     * An instruction that went out as a text message.
     *
     * @param id the message's number
     * @param driver the driver's own name
     */
    public record Texted(long id, String driver, String phone, String text, Instant at) {}

    /** The latest instructions that went out as text messages, the newest first. */
    public List<Texted> texted(int most) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery(
                            "from InstructionRow where textId is not null order by id desc", InstructionRow.class)
                    .setMaxResults(most)
                    .getResultList()
                    .stream()
                    .map(row -> new Texted(
                            row.textId,
                            accounts.find(row.driver).map(Account::displayName).orElse(row.driver),
                            row.phone,
                            row.text,
                            row.toldAt))
                    .toList();
        }
    }

    /**
     * The driver has answered an instruction by text message.
     *
     * @throws Refusal if no instruction went out with that message
     */
    public void answeredByText(long textId, DriverAnswer answer) {
        InstructionRow row;
        try (StatelessSession session = sessions.openStatelessSession()) {
            row = session.createSelectionQuery("from InstructionRow where textId = :text", InstructionRow.class)
                    .setParameter("text", textId)
                    .uniqueResultOptional()
                    .orElseThrow(() -> Refusal.notFound("No instruction went out with text message " + textId + "."));
        }
        actions.answer(row.alertId, row.driver, answer);
    }

    /** What drivers were told of an alert, the latest first, and how far it came. */
    List<Told> told(long alertId, List<AlertEntry> record) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery(
                            "from InstructionRow where alertId = :alert order by id desc", InstructionRow.class)
                    .setParameter("alert", alertId)
                    .getResultList()
                    .stream()
                    .map(row -> new Told(
                            row.driver, row.language, row.text, row.toldBy, row.toldAt, deliveries(row, record)))
                    .toList();
        }
    }

    /** When a driver was told last of an alert. */
    Optional<Instant> lastTold(long alertId, String driver) {
        return told(alertId, List.of()).stream()
                .filter(told -> told.driver().equals(driver))
                .map(Told::at)
                .max(Comparator.naturalOrder());
    }

    private List<Delivery> deliveries(InstructionRow row, List<AlertEntry> record) {
        List<Delivery> all = new ArrayList<>(List.of(onPage(row, record)));
        if (row.mailId != null) {
            outbox.find(row.mailId).map(Instructions::byMail).ifPresent(all::add);
        }
        if (row.textId != null) {
            texts.find(row.textId).map(Instructions::byText).ifPresent(all::add);
        }
        return all;
    }

    private static Delivery onPage(InstructionRow row, List<AlertEntry> record) {
        List<AlertEntry> own = record.stream()
                .filter(entry -> row.driver.equals(entry.who()) && entry.at() >= row.toldAt.toEpochMilli())
                .toList();
        return own.stream()
                .filter(entry -> entry.change().isAnswer())
                .findFirst()
                .map(entry -> new Delivery(Channel.PAGE, State.ANSWERED, Instant.ofEpochMilli(entry.at()), null))
                .or(() -> own.stream()
                        .filter(entry -> entry.change() == AlertEntry.Change.DRIVER_READ)
                        .findFirst()
                        .map(entry -> new Delivery(Channel.PAGE, State.SEEN, Instant.ofEpochMilli(entry.at()), null)))
                .orElse(new Delivery(Channel.PAGE, State.SENT, row.toldAt, null));
    }

    private static Delivery byText(Texts.Text text) {
        State state =
                switch (text.state()) {
                    case SENT -> State.SENT;
                    case FAILED -> State.FAILED;
                    default -> State.WAITING;
                };
        boolean isKept = text.state() == TextState.KEPT;
        return new Delivery(
                Channel.TEXT,
                state,
                text.sentAt(),
                isKept
                        ? "This is the demo; it stays under Text messages and is answered on the Demo page."
                        : text.trouble());
    }

    private static Delivery byMail(Outbox.Mail mail) {
        boolean isKept = mail.state() == MailState.KEPT;
        State state =
                switch (mail.state()) {
                    case SENT -> State.SENT;
                    case FAILED -> State.FAILED;
                    default -> State.WAITING;
                };
        return new Delivery(
                Channel.EMAIL,
                state,
                mail.sentAt(),
                isKept ? "No mail server is set; it stays in the outbox." : mail.trouble());
    }
}
