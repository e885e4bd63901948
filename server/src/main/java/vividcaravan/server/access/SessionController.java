package vividcaravan.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

/** Signing in and out, and what the browser needs to know before that. */
@RestController
@RequestMapping("/api/v1/session")
@Tag(name = "session")
class SessionController {

    private static final int LONGEST = 200;

    private final AuthenticationManager authentication;
    private final SecurityContextRepository contexts;
    private final SignInThrottle throttle;
    private final KnownDevices devices;
    private final Accounts accounts;
    private final SetUp setUp;
    private final boolean isDemo;

    SessionController(
            AuthenticationManager authentication,
            SecurityContextRepository contexts,
            SignInThrottle throttle,
            KnownDevices devices,
            Accounts accounts,
            SetUp setUp,
            VividProperties properties) {
        this.authentication = authentication;
        this.contexts = contexts;
        this.throttle = throttle;
        this.devices = devices;
        this.accounts = accounts;
        this.setUp = setUp;
        this.isDemo = properties.demo();
    }

    /**
     * Who is signed in.
     *
     * @param account null if nobody is
     * @param demoAccounts offered on the sign-in page in demo mode, otherwise empty
     * @param isSetUpDue whether the first manager is yet to be made through the link in the log
     */
    record Session(
            @Nullable Account account, boolean isDemo, List<DemoAccounts.Offer> demoAccounts, boolean isSetUpDue) {}

    /** A name and a password. */
    record SignIn(@Nullable String userName, @Nullable String password) {}

    @GetMapping
    @Operation(operationId = "getSession", summary = "Who is signed in, and how the product was started")
    Session get() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        Account account = who != null && who.getPrincipal() instanceof SignedIn signedIn
                ? accounts.find(signedIn.userName()).orElse(null)
                : null;
        return new Session(account, isDemo, isDemo ? DemoAccounts.OFFERS : List.of(), setUp.isDue());
    }

    @PostMapping
    @Operation(operationId = "signIn", summary = "Sign in")
    Session signIn(@RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
        String userName = signIn.userName();
        String password = signIn.password();
        if (userName == null || password == null || userName.length() > LONGEST || password.length() > LONGEST) {
            throw Refusal.badRequest("userName", "Give your user name and password.");
        }
        Authentication who = look(userName, password, request);
        begin(who, request, response);
        devices.remember(response, who.getName());
        accounts.signed(DeedKind.SIGNED_IN, person());
        return get();
    }

    private Authentication look(String userName, String password, HttpServletRequest request) {
        try {
            return throttle.attempt(
                    userName,
                    request.getRemoteAddr(),
                    devices.find(request, userName).orElse(null),
                    accounts.sessionNumber(userName).isEmpty(),
                    () -> authentication.authenticate(
                            UsernamePasswordAuthenticationToken.unauthenticated(userName, password)));
        } catch (BadCredentialsException e) {
            // Whatever else fails (the database, say) says nothing of the password.
            throw Refusal.unauthorized("This name and password do not belong together. Look at both and try again.");
        }
    }

    private void begin(Authentication who, HttpServletRequest request, HttpServletResponse response) {
        // A new session, so that one foisted on the browser before cannot be used.
        HttpSession before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        request.getSession(true);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(who);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }

    @DeleteMapping
    @Operation(operationId = "signOut", summary = "Sign out")
    Session signOut(HttpServletRequest request) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getPrincipal() instanceof SignedIn person) {
            accounts.signed(DeedKind.SIGNED_OUT, person);
        }
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
        return get();
    }

    /** A new password, and the present one, so that nobody changes it at a page left open. */
    record PasswordChange(@Nullable String current, @Nullable String next) {}

    @PutMapping("/password")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER', 'VIEWER')")
    @Operation(operationId = "changePassword", summary = "Change one's password; every other session of one's own ends")
    Session changePassword(
            @RequestBody PasswordChange change, HttpServletRequest request, HttpServletResponse response) {
        SignedIn signedIn = person();
        String current = change.current();
        if (current == null || current.length() > LONGEST) {
            throw Refusal.badRequest("current", "Give your present password too.");
        }
        try {
            look(signedIn.userName(), current, request);
        } catch (Refusal refusal) {
            throw refusal.status() == HttpStatus.UNAUTHORIZED
                    ? Refusal.badRequest("current", "That is not your present password.")
                    : refusal;
        }
        goOn(signedIn.numbered(accounts.changePassword(signedIn.userName(), change.next())), request, response);
        return get();
    }

    @DeleteMapping("/others")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER', 'VIEWER')")
    @Operation(operationId = "endOtherSessions", summary = "End one's sessions everywhere else")
    Session endOthers(HttpServletRequest request, HttpServletResponse response) {
        SignedIn signedIn = person();
        goOn(signedIn.numbered(accounts.endSessions(signedIn.userName())), request, response);
        return get();
    }

    private static SignedIn person() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getPrincipal() instanceof SignedIn signedIn) {
            return signedIn;
        }
        throw Refusal.conflict("A token has no password and no sessions. Sign in as a person.");
    }

    /** The present session goes on where the others ended, under an identity of its own. */
    private void goOn(SignedIn signedIn, HttpServletRequest request, HttpServletResponse response) {
        begin(
                UsernamePasswordAuthenticationToken.authenticated(signedIn, null, signedIn.getAuthorities()),
                request,
                response);
    }

    @PutMapping("/preferences")
    @Operation(operationId = "setPreferences", summary = "Choose units and theme")
    Session prefer(@RequestBody Preferences preferences) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || !(who.getPrincipal() instanceof SignedIn signedIn)) {
            throw Refusal.conflict(
                    "Nobody is signed in here, and a token has no preferences: machines read kPa and °C.");
        }
        if (preferences.pressureUnit() == null
                || preferences.temperatureUnit() == null
                || preferences.theme() == null) {
            throw Refusal.badRequest("pressureUnit", "Give pressureUnit, temperatureUnit and theme.");
        }
        accounts.prefer(signedIn.userName(), preferences);
        return get();
    }
}
