package org.yewledger.app.token;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.yewledger.app.act.WithAct;
import org.yewledger.app.platform.SignedIn;

/** Keeps the keys of requests that were carried out, with what was answered. */
@Component
class IdempotencyKeys implements WithAct {
  private static final String ATTRIBUTE = Claim.class.getName();
  private static final Duration KEPT = Duration.ofDays(30);
  private static final int LONGEST_ANSWER = 256 << 10;

  /**
   * A request that was carried out.
   *
   * @param status null if its answer is not kept
   */
  record Done(
      String requestHash,
      Instant at,
      @Nullable Integer status,
      @Nullable String contentType,
      byte[] body) {}

  /**
   * A request under way with a key.
   *
   * @param isKept once the key is in the database, with the first act of the request
   */
  record Claim(
      SignedIn person, UUID tokenId, String key, String requestHash, AtomicBoolean isKept) {
    Claim(SignedIn person, UUID tokenId, String key, String requestHash) {
      this(person, tokenId, key, requestHash, new AtomicBoolean());
    }
  }

  private final JdbcClient jdbc;
  private final TransactionTemplate transaction;
  private final Clock clock;

  IdempotencyKeys(JdbcClient jdbc, PlatformTransactionManager transactions, Clock clock) {
    this.jdbc = jdbc;
    this.transaction = new TransactionTemplate(transactions);
    this.clock = clock;
  }

  Optional<Done> find(SignedIn person, UUID tokenId, String key) {
    return SignedIn.as(
        person,
        () ->
            Objects.requireNonNull(
                transaction.execute(status ->
                    jdbc.sql(
                            """
                            select request_hash, at, status, content_type, body from idempotency_key
                             where household_id = ? and token_id = ? and key = ?\
                            """)
                        .params(person.householdId(), tokenId, key)
                        .query((row, no) ->
                            new Done(
                                row.getString(1),
                                row.getTimestamp(2).toInstant(),
                                row.getObject(3, Integer.class),
                                row.getString(4),
                                row.getBytes(5) == null ? new byte[0] : row.getBytes(5)))
                        .optional())));
  }

  /** From now on, the first act of the request keeps the key. */
  void underWay(HttpServletRequest request, Claim claim) {
    request.setAttribute(ATTRIBUTE, claim);
  }

  @Override
  public void begun(UUID actId) {
    if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
        && request.getRequest().getAttribute(ATTRIBUTE) instanceof Claim claim
        && claim.isKept().compareAndSet(false, true)) {
      keep(claim, actId);
      TransactionSynchronizationManager.registerSynchronization(
          new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
              // Rolled back, to be tried once more perhaps: the key is not there either.
              claim.isKept().set(status == STATUS_COMMITTED);
            }
          });
    }
  }

  private void keep(Claim claim, UUID actId) {
    UUID household = claim.person().householdId();
    jdbc.sql("delete from idempotency_key where household_id = ? and at < ?")
        .params(household, Timestamp.from(clock.instant().minus(KEPT)))
        .update();
    jdbc.sql(
            """
            insert into idempotency_key (household_id, token_id, key, request_hash, act_id, at)
            values (?, ?, ?, ?, ?, ?)\
            """)
        .params(
            household,
            claim.tokenId(),
            claim.key(),
            claim.requestHash(),
            actId,
            Timestamp.from(clock.instant()))
        .update();
  }

  /** What was answered is answered again; nothing is kept of a request that began no act. */
  void keepAnswer(Claim claim, int status, @Nullable String contentType, byte[] body) {
    if (!claim.isKept().get() || body.length > LONGEST_ANSWER) {
      return;
    }
    SignedIn.as(
        claim.person(),
        () ->
            transaction.execute(tx ->
                jdbc.sql(
                        """
                        update idempotency_key set status = :status, content_type = :type, body = :body
                         where household_id = :household and token_id = :token and key = :key\
                        """)
                    .param("status", status)
                    .param("type", contentType, Types.VARCHAR)
                    .param("body", body)
                    .param("household", claim.person().householdId())
                    .param("token", claim.tokenId())
                    .param("key", claim.key())
                    .update()));
  }
}
