package vividcaravan.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
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
    private final Accounts accounts;
    private final SetUp setUp;
    private final boolean isDemo;

    SessionController(
            AuthenticationManager authentication,
            SecurityContextRepository contexts,
            SignInThrottle throttle,
            Accounts accounts,
            SetUp setUp,
            VividProperties properties) {
        this.authentication = authentication;
        this.contexts = contexts;
        this.throttle = throttle;
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
        throttle.check(userName, request.getRemoteAddr());
        try {
            Authentication who = authentication.authenticate(
                    UsernamePasswordAuthenticationToken.unauthenticated(userName, password));
            throttle.succeeded(userName, request.getRemoteAddr());
            begin(who, request, response);
            return get();
        } catch (AuthenticationException e) {
            throttle.failed(userName, request.getRemoteAddr());
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
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
        return get();
    }

    @PutMapping("/preferences")
    @Operation(operationId = "setPreferences", summary = "Choose units and theme")
    Session prefer(@RequestBody Preferences preferences) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (!(who.getPrincipal() instanceof SignedIn signedIn)) {
            throw Refusal.conflict("A token has no preferences: machines read kPa and °C.");
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
