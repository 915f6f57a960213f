package org.yewledger.app.token;

import io.github.bucket4j.BucketConfiguration;
import io.github.bucket4j.ConsumptionProbe;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.RequestAttributeSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.filter.OncePerRequestFilter;
import org.yewledger.app.platform.ByProgram;
import org.yewledger.app.platform.RateLimits;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;

/**
 * Lets a program in that comes with a token, for this one request: no session begins. Who comes
 * with a token that does not work is told so, whatever session there is beside it.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 100)
class ProgramRequests extends OncePerRequestFilter {
  private static final String BEARER = "Bearer ";

  /** For spreadsheets, which ask for a name and a password only: the token is the password. */
  private static final String BASIC = "Basic ";

  /** Nothing about oneself, nor what only a person does: a token makes no tokens. */
  private static final String OF_PEOPLE = "/api/session";

  private static final int A_MINUTE = 300;
  private static final BucketConfiguration LIMIT =
      BucketConfiguration.builder()
          .addLimit(limit -> limit.capacity(A_MINUTE).refillGreedy(A_MINUTE, Duration.ofMinutes(1)))
          .build();

  private record Row(
      UUID householdId,
      UUID id,
      String tokenName,
      Token.Scope scope,
      Timestamp expiresAt,
      @Nullable Timestamp revokedAt,
      UUID personId,
      String name,
      String email,
      Role role) {
    private boolean works(Instant now) {
      return revokedAt == null && expiresAt.toInstant().isAfter(now);
    }

    private SignedIn person() {
      Role may = scope == Token.Scope.READ || role == Role.READER ? Role.READER : Role.BOOKKEEPER;
      return new SignedIn(personId, name, email, householdId, may);
    }
  }

  private final JdbcClient jdbc;
  private final RateLimits limits;
  private final IdempotentRequests idempotent;
  private final TransactionTemplate transaction;
  private final Clock clock;

  ProgramRequests(
      JdbcClient jdbc,
      RateLimits limits,
      IdempotentRequests idempotent,
      PlatformTransactionManager transactions,
      Clock clock) {
    this.jdbc = jdbc;
    this.limits = limits;
    this.idempotent = idempotent;
    this.transaction = new TransactionTemplate(transactions);
    this.clock = clock;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String sent = request.getHeader(HttpHeaders.AUTHORIZATION);
    return sent == null || !begins(sent, BEARER) && !begins(sent, BASIC);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String token = token(request.getHeader(HttpHeaders.AUTHORIZATION));
    Optional<Row> known = find(token).filter(row -> row.works(clock.instant()));
    if (known.isEmpty()) {
      PlainProblem.tell(
          response,
          HttpStatus.UNAUTHORIZED,
          "token-over",
          "This token opens nothing: it is unknown, expired or was taken back.");
      return;
    }
    Row row = known.get();
    ConsumptionProbe probe =
        limits.bucket("TOKEN:" + row.id(), LIMIT).tryConsumeAndReturnRemaining(1);
    if (!probe.isConsumed()) {
      long seconds = 1 + Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds();
      response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(seconds));
      PlainProblem.tell(
          response,
          HttpStatus.TOO_MANY_REQUESTS,
          "too-many-requests",
          "A token may ask %d times a minute. Wait %d s.".formatted(A_MINUTE, seconds));
      return;
    }
    if (request.getRequestURI().startsWith(OF_PEOPLE)) {
      PlainProblem.tell(
          response,
          HttpStatus.FORBIDDEN,
          "not-for-programs",
          "This address is for people who are signed in, not for programs.");
      return;
    }
    ByProgram.mark(request, row.tokenName());
    letIn(row.person(), request, response);
    used(row);
    idempotent.carryOut(row.person(), row.id(), request, response, chain);
  }

  private static boolean begins(String sent, String scheme) {
    return sent.regionMatches(true, 0, scheme, 0, scheme.length());
  }

  /** As RFC 6750 and RFC 7617 write it; empty if it cannot be read. */
  private static String token(String sent) {
    if (begins(sent, BEARER)) {
      return sent.substring(BEARER.length()).strip();
    }
    try {
      byte[] pair = Base64.getDecoder().decode(sent.substring(BASIC.length()).strip());
      String text = new String(pair, StandardCharsets.UTF_8);
      return text.substring(text.indexOf(':') + 1);
    } catch (IllegalArgumentException e) {
      return "";
    }
  }

  private Optional<Row> find(String token) {
    return jdbc.sql("select * from token_by_hash(?)")
        .param(Secrets.hashOf(token))
        .query(Row.class)
        .optional();
  }

  /** As if they were signed in, for this request. */
  private static void letIn(
      SignedIn person, HttpServletRequest request, HttpServletResponse response) {
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(person, null, List.of()));
    new RequestAttributeSecurityContextRepository().saveContext(context, request, response);
  }

  /** To the minute, so that reading does not write each time. */
  private void used(Row row) {
    Timestamp now = Timestamp.from(clock.instant());
    SignedIn.as(
        row.person(),
        () ->
            transaction.execute(status ->
                jdbc.sql(
                        """
                        update api_token set last_used_at = :now where household_id = :household and id = :id
                           and (last_used_at is null or last_used_at < :now::timestamptz - interval '1 minute')\
                        """)
                    .param("now", now)
                    .param("household", row.householdId())
                    .param("id", row.id())
                    .update()));
  }
}
