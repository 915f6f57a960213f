package org.yewledger.app.token;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;

/** Makes tokens of programs and takes them back: one's own, and an owner all of the household. */
@Service
class TokenService {
  private static final String PREFIX = "yew_";
  private static final int LONGEST_DAYS = 366;

  private static final String VALID =
      """
      select t.id, t.name, t.scope, p.name as person, t.expires_at, t.last_used_at
        from api_token t join person p on p.id = t.person_id
       where t.household_id = :household and t.revoked_at is null and t.expires_at > :now
         and (:everybody or t.person_id = :person)
       order by t.made_at desc, t.id\
      """;

  /** As shown once: the token itself is not kept. */
  record NewToken(UUID id, String token) {}

  private final JdbcClient jdbc;
  private final Secrets secrets;
  private final HouseholdDays days;
  private final Acts acts;
  private final Clock clock;

  TokenService(JdbcClient jdbc, Secrets secrets, HouseholdDays days, Acts acts, Clock clock) {
    this.jdbc = jdbc;
    this.secrets = secrets;
    this.days = days;
    this.acts = acts;
    this.clock = clock;
  }

  /** Those that still work, the newest first. */
  @Transactional(readOnly = true)
  List<Token> all() {
    SignedIn me = SignedIn.now();
    return jdbc.sql(VALID)
        .param("household", me.householdId())
        .param("now", Timestamp.from(clock.instant()))
        .param("everybody", me.isOwner())
        .param("person", me.personId())
        .query((row, no) ->
            new Token(
                row.getObject(1, UUID.class),
                row.getString(2),
                Token.Scope.valueOf(row.getString(3)),
                row.getString(4),
                lastDay(row.getTimestamp(5).toInstant()),
                instant(row.getTimestamp(6))))
        .list();
  }

  private LocalDate lastDay(Instant expires) {
    return LocalDate.ofInstant(expires, days.zone()).minusDays(1);
  }

  private static @Nullable Instant instant(@Nullable Timestamp at) {
    return at == null ? null : at.toInstant();
  }

  /**
   * @param lastDay on which it works, in the household's time zone
   * @throws Refusal {@code token-unnamed}, {@code token-expiry}, {@code token-beyond-role}
   */
  @Transactional
  NewToken make(String name, Token.Scope scope, LocalDate lastDay) {
    SignedIn me = SignedIn.now();
    if (name.isBlank()) {
      throw Refusal.ofField("token-unnamed", "name", "Type what the token is for.");
    }
    if (scope == Token.Scope.KEEP_BOOKS && !me.canKeepBooks()) {
      throw Refusal.ofField(
          "token-beyond-role", "scope", "A reader’s token reads. It cannot change the books.");
    }
    LocalDate today = days.today();
    if (lastDay.isBefore(today) || lastDay.isAfter(today.plusDays(LONGEST_DAYS))) {
      throw Refusal.ofField(
          "token-expiry",
          "lastDay",
          "A token works for a day at least, and for a year at most: until %s."
              .formatted(today.plusDays(LONGEST_DAYS)));
    }
    UUID id = Ids.next();
    String token = PREFIX + secrets.newToken();
    Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
    Instant expires = lastDay.plusDays(1).atStartOfDay(days.zone()).toInstant();
    acts.begin(ActKind.PEOPLE, "Made the token %s for a program".formatted(name.strip()));
    jdbc.sql(
            """
            insert into api_token (household_id, id, person_id, name, scope, token_hash, made_at, expires_at)
            values (?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            me.householdId(),
            id,
            me.personId(),
            name.strip(),
            scope.name(),
            Secrets.hashOf(token),
            Timestamp.from(now),
            Timestamp.from(expires))
        .update();
    return new NewToken(id, token);
  }

  /**
   * From now on it opens nothing.
   *
   * @throws NotFound if there is no such token that one may take back
   */
  @Transactional
  void revoke(UUID id) {
    Token token =
        all().stream()
            .filter(one -> one.id().equals(id))
            .findFirst()
            .orElseThrow(() -> new NotFound("token"));
    acts.begin(ActKind.PEOPLE, "Took the token %s back".formatted(token.name()));
    jdbc.sql("update api_token set revoked_at = ? where household_id = ? and id = ?")
        .params(Timestamp.from(clock.instant()), SignedIn.now().householdId(), id)
        .update();
  }
}
