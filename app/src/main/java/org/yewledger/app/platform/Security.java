package org.yewledger.app.platform;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.env.Environment;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.DelegatingSecurityContextRepository;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.RequestAttributeSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/**
 * Who may call what. The interface's files are public, everything under /api needs a session or a
 * program's token.
 */
@Configuration
@EnableMethodSecurity
class Security {
  /** Ask with a body and change nothing, so readers may ask too. */
  private static final String[] PREVIEWS = {
    "/api/waiting-lines/*/preview",
    "/api/opening-balances/preview",
    "/api/transfers/preview",
    "/api/gather/preview",
    "/api/rules/trial",
    "/api/rules/beginning",
    "/api/flows",
    "/api/books/*/chart-table/check",
    "/api/entry-sheet/preview",
    "/api/exports/preview"
  };

  @Bean
  SecurityFilterChain chain(
      HttpSecurity http, SecurityContextRepository contexts, Environment settings)
      throws Exception {
    return http.authorizeHttpRequests(requests ->
            requests
                // What was let in once goes on; a stream that ends is dispatched again.
                .dispatcherTypeMatchers(DispatcherType.ASYNC, DispatcherType.ERROR)
                .permitAll()
                .requestMatchers("/api/session", "/api/founding", "/api/links/**")
                .permitAll()
                .requestMatchers("/api/session/**")
                .authenticated()
                .requestMatchers(HttpMethod.GET, "/api/**")
                .authenticated()
                .requestMatchers(HttpMethod.POST, PREVIEWS)
                .authenticated()
                // Services check roles themselves; this stands before one that forgot.
                .requestMatchers("/api/**")
                .access((who, request) -> new AuthorizationDecision(canKeepBooks(who.get())))
                .requestMatchers("/actuator/health/**")
                .permitAll()
                .requestMatchers(request -> isAtOwnPort(request, settings))
                .permitAll()
                .requestMatchers("/actuator/**")
                .denyAll()
                .anyRequest()
                .permitAll())
        .csrf(csrf ->
            csrf.spa()
                .csrfTokenRequestHandler(new TokenInHeader())
                // No browser sends a program's token by itself, so nobody can forge with it.
                .ignoringRequestMatchers(ByProgram::is))
        .securityContext(context -> context.securityContextRepository(contexts))
        .requestCache(cache -> cache.disable())
        .logout(logout -> logout.disable())
        .exceptionHandling(e ->
            e.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED))
                .accessDeniedHandler(Security::tellDenied))
        .headers(headers ->
            headers
                .addHeaderWriter(new ContentPolicy())
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER)))
        .build();
  }

  /** Measurements have a port of their own, which whoever keeps the machine guards. */
  private static boolean isAtOwnPort(HttpServletRequest request, Environment settings) {
    Integer own = settings.getProperty("local.management.port", Integer.class);
    return own != null
        && own == request.getLocalPort()
        && !own.equals(settings.getProperty("local.server.port", Integer.class));
  }

  private static boolean canKeepBooks(Authentication who) {
    return who.getPrincipal() instanceof SignedIn person && person.canKeepBooks();
  }

  @Bean
  SecurityContextRepository contexts() {
    return new DelegatingSecurityContextRepository(
        new RequestAttributeSecurityContextRepository(),
        new HttpSessionSecurityContextRepository());
  }

  private static void tellDenied(
      HttpServletRequest request, HttpServletResponse response, AccessDeniedException e)
      throws IOException {
    response.setStatus(HttpStatus.FORBIDDEN.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response
        .getWriter()
        .write(
            "{\"type\":\"urn:yew:problem:not-allowed\",\"status\":403,\"detail\":\""
                + Problems.NOT_ALLOWED
                + "\"}");
  }

  /** Secure follows the request, so that behind TLS the cookie never travels without it. */
  @Bean
  CookieSerializer sessionCookie() {
    var cookie = new DefaultCookieSerializer();
    cookie.setCookieName("yew_session");
    cookie.setUseHttpOnlyCookie(true);
    cookie.setSameSite("Strict");
    return cookie;
  }

  @Bean
  PasswordEncoder passwords() {
    return new BCryptPasswordEncoder(11);
  }
}
