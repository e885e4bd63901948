package vividcaravan.server.demo;

import java.net.URI;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.duty.Shift;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.access.ApiTokens;
import vividcaravan.server.access.DemoAccounts;
import vividcaravan.server.document.DocumentIntake;
import vividcaravan.server.duty.DutyLists;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Installation;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.simulator.FleetDocumentWriter;
import vividcaravan.simulator.Incident;
import vividcaravan.simulator.LiveSimulation;
import vividcaravan.simulator.ReadingsSender;
import vividcaravan.simulator.SimulatedFleet;

/** Brings the Larkmoor fleet in and lets its simulated receivers send, over HTTP like any other. */
@Component
class DemoFleet implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(DemoFleet.class);
    private static final String TOKEN_NAME = "simulated receivers";

    /** What the invented driver drives: a tractor unit with a fault, its trailer, and a bus. */
    private static final Set<String> DRIVEN = Set.of("GX-05", "GT-15", "BV-03");

    /** Set aside for invented people. */
    private static final String PHONE = "020 910 0177";

    private static final LocalTime BEGIN_OF_DAY = LocalTime.of(6, 0);
    private static final LocalTime END_OF_DAY = LocalTime.of(18, 0);

    private final DutyLists duty;
    private final FleetDirectory fleet;
    private final DocumentIntake register;
    private final ApiTokens tokens;
    private final Accounts accounts;
    private final DemoStores stores;
    private final DemoTyres tyres;
    private final DemoCouplings couplings;
    private final Installation installation;
    private final Clock clock;
    private final boolean isDemo;
    private final IncidentFile file;
    private volatile LiveSimulation live;
    private Thread thread;

    DemoFleet(
            DutyLists duty,
            FleetDirectory fleet,
            DocumentIntake register,
            ApiTokens tokens,
            Accounts accounts,
            DemoStores stores,
            DemoTyres tyres,
            DemoCouplings couplings,
            Installation installation,
            Clock clock,
            VividProperties properties) {
        this.isDemo = properties.demo();
        this.duty = duty;
        this.fleet = fleet;
        this.register = register;
        this.tokens = tokens;
        this.accounts = accounts;
        this.stores = stores;
        this.tyres = tyres;
        this.couplings = couplings;
        this.installation = installation;
        this.clock = clock;
        this.file = new IncidentFile(properties.dataDir().resolve("demo-incidents.json"));
    }

    @EventListener
    void ready(ApplicationReadyEvent event) {
        if (!isDemo || !(event.getApplicationContext() instanceof WebServerApplicationContext context)) {
            return;
        }
        Instant begun = installation.createdAt();
        if (fleet.vehicles().isEmpty()) {
            LOG.info("Demo: bringing in the Larkmoor fleet and three weeks of history");
            register.take(FleetDocumentWriter.larkmoor(begun.minus(Duration.ofDays(30))));
            accounts.assign(
                    DemoAccounts.DRIVER,
                    DRIVEN.stream().map(ref -> fleet.existing(ref).id()).collect(Collectors.toSet()));
            accounts.reachBy(DemoAccounts.DRIVER, PHONE);
            stores.fill();
            tyres.fill(begun);
            couplings.fill(begun);
            fleet.depots().forEach(depot -> duty.set(depot.name(), week(), List.of()));
        }
        // The secret is shown once and kept nowhere, so each start makes a new one.
        tokens.revoke(TOKEN_NAME);
        String secret = tokens.make(TOKEN_NAME, ApiTokens.Scope.RECEIVER, "the demo", "the demo")
                .secret();
        URI address = URI.create("http://localhost:" + context.getWebServer().getPort());
        live = new LiveSimulation(
                new SimulatedFleet(begun),
                new ReadingsSender(address, secret),
                newestReading(begun),
                file.read(),
                clock);
        thread = new Thread(live, "simulated-receivers");
        thread.setDaemon(true);
        thread.start();
    }

    /** The manager by day, the technician by night. */
    private static List<Shift> week() {
        return Arrays.stream(DayOfWeek.values())
                .flatMap(day -> Stream.of(
                        new Shift(DemoAccounts.MANAGER, day, BEGIN_OF_DAY, END_OF_DAY),
                        new Shift(DemoAccounts.TECHNICIAN, day, END_OF_DAY, BEGIN_OF_DAY)))
                .toList();
    }

    /** Where an earlier run got to, or where the history begins. */
    private Instant newestReading(Instant begun) {
        return fleet.sensors().stream()
                .map(KnownSensor::newest)
                .filter(Objects::nonNull)
                .map(Reading::at)
                .max(Long::compare)
                .map(at -> Instant.ofEpochMilli(at + 1))
                .orElse(begun.minus(SimulatedFleet.HISTORY));
    }

    /** The running scenario; empty outside demo mode. */
    Optional<LiveSimulation> live() {
        return Optional.ofNullable(live);
    }

    /** Keeps what was planted over a restart. */
    void keep(List<Incident> incidents) {
        file.write(incidents);
    }

    @Override
    public void destroy() {
        if (thread != null) {
            thread.interrupt();
        }
    }
}
