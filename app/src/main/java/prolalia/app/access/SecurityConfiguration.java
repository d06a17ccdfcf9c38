package prolalia.app.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.security.web.util.matcher.RequestMatcher;
import prolalia.app.account.SignInFlow;
import prolalia.app.platform.ContentSecurityPolicy;
import prolalia.app.platform.HouseProperties;
import prolalia.app.school.SchoolAddress;

/** Who may see what. */
@Configuration
class SecurityConfiguration {
    private static final String POLICY = "Content-Security-Policy";

    private final SchoolAddress addresses;
    private final HouseProperties house;

    SecurityConfiguration(SchoolAddress addresses, HouseProperties house) {
        this.addresses = addresses;
        this.house = house;
    }

    /** Students' pages within pages elsewhere: theirs to frame, and nothing else is different. */
    @Bean
    @Order(0)
    SecurityFilterChain embedded(HttpSecurity http) throws Exception {
        return asForAnybody(http.securityMatcher("/e/**"))
                .headers(headers -> {
                    headers(headers);
                    headers.frameOptions(frames -> frames.disable())
                            .contentSecurityPolicy(
                                    policy -> policy.policyDirectives(ContentSecurityPolicy.IN_ANY_FRAME));
                })
                .build();
    }

    /** Students' pages, phones by their secret, and shipped files: no account, no cookie. */
    @Bean
    @Order(1)
    SecurityFilterChain open(HttpSecurity http) throws Exception {
        return asForAnybody(http.securityMatcher(
                        "/l/**",
                        "/c/**",
                        "/C/**",
                        "/phone/**",
                        "/door",
                        "/door/**",
                        "/my",
                        "/my/**",
                        "/oembed",
                        "/secure-address",
                        "/assets/**",
                        "/webjars/**",
                        "/favicon.ico"))
                .headers(this::headers)
                .build();
    }

    private static HttpSecurity asForAnybody(HttpSecurity http) throws Exception {
        return http.authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .csrf(csrf -> csrf.disable())
                .requestCache(cache -> cache.disable());
    }

    @Bean
    @Order(2)
    SecurityFilterChain teachers(HttpSecurity http, SecurityContextRepository contexts, SignInFlow way)
            throws Exception {
        return http.authorizeHttpRequests(requests -> requests.requestMatchers(forAnybody())
                        .permitAll()
                        .requestMatchers(of(Routes.Who.ADMIN))
                        .hasRole("ADMIN")
                        .requestMatchers(of(Routes.Who.TEACHER))
                        .hasRole("TEACHER")
                        .anyRequest()
                        .hasRole("STAFF"))
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(cache -> cache.disable())
                .addFilterBefore(way.new Gate(), UsernamePasswordAuthenticationFilter.class)
                .formLogin(form -> form.loginPage("/sign-in")
                        .usernameParameter("name")
                        .passwordParameter("password")
                        .successHandler(way)
                        .failureHandler(way))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                // A script that asks is told so; it must not be sent the sign-in page instead of what it asked for.
                .exceptionHandling(failures -> failures.authenticationEntryPoint(signInOrSaySo(way)))
                .securityContext(context -> context.securityContextRepository(contexts))
                // The token travels in a cookie of its own, so that a recorder left open outlives a restart.
                .csrf(csrf -> csrf.spa().csrfTokenRepository(csrfTokens()))
                .headers(this::headers)
                .build();
    }

    private static String[] forAnybody() {
        return Stream.concat(
                        Stream.of("/error"),
                        Routes.ALL.stream()
                                .filter(route -> route.who() == Routes.Who.ANYBODY)
                                .map(Routes.Route::pattern))
                .distinct()
                .toArray(String[]::new);
    }

    /** The routes of somebody, each with its method. */
    private static RequestMatcher[] of(Routes.Who who) {
        return Routes.ALL.stream()
                .filter(route -> route.who() == who)
                .map(route -> PathPatternRequestMatcher.withDefaults().matcher(route.method(), route.pattern()))
                .toArray(RequestMatcher[]::new);
    }

    private void writePolicy(HttpServletRequest request, HttpServletResponse response) {
        if (!response.containsHeader(POLICY)) {
            Optional<String> secure = request.isSecure() ? Optional.empty() : addresses.secure(request);
            response.setHeader(
                    POLICY,
                    secure.map(address -> ContentSecurityPolicy.andAsking(ContentSecurityPolicy.NO_FRAME, address))
                            .orElse(ContentSecurityPolicy.NO_FRAME));
        }
    }

    private static AuthenticationEntryPoint signInOrSaySo(AuthenticationEntryPoint signIn) {
        AuthenticationEntryPoint saySo = new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED);
        return (request, response, failure) -> {
            boolean fromScript = request.getHeader("X-XSRF-TOKEN") != null;
            (fromScript ? saySo : signIn).commence(request, response, failure);
        };
    }

    private CookieCsrfTokenRepository csrfTokens() {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> {
            cookie.sameSite("Strict");
            if (house.plainPort() > 0) {
                // See PlainConnector.
                cookie.secure(false);
            }
        });
        return tokens;
    }

    private void headers(HeadersConfigurer<HttpSecurity> headers) {
        headers.frameOptions(frames -> frames.sameOrigin());
        headers.addHeaderWriter(this::writePolicy)
                // A student's link is a secret: it never leaves in a Referer.
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                .permissionsPolicyHeader(
                        permissions -> permissions.policy("microphone=(self), camera=(), geolocation=()"))
                // A certificate of our own must not keep a browser away from the plain address for a year.
                .httpStrictTransportSecurity(strict -> strict.disable())
                .contentTypeOptions(Customizer.withDefaults());
    }
}
