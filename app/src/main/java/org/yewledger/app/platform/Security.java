package org.yewledger.app.platform;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/** Who may call what. The interface's files are public, everything under /api needs a session. */
@Configuration
@EnableMethodSecurity
class Security {
  private static final String CONTENT_POLICY =
      "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self'"
          + " data:; connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors"
          + " 'none'";

  @Bean
  SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts)
      throws Exception {
    return http.authorizeHttpRequests(requests ->
            requests
                .requestMatchers("/api/session")
                .permitAll()
                .requestMatchers("/api/**")
                .authenticated()
                .requestMatchers("/actuator/health/**")
                .permitAll()
                .requestMatchers("/actuator/**")
                .denyAll()
                .anyRequest()
                .permitAll())
        .csrf(csrf -> csrf.spa())
        .securityContext(context -> context.securityContextRepository(contexts))
        .requestCache(cache -> cache.disable())
        .logout(logout -> logout.disable())
        .exceptionHandling(
            e -> e.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)))
        .headers(headers ->
            headers
                .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER)))
        .build();
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
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
