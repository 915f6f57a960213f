package org.yewledger.app.household;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;

/** Takes up a link: joins a household, or sets a new password. Nobody is signed in yet. */
@Service
class LinkService {
  enum Purpose {
    INVITATION,
    NEW_PASSWORD
  }

  /** A link that can be taken up. */
  record Open(Purpose purpose, String name, String email, Role role, String householdName) {}

  private record Row(
      UUID householdId,
      UUID id,
      Purpose purpose,
      @Nullable UUID personId,
      String name,
      String email,
      Role role,
      UUID madeBy,
      Timestamp expiresAt,
      @Nullable Timestamp usedAt,
      String householdName) {}

  private final JdbcClient jdbc;
  private final PasswordEncoder passwords;
  private final PasswordService passwordService;
  private final HouseholdFounding founding;
  private final Sessions sessions;
  private final SignInService signIn;
  private final Acts acts;
  private final Clock clock;

  LinkService(
      JdbcClient jdbc,
      PasswordEncoder passwords,
      PasswordService passwordService,
      HouseholdFounding founding,
      Sessions sessions,
      SignInService signIn,
      Acts acts,
      Clock clock) {
    this.jdbc = jdbc;
    this.passwords = passwords;
    this.passwordService = passwordService;
    this.founding = founding;
    this.sessions = sessions;
    this.signIn = signIn;
    this.acts = acts;
    this.clock = clock;
  }

  /**
   * @throws Refusal {@code link-over} if there is no such link, or it expired, or was used
   */
  Open look(String token) {
    Row row = find(token);
    return new Open(row.purpose(), row.name(), row.email(), row.role(), row.householdName());
  }

  /**
   * Joins the household as a new person, or as one that is known by the email and gives their
   * password; or sets the new password.
   */
  void takeUp(String token, String name, String password) {
    Row row = find(token);
    if (row.purpose() == Purpose.NEW_PASSWORD) {
      setPassword(row, password);
    } else {
      join(row, name.isBlank() ? row.name() : name.strip(), password);
    }
  }

  private void setPassword(Row row, String password) {
    UUID personId = java.util.Objects.requireNonNull(row.personId());
    if (signIn.households(personId).size() > 1) {
      // Since the link was made they have joined another household, which it must not open.
      throw over();
    }
    PasswordService.requireGood(password);
    founding.as(
        acting(row, personId, row.name()),
        () -> {
          use(row);
          acts.begin(ActKind.PEOPLE, row.name() + " set a new password");
          passwordService.set(personId, password);
          sessions.endAllOf(personId);
          return true;
        });
  }

  private void join(Row row, String name, String password) {
    UUID known = signIn.prove(row.email(), password).orElse(null);
    if (known == null) {
      PasswordService.requireGood(password);
    }
    UUID personId = known == null ? Ids.next() : known;
    founding.as(
        acting(row, personId, name),
        () -> {
          use(row);
          acts.begin(
              ActKind.PEOPLE,
              "%s joined as %s".formatted(name, row.role().name().toLowerCase(Locale.ROOT)));
          if (known == null) {
            jdbc.sql("insert into person (id, email, name, password_hash) values (?, ?, ?, ?)")
                .params(personId, row.email(), name, passwords.encode(password))
                .update();
          }
          jdbc.sql("insert into membership (household_id, person_id, role) values (?, ?, ?)")
              .params(row.householdId(), personId, row.role().name())
              .update();
          return true;
        });
  }

  private static SignedIn acting(Row row, UUID personId, String name) {
    return new SignedIn(personId, name, row.email(), row.householdId(), row.role());
  }

  /** Marks the link as used; of two windows only one gets through. */
  private void use(Row row) {
    int used =
        jdbc.sql(
                "update link set used_at = ? where household_id = ? and id = ? and used_at is null")
            .params(Timestamp.from(clock.instant()), row.householdId(), row.id())
            .update();
    if (used == 0) {
      throw over();
    }
  }

  private Row find(String token) {
    Row row =
        jdbc.sql("select * from link_by_token(?)")
            .param(Secrets.hashOf(token))
            .query(Row.class)
            .optional()
            .orElseThrow(LinkService::over);
    if (row.usedAt() != null || row.expiresAt().toInstant().isBefore(clock.instant())) {
      throw over();
    }
    return row;
  }

  private static Refusal over() {
    return Refusal.of(
        "link-over",
        "This link does not work any more: it was used, taken back, or its time is over. Ask for a new one.");
  }
}
