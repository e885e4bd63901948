package vividcaravan.server.access;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vividcaravan.server.platform.ReaderKey;
import vividcaravan.server.platform.ReaderLeft;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

/** The people who may sign in. Demo accounts count in demo mode only, the others otherwise only. */
@Service
public class Accounts implements UserDetailsService {

    private static final Pattern USER_NAME = Pattern.compile("[a-z0-9][a-z0-9._-]{1,39}");
    private static final int SHORTEST_PASSWORD = 10;
    /** bcrypt looks at no more bytes than this. */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    /** What no password matches. */
    private static final String NO_PASSWORD = "{none}";

    private final AccountRepository rows;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final boolean isDemo;

    Accounts(
            AccountRepository rows,
            PasswordEncoder passwords,
            Clock clock,
            ApplicationEventPublisher events,
            VividProperties properties) {
        this.rows = rows;
        this.passwords = passwords;
        this.clock = clock;
        this.events = events;
        this.isDemo = properties.demo();
    }

    @Override
    public UserDetails loadUserByUsername(String userName) {
        return active(userName)
                .map(row -> new SignedIn(row.userName, row.passwordHash, row.role, row.sessionNumber, clock.instant()))
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
    @Transactional
    public int endSessions(String userName) {
        return endSessions(existing(userName));
    }

    private int endSessions(AccountRow row) {
        row.sessionNumber++;
        rows.save(row);
        events.publishEvent(new ReaderLeft(ReaderKey.ofPerson(row.userName)));
        return row.sessionNumber;
    }

    /**
     * Changes a person's password; all their sessions end.
     *
     * @return the number that sessions have to have from now on
     * @throws Refusal if {@code next} is too short or too long, or the same as before
     */
    @Transactional
    public int changePassword(String userName, @Nullable String next) {
        AccountRow row = existing(userName);
        List<Refusal.Fault> faults = new ArrayList<>();
        checkPassword(next, "next", faults);
        if (faults.isEmpty() && passwords.matches(next, row.passwordHash)) {
            faults.add(new Refusal.Fault("next", "That is the password you have. Choose another."));
        }
        if (!faults.isEmpty()) {
            throw Refusal.badRequest(faults.get(0).message(), faults);
        }
        row.passwordHash = passwords.encode(next);
        return endSessions(row);
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
    public record Member(Account account, @Nullable String email, @Nullable Instant removedAt, Set<Long> vehicleIds) {}

    /** Everybody, by name; those who were taken off too, since records name them. */
    public List<Member> all() {
        return rows.findAllByIsDemoOrderByUserName(isDemo).stream()
                .map(row -> new Member(row.account(), row.email, row.removedAt, Set.copyOf(row.vehicleIds)))
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
    @Transactional
    public void assign(String userName, Set<Long> vehicleIds) {
        AccountRow row = existing(userName);
        if (row.role != Role.DRIVER) {
            throw Refusal.conflict(
                    "Only drivers have vehicles of their own; " + row.displayName + " sees all of them.");
        }
        row.vehicleIds.clear();
        row.vehicleIds.addAll(vehicleIds);
        rows.save(row);
        events.publishEvent(new ReaderLeft(ReaderKey.ofPerson(row.userName)));
    }

    private AccountRow existing(String userName) {
        return active(userName).orElseThrow(() -> Refusal.notFound("There is no account \"" + userName + "\"."));
    }

    /**
     * Adds a person.
     *
     * @throws Refusal if the name is taken or unfit, or the password too short or too long
     */
    @Transactional
    public Account add(String userName, String displayName, Role role, String password) {
        return add(userName, displayName, role, password, null);
    }

    /** The same for somebody who was invited at {@code email}. */
    @Transactional
    Account add(String userName, String displayName, Role role, String password, @Nullable String email) {
        String name = userName == null ? "" : SignInThrottle.name(userName);
        List<Refusal.Fault> faults = new ArrayList<>();
        if (!USER_NAME.matcher(name).matches()) {
            faults.add(
                    new Refusal.Fault(
                            "userName",
                            "A user name has 2 to 40 of a–z, 0–9, dot, dash and underscore, and begins with a letter or digit."));
        } else if (rows.findByUserName(name).isPresent()) {
            faults.add(new Refusal.Fault(
                    "userName", "The user name \"" + name + "\" is taken, or was once. Choose another."));
        }
        if (displayName == null || displayName.isBlank() || displayName.length() > 120) {
            faults.add(new Refusal.Fault("displayName", "Give a name of 1 to 120 characters."));
        }
        if (role == null) {
            faults.add(new Refusal.Fault("role", "Choose a role: MANAGER, TECHNICIAN, DRIVER or VIEWER."));
        }
        checkPassword(password, "password", faults);
        if (!faults.isEmpty()) {
            throw Refusal.badRequest(faults.get(0).message(), faults);
        }
        AccountRow row = new AccountRow();
        row.userName = name;
        row.displayName = displayName.strip();
        row.role = role;
        row.passwordHash = passwords.encode(password);
        row.isDemo = isDemo;
        row.email = email;
        row.take(Preferences.DEFAULT);
        row.createdAt = clock.instant();
        return rows.save(row).account();
    }

    private static void checkPassword(@Nullable String password, String field, List<Refusal.Fault> faults) {
        if (password == null || password.length() < SHORTEST_PASSWORD) {
            faults.add(
                    new Refusal.Fault(field, "A password has at least 10 characters. A few words in a row do well."));
        } else if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD_BYTES) {
            faults.add(new Refusal.Fault(field, "A password has at most 72 bytes."));
        }
    }

    /** Keeps how a person wants to read the product. */
    @Transactional
    public Account prefer(String userName, Preferences preferences) {
        AccountRow row = existing(userName);
        row.take(preferences);
        return rows.save(row).account();
    }

    /**
     * Takes a person off. Their name stays: in the records, and taken.
     *
     * @throws Refusal if it is the last manager
     */
    @Transactional
    public void remove(String userName) {
        AccountRow row = existing(userName);
        if (row.role == Role.MANAGER && rows.countByIsDemoAndRoleAndRemovedAtIsNull(isDemo, Role.MANAGER) == 1) {
            throw Refusal.conflict("This is the last manager. Make another one first.");
        }
        row.removedAt = clock.instant();
        row.passwordHash = NO_PASSWORD;
        row.vehicleIds.clear();
        endSessions(row);
    }
}
