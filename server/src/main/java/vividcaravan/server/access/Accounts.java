package vividcaravan.server.access;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.ReaderKey;
import vividcaravan.server.platform.ReaderLeft;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** The people who may sign in. Demo accounts count in demo mode only, the others otherwise only. */
@Service
public class Accounts implements UserDetailsService {

    private static final Logger LOG = LoggerFactory.getLogger(Accounts.class);

    private static final Pattern USER_NAME = Pattern.compile("[a-z0-9][a-z0-9._-]{1,39}");
    private static final int LONGEST_NAME = 120;
    private static final int SHORTEST_PASSWORD = 10;
    /** bcrypt looks at no more bytes than this. */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    /** What no password matches. */
    private static final String NO_PASSWORD = "{none}";

    private final AccountRepository rows;
    private final ApiTokenRepository tokens;
    private final SingleWriter writer;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final boolean isDemo;

    Accounts(
            AccountRepository rows,
            ApiTokenRepository tokens,
            SingleWriter writer,
            PasswordEncoder passwords,
            Clock clock,
            ApplicationEventPublisher events,
            VividProperties properties) {
        this.rows = rows;
        this.tokens = tokens;
        this.writer = writer;
        this.passwords = passwords;
        this.clock = clock;
        this.events = events;
        this.isDemo = properties.demo();
    }

    @Override
    public UserDetails loadUserByUsername(String userName) {
        return active(userName)
                .map(row -> new SignedIn(
                        row.userName, row.displayName, row.passwordHash, row.role, row.sessionNumber, clock.instant()))
                .orElseThrow(() -> new UsernameNotFoundException("no such account"));
    }

    private Optional<AccountRow> row(String userName) {
        return rows.findByUserName(SignInThrottle.name(userName)).filter(row -> row.isDemo == isDemo);
    }

    private Optional<AccountRow> active(String userName) {
        return row(userName).filter(row -> row.removedAt == null);
    }

    /** The account of this name, if it counts in the present mode and was not taken off. */
    public Optional<Account> find(String userName) {
        return active(userName).map(AccountRow::account);
    }

    /** Number that a session of this person has to have; none for a name that does not count. */
    Optional<Integer> sessionNumber(String userName) {
        return active(userName).map(row -> row.sessionNumber);
    }

    /**
     * Ends a person's sessions.
     *
     * @return the number that sessions have to have from now on
     */
    public int endSessions(String userName) {
        int number = writer.make(view -> {
            AccountRow row = existing(view, userName);
            return Decision.make(pen -> {
                row.sessionNumber++;
                pen.session().update(row);
                return new Done<>(
                        row.sessionNumber, deed(DeedKind.SESSIONS_ENDED, row, "ended the other sessions of "));
            });
        });
        left(userName);
        return number;
    }

    /** Tells that somebody's streams are to end. */
    private void left(String userName) {
        events.publishEvent(new ReaderLeft(ReaderKey.ofPerson(SignInThrottle.name(userName))));
    }

    private static Deed deed(DeedKind kind, AccountRow row, String words) {
        return Deed.of(kind, new Thing(Thing.Kind.ACCOUNT, row.userName, row.displayName), words + row.displayName);
    }

    /**
     * Changes a person's password; all their sessions end.
     *
     * @return the number that sessions have to have from now on
     * @throws Refusal if {@code next} is too short or too long, or the same as before
     */
    public int changePassword(String userName, @Nullable String next) {
        Faults faults = new Faults();
        checkPassword(next, "next", faults);
        if (faults.isEmpty() && passwords.matches(next, existing(userName).passwordHash)) {
            faults.add("next", "That is the password you have. Choose another.");
        }
        faults.refuse();
        // Slow on purpose, so not on the writer's thread.
        String hash = passwords.encode(next);
        int number = writer.make(view -> {
            AccountRow row = existing(view, userName);
            return Decision.make(pen -> {
                row.passwordHash = hash;
                row.sessionNumber++;
                pen.session().update(row);
                return new Done<>(row.sessionNumber, deed(DeedKind.PASSWORD_CHANGED, row, "changed the password of "));
            });
        });
        left(userName);
        return number;
    }

    /** Whether there is somebody who can make accounts for others. */
    public boolean hasManager() {
        return rows.countByIsDemoAndRoleAndRemovedAtIsNull(isDemo, Role.MANAGER) > 0;
    }

    /**
     * A person with what only the manager needs to know.
     *
     * @param email null where the account was made by hand
     * @param removedAt since when this person is no longer on the team; null while they are
     * @param vehicleIds vehicles that a driver sees
     */
    public record Member(
            Account account,
            @Nullable String email,
            @Nullable String phone,
            @Nullable Instant removedAt,
            Set<Long> vehicleIds) {}

    /** Everybody, by name; those who were taken off too, since records name them. */
    public List<Member> all() {
        return rows.findAllByIsDemoOrderByUserName(isDemo).stream()
                .map(row -> new Member(row.account(), row.email, row.phone, row.removedAt, Set.copyOf(row.vehicleIds)))
                .toList();
    }

    /** Whether somebody on the team has this address. */
    boolean isKnown(String email) {
        return rows.existsByIsDemoAndEmailIgnoreCaseAndRemovedAtIsNull(isDemo, email);
    }

    /** The vehicles this driver sees; none for a name that does not count. */
    Set<Long> vehiclesOf(String userName) {
        return active(userName).map(row -> Set.copyOf(row.vehicleIds)).orElse(Set.of());
    }

    /**
     * Says which vehicles a driver sees.
     *
     * @throws Refusal if this is no driver on the team
     */
    public void assign(String userName, Set<Long> vehicleIds) {
        writer.make(view -> {
            AccountRow row = existing(view, userName);
            if (row.role != Role.DRIVER) {
                throw Refusal.conflict(
                        "Only drivers have vehicles of their own; " + row.displayName + " sees all of them.");
            }
            Set<Long> added = new HashSet<>(vehicleIds);
            added.removeAll(row.vehicleIds);
            Set<Long> gone = new HashSet<>(row.vehicleIds);
            gone.removeAll(vehicleIds);
            if (added.isEmpty() && gone.isEmpty()) {
                return Decision.nothing(null);
            }
            int before = row.vehicleIds.size();
            return Decision.make(pen -> {
                row.vehicleIds = new HashSet<>(vehicleIds);
                pen.session().update(row);
                return Done.by(deed(DeedKind.VEHICLES_ASSIGNED, row, "said which vehicles are seen by ")
                        .at(added)
                        .at(gone)
                        .with("Vehicles", before, vehicleIds.size()));
            });
        });
        left(userName);
    }

    private AccountRow existing(View view, String userName) {
        return view.select("from AccountRow where userName = :name", AccountRow.class)
                .setParameter("name", SignInThrottle.name(userName))
                .uniqueResultOptional()
                .filter(row -> row.isDemo == isDemo && row.removedAt == null)
                .orElseThrow(() -> noSuch(userName));
    }

    private static Refusal noSuch(String userName) {
        return Refusal.notFound("There is no account \"" + userName + "\".");
    }

    private AccountRow existing(String userName) {
        return active(userName).orElseThrow(() -> noSuch(userName));
    }

    /**
     * Adds a person.
     *
     * @throws Refusal if the name is taken or unfit, or the password too short or too long
     */
    public Account add(String userName, String displayName, Role role, String password) {
        NewAccount wanted = checked(userName, displayName, role, password, null);
        return writer.make(view -> making(view, wanted));
    }

    /** The same by the person themselves, who nobody is yet. */
    Account addSelf(String userName, String displayName, Role role, String password) {
        NewAccount wanted = checked(userName, displayName, role, password, null);
        return writer.make(Author.person(wanted.userName, wanted.displayName), view -> making(view, wanted));
    }

    /** Somebody who may be added: all but that their name is free was looked at. */
    record NewAccount(String userName, String displayName, Role role, String hash, @Nullable String email) {}

    /**
     * Looks whether somebody can be added.
     *
     * @throws Refusal if the name is taken or unfit, or the password too short or too long
     */
    NewAccount checked(
            @Nullable String userName,
            @Nullable String displayName,
            @Nullable Role role,
            @Nullable String password,
            @Nullable String email) {
        String name = userName == null ? "" : SignInThrottle.name(userName);
        Faults faults = new Faults();
        if (!USER_NAME.matcher(name).matches()) {
            faults.add(
                    "userName",
                    "A user name has 2 to 40 of a–z, 0–9, dot, dash and underscore, and begins with a letter or digit.");
        } else if (rows.findByUserName(name).isPresent() || tokens.existsByNameIgnoreCase(name)) {
            faults.add("userName", taken(name));
        }
        faults.text("displayName", displayName, LONGEST_NAME, "Give a name of 1 to 120 characters.");
        faults.given("role", role, "Choose a role: MANAGER, TECHNICIAN, DRIVER or VIEWER.");
        checkPassword(password, "password", faults);
        faults.refuse();
        // Slow on purpose, so not on the writer's thread.
        return new NewAccount(name, displayName.strip(), role, passwords.encode(password), email);
    }

    private static String taken(String name) {
        return "The user name \"" + name + "\" is taken, or was once, or is that of a token. Choose another.";
    }

    /** Adds somebody, unless the name was taken meanwhile. */
    private Decision<Account> making(View view, NewAccount wanted) {
        return making(view, wanted, pen -> {});
    }

    /** The same with something that goes with it in the same write. */
    Decision<Account> making(View view, NewAccount wanted, Consumer<Pen> also) {
        boolean isTaken = view.select("select count(*) from AccountRow where userName = :name", Long.class)
                        .setParameter("name", wanted.userName())
                        .getSingleResult()
                > 0;
        if (isTaken) {
            throw Refusal.badRequest("userName", taken(wanted.userName()));
        }
        return Decision.make(pen -> {
            AccountRow row = new AccountRow();
            row.userName = wanted.userName();
            row.displayName = wanted.displayName();
            row.role = wanted.role();
            row.passwordHash = wanted.hash();
            row.isDemo = isDemo;
            row.email = wanted.email();
            row.take(Preferences.DEFAULT);
            row.createdAt = clock.instant();
            pen.session().insert(row);
            also.accept(pen);
            return new Done<>(
                    row.account(), deed(DeedKind.ACCOUNT_MADE, row, "added ").with("Role", null, row.role.words()));
        });
    }

    private static void checkPassword(@Nullable String password, String field, Faults faults) {
        if (password == null || password.length() < SHORTEST_PASSWORD) {
            faults.add(field, "A password has at least 10 characters. A few words in a row do well.");
        } else if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD_BYTES) {
            faults.add(field, "A password has at most 72 bytes.");
        }
    }

    /** Keeps how a person wants to read the product. */
    public void prefer(String userName, Preferences preferences) {
        writer.make(view -> {
            AccountRow row = existing(view, userName);
            Preferences before = row.account().preferences();
            if (before.equals(preferences)) {
                return Decision.nothing(null);
            }
            return Decision.make(pen -> {
                row.take(preferences);
                pen.session().update(row);
                return Done.by(deed(DeedKind.PREFERENCES_CHANGED, row, "changed how the product reads for ")
                        .with(
                                "Pressure",
                                before.pressureUnit().symbol(),
                                preferences.pressureUnit().symbol())
                        .with(
                                "Temperature",
                                before.temperatureUnit().symbol(),
                                preferences.temperatureUnit().symbol())
                        .with("Colours", words(before.theme()), words(preferences.theme()))
                        .with("Language", before.language().words(), row.language.words()));
            });
        });
    }

    private static String words(Preferences.Theme theme) {
        return theme.name().toLowerCase(Locale.ROOT);
    }

    /**
     * Says where somebody gets text messages.
     *
     * @param phone a telephone number, or null for none
     */
    public void reachBy(String userName, @Nullable String phone) {
        writer.make(view -> {
            AccountRow row = existing(view, userName);
            String before = row.phone;
            return Decision.make(pen -> {
                row.phone = phone;
                pen.session().update(row);
                return Done.by(deed(DeedKind.PHONE_CHANGED, row, "changed the telephone of ")
                        .with("Telephone", before, phone));
            });
        });
    }

    /**
     * Takes a person off. Their name stays: in the records, and taken.
     *
     * @param also what goes with it, in the same write
     * @throws Refusal if it is the last manager
     */
    void remove(String userName, BiConsumer<Pen, String> also, Runnable onDurable) {
        writer.make(
                view -> {
                    AccountRow row = existing(view, userName);
                    long managers = view.select(
                                    "select count(*) from AccountRow where isDemo = :demo and role = :role and removedAt is null",
                                    Long.class)
                            .setParameter("demo", isDemo)
                            .setParameter("role", Role.MANAGER)
                            .getSingleResult();
                    if (row.role == Role.MANAGER && managers == 1) {
                        throw Refusal.conflict("This is the last manager. Make another one first.");
                    }
                    return Decision.make(pen -> {
                        row.removedAt = clock.instant();
                        row.passwordHash = NO_PASSWORD;
                        row.vehicleIds = new HashSet<>();
                        row.sessionNumber++;
                        pen.session().update(row);
                        also.accept(pen, row.userName);
                        return Done.by(
                                deed(DeedKind.ACCOUNT_REMOVED, row, "took off ").with("Role", row.role.words(), null));
                    });
                },
                gone -> onDurable.run());
        left(userName);
    }

    /** That somebody signed in or out. Whether it can be written down stops nobody. */
    void signed(DeedKind kind, SignedIn person) {
        try {
            writer.make(
                    Author.person(person.userName(), person.displayName()),
                    view -> Decision.make(pen -> Done.by(Deed.of(
                            kind,
                            new Thing(Thing.Kind.ACCOUNT, person.userName(), person.displayName()),
                            kind.words()))));
        } catch (RuntimeException e) {
            LOG.warn(
                    "{} {}, which could not be written into the logbook: {}",
                    person.userName(),
                    kind.words(),
                    e.getMessage());
        }
    }
}
