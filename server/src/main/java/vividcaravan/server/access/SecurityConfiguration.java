package vividcaravan.server.access;

import jakarta.servlet.DispatcherType;
import java.time.Clock;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;
import vividcaravan.server.platform.ProblemWriter;
import vividcaravan.server.platform.VividProperties;

/** Who is let in where: people by a session, machines by a bearer token. */
@Configuration
@EnableMethodSecurity
class SecurityConfiguration {

    private static final String POLICY = String.join(
            "; ",
            "default-src 'none'",
            "script-src 'self'",
            "style-src 'self'",
            "font-src 'self'",
            "img-src 'self'",
            "connect-src 'self'",
            "base-uri 'none'",
            "form-action 'self'",
            "frame-ancestors 'none'");

    @Bean
    SecurityFilterChain security(
            HttpSecurity http,
            BearerTokenFilter bearer,
            Accounts accounts,
            SecurityContextRepository contexts,
            Clock clock,
            VividProperties properties,
            ProblemWriter problems) {
        http.securityContext(context -> context.securityContextRepository(contexts))
                .csrf(csrf -> csrf.spa()
                        .csrfTokenRepository(guard(properties))
                        .ignoringRequestMatchers(BearerTokenFilter::isBearer))
                .addFilterBefore(bearer, UsernamePasswordAuthenticationFilter.class)
                .addFilterAfter(new EndedSessionFilter(accounts, clock), BearerTokenFilter.class)
                .addFilterAfter(new ShareOfEach(problems), EndedSessionFilter.class)
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .requestCache(cache -> cache.disable())
                // What the container makes of a request that ended badly was let in, or refused, when it came; where an
                // answer has begun it is an inclusion. Refusing that would fill the log for everybody who hangs up.
                .authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(
                                DispatcherType.ERROR,
                                DispatcherType.FORWARD,
                                DispatcherType.ASYNC,
                                DispatcherType.INCLUDE)
                        .permitAll()
                        .requestMatchers(
                                "/api/v1/session",
                                "/api/v1/set-up",
                                "/api/v1/join/**",
                                "/api/v1/join",
                                "/api/v1/openapi.json")
                        .permitAll()
                        // Its last part is the secret: calendars send no headers.
                        .requestMatchers(HttpMethod.GET, "/api/v1/calendars/*")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/v1/readings")
                        .hasAnyRole("MANAGER", "RECEIVER")
                        .requestMatchers(HttpMethod.GET, "/api/v1/departures")
                        .hasAnyRole("MANAGER", "TECHNICIAN", "VIEWER", "GATE")
                        .requestMatchers("/api/**")
                        .hasAnyRole("MANAGER", "TECHNICIAN", "DRIVER", "VIEWER")
                        .requestMatchers("/actuator/health")
                        .permitAll()
                        .requestMatchers("/actuator/prometheus")
                        .hasAnyRole("MANAGER", "MONITOR")
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        // Everything else is the browser side: pages, scripts, fonts.
                        .requestMatchers(HttpMethod.GET, "/**")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .exceptionHandling(handling -> handling.authenticationEntryPoint((request, response, e) -> {
                            response.setHeader("WWW-Authenticate", "Bearer");
                            problems.write(response, HttpStatus.UNAUTHORIZED, "Sign in first, or send a bearer token.");
                        })
                        .accessDeniedHandler((request, response, e) -> problems.write(
                                response,
                                HttpStatus.FORBIDDEN,
                                e instanceof CsrfException
                                        ? "This page is out of date. Load it again and repeat what you did."
                                        : "Your role does not allow this. Ask a manager.")))
                .headers(headers -> headers.httpStrictTransportSecurity(tls -> {
                            if (properties.isReachedByTls()) {
                                // Also where a proxy took the secret line off before us.
                                tls.requestMatcher(request -> true).includeSubDomains(false);
                            } else {
                                tls.disable();
                            }
                        })
                        .contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .referrerPolicy(policy -> policy.policy(ReferrerPolicyHeaderWriter.ReferrerPolicy.NO_REFERRER))
                        .permissionsPolicyHeader(
                                policy -> policy.policy("camera=(), geolocation=(), microphone=(), payment=()")));
        return http.build();
    }

    private static CookieCsrfTokenRepository guard(VividProperties properties) {
        CookieCsrfTokenRepository guard = CookieCsrfTokenRepository.withHttpOnlyFalse();
        guard.setCookieCustomizer(
                cookie -> cookie.secure(properties.isReachedByTls()).sameSite("Strict"));
        return guard;
    }

    @Bean
    BearerTokenFilter bearerTokenFilter(ApiTokens tokens, ProblemWriter problems) {
        return new BearerTokenFilter(tokens, problems);
    }

    /** The filter stands in the security chain; the container must not run it a second time. */
    @Bean
    FilterRegistrationBean<BearerTokenFilter> bearerTokenFilterOnlyInChain(BearerTokenFilter filter) {
        FilterRegistrationBean<BearerTokenFilter> registration = new FilterRegistrationBean<>(filter);
        registration.setEnabled(false);
        return registration;
    }

    @Bean
    SecurityContextRepository securityContextRepository() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    AuthenticationManager authenticationManager(Accounts accounts, PasswordEncoder passwords) {
        DaoAuthenticationProvider provider = new DaoAuthenticationProvider(accounts);
        provider.setPasswordEncoder(passwords);
        return new ProviderManager(provider);
    }
}
