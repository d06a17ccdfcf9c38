package prolalia.app.house;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Who may see what. */
@Configuration
public class SecurityConfiguration {
    /** Nothing but what ships with the application; no script, style or handler inside a page. */
    private static final String CONTENT_SECURITY_POLICY = String.join(
            "; ",
            "default-src 'none'",
            "script-src 'self'",
            "style-src 'self'",
            "font-src 'self'",
            "img-src 'self' data: blob:",
            "media-src 'self' blob:",
            "connect-src 'self'",
            "form-action 'self'",
            "base-uri 'none'",
            "frame-src 'self'",
            "frame-ancestors 'none'");

    /** The same for a page that another of our own pages may show in a frame. */
    public static final String IN_OUR_OWN_FRAME =
            CONTENT_SECURITY_POLICY.replace("frame-ancestors 'none'", "frame-ancestors 'self'");

    private static final String IN_ANY_FRAME =
            CONTENT_SECURITY_POLICY.replace("frame-ancestors 'none'", "frame-ancestors *");

    /** Students' pages within pages elsewhere: theirs to frame, and nothing else is different. */
    @Bean
    @Order(0)
    SecurityFilterChain embedded(HttpSecurity http) throws Exception {
        return asForAnybody(http.securityMatcher("/e/**"))
                .headers(headers -> {
                    headers(headers);
                    headers.frameOptions(frames -> frames.disable())
                            .contentSecurityPolicy(policy -> policy.policyDirectives(IN_ANY_FRAME));
                })
                .build();
    }

    /** Students' pages and shipped files: no account, no session, no cookie. */
    @Bean
    @Order(1)
    SecurityFilterChain open(HttpSecurity http) throws Exception {
        return asForAnybody(http.securityMatcher("/l/**", "/oembed", "/*/assets/**", "/webjars/**", "/favicon.ico"))
                .headers(SecurityConfiguration::headers)
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
    SecurityFilterChain teachers(HttpSecurity http, SecurityContextRepository contexts) throws Exception {
        return http.authorizeHttpRequests(
                        requests -> requests.requestMatchers("/sign-in", "/first-account", "/enter-demo", "/error")
                                .permitAll()
                                .requestMatchers(HttpMethod.GET, "/phone/{token}")
                                .permitAll()
                                .requestMatchers("/phone/**", "/recordings/**", "/lessons/*/pictures/*")
                                .hasAnyRole("TEACHER", "PHONE")
                                .anyRequest()
                                .hasRole("TEACHER"))
                .formLogin(form -> form.loginPage("/sign-in")
                        .usernameParameter("name")
                        .passwordParameter("password")
                        .defaultSuccessUrl("/")
                        .failureUrl("/sign-in?wrong"))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                // A script that asks is told so; it must not be sent the sign-in page instead of what it asked for.
                .exceptionHandling(failures -> failures.authenticationEntryPoint(signInOrSaySo()))
                .securityContext(context -> context.securityContextRepository(contexts))
                // The token travels in a cookie of its own, so that a recorder left open outlives a restart.
                .csrf(csrf -> csrf.spa().csrfTokenRepository(csrfTokens()))
                .headers(SecurityConfiguration::headers)
                .build();
    }

    private static AuthenticationEntryPoint signInOrSaySo() {
        AuthenticationEntryPoint signIn = new LoginUrlAuthenticationEntryPoint("/sign-in");
        AuthenticationEntryPoint saySo = new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED);
        return (request, response, failure) -> {
            boolean fromScript = request.getHeader("X-XSRF-TOKEN") != null;
            (fromScript ? saySo : signIn).commence(request, response, failure);
        };
    }

    private static CookieCsrfTokenRepository csrfTokens() {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Strict"));
        return tokens;
    }

    private static void headers(HeadersConfigurer<HttpSecurity> headers) {
        headers.frameOptions(frames -> frames.sameOrigin());
        headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY))
                // A student's link is a secret: it never leaves in a Referer.
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                .permissionsPolicyHeader(
                        permissions -> permissions.policy("microphone=(self), camera=(), geolocation=()"))
                .contentTypeOptions(Customizer.withDefaults());
    }

    @Bean
    SecurityContextRepository securityContextRepository() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8();
    }
}
