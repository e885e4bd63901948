package vividcaravan.server.access;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

/** The people who may sign in. Demo accounts count in demo mode only, the others otherwise only. */
@Service
public class Accounts implements UserDetailsService {

    private static final Pattern USER_NAME = Pattern.compile("[a-z0-9][a-z0-9._-]{1,39}");
    private static final int SHORTEST_PASSWORD = 10;
    /** bcrypt looks at no more bytes than this. */
    private static final int LONGEST_PASSWORD_BYTES = 72;

    private final AccountRepository rows;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final boolean isDemo;

    Accounts(AccountRepository rows, PasswordEncoder passwords, Clock clock, VividProperties properties) {
        this.rows = rows;
        this.passwords = passwords;
        this.clock = clock;
        this.isDemo = properties.demo();
    }

    @Override
    public UserDetails loadUserByUsername(String userName) {
        return row(userName)
                .map(row -> new SignedIn(row.userName, row.passwordHash, row.role))
                .orElseThrow(() -> new UsernameNotFoundException("no such account"));
    }

    private Optional<AccountRow> row(String userName) {
        return rows.findByUserName(userName.strip().toLowerCase(Locale.ROOT)).filter(row -> row.isDemo == isDemo);
    }

    /** The account of this name, if it counts in the present mode. */
    public Optional<Account> find(String userName) {
        return row(userName).map(AccountRow::account);
    }

    /** Whether there is somebody who can make accounts for others. */
    public boolean hasManager() {
        return rows.countByIsDemoAndRole(isDemo, Role.MANAGER) > 0;
    }

    /** Everybody, by name. */
    public List<Account> all() {
        return rows.findAllByIsDemoOrderByUserName(isDemo).stream()
                .map(AccountRow::account)
                .toList();
    }

    /**
     * Adds a person.
     *
     * @throws Refusal if the name is taken or unfit, or the password too short or too long
     */
    @Transactional
    public Account add(String userName, String displayName, Role role, String password) {
        String name = userName == null ? "" : userName.strip().toLowerCase(Locale.ROOT);
        List<Refusal.Fault> faults = new ArrayList<>();
        if (!USER_NAME.matcher(name).matches()) {
            faults.add(
                    new Refusal.Fault(
                            "userName",
                            "A user name has 2 to 40 of a–z, 0–9, dot, dash and underscore, and begins with a letter or digit."));
        } else if (rows.findByUserName(name).isPresent()) {
            faults.add(new Refusal.Fault("userName", "The user name \"" + name + "\" is taken. Choose another."));
        }
        if (displayName == null || displayName.isBlank() || displayName.length() > 120) {
            faults.add(new Refusal.Fault("displayName", "Give a name of 1 to 120 characters."));
        }
        if (role == null) {
            faults.add(new Refusal.Fault("role", "Choose a role: MANAGER, TECHNICIAN, DRIVER or VIEWER."));
        }
        checkPassword(password, faults);
        if (!faults.isEmpty()) {
            throw Refusal.badRequest(faults.get(0).message(), faults);
        }
        AccountRow row = new AccountRow();
        row.userName = name;
        row.displayName = displayName.strip();
        row.role = role;
        row.passwordHash = passwords.encode(password);
        row.isDemo = isDemo;
        row.take(Preferences.DEFAULT);
        row.createdAt = clock.instant();
        return rows.save(row).account();
    }

    private static void checkPassword(String password, List<Refusal.Fault> faults) {
        if (password == null || password.length() < SHORTEST_PASSWORD) {
            faults.add(new Refusal.Fault(
                    "password", "A password has at least 10 characters. A few words in a row do well."));
        } else if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD_BYTES) {
            faults.add(new Refusal.Fault("password", "A password has at most 72 bytes."));
        }
    }

    /** Keeps how a person wants to read the product. */
    @Transactional
    public Account prefer(String userName, Preferences preferences) {
        AccountRow row = row(userName).orElseThrow(() -> Refusal.notFound("There is no such account."));
        row.take(preferences);
        return rows.save(row).account();
    }

    /**
     * Takes a person off.
     *
     * @throws Refusal if it is the last manager
     */
    @Transactional
    public void remove(String userName) {
        AccountRow row = row(userName).orElseThrow(() -> Refusal.notFound("There is no account \"" + userName + "\"."));
        if (row.role == Role.MANAGER && rows.countByIsDemoAndRole(isDemo, Role.MANAGER) == 1) {
            throw Refusal.conflict("This is the last manager. Make another one first.");
        }
        rows.delete(row);
    }
}
