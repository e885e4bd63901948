package vividcaravan.server.access;

import java.time.Instant;
import java.util.List;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * A person as the security layer knows them.
 *
 * @param sessionNumber of the account when they signed in; once the account counts another, this session has ended
 * @param since when they signed in
 */
record SignedIn(String userName, String displayName, String passwordHash, Role role, int sessionNumber, Instant since)
        implements UserDetails {

    /** The same in a session that goes on under another number. */
    SignedIn numbered(int number) {
        return new SignedIn(userName, displayName, passwordHash, role, number, since);
    }

    @Override
    public List<GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_" + role));
    }

    @Override
    public String getPassword() {
        return passwordHash;
    }

    @Override
    public String getUsername() {
        return userName;
    }
}
