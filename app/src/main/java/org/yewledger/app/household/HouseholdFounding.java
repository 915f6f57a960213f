package org.yewledger.app.household;

import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;

/** Founds a household with its owner. */
@Service
public class HouseholdFounding {
  private final JdbcClient jdbc;
  private final PasswordEncoder passwords;
  private final Acts acts;
  private final TransactionTemplate transaction;

  HouseholdFounding(
      JdbcClient jdbc,
      PasswordEncoder passwords,
      Acts acts,
      PlatformTransactionManager transactions) {
    this.jdbc = jdbc;
    this.passwords = passwords;
    this.acts = acts;
    this.transaction = new TransactionTemplate(transactions);
  }

  /** Whether there is a household with this owner's identity already. */
  public boolean isFounded(SignedIn owner) {
    return as(
        owner,
        () ->
            jdbc.sql("select count(*) from household where id = ?")
                    .param(owner.householdId())
                    .query(Long.class)
                    .single()
                > 0);
  }

  /**
   * Founds the household with a new person as its owner, and does the first work in it, all in one
   * transaction: a household is whole or not there.
   */
  public void found(
      String name, String timeZone, SignedIn owner, String password, Runnable firstWork) {
    as(
        owner,
        () -> {
          addHousehold(name, timeZone, owner);
          jdbc.sql("insert into person (id, email, name, password_hash) values (?, ?, ?, ?)")
              .params(owner.personId(), owner.email(), owner.name(), passwords.encode(password))
              .update();
          acts.begin(ActKind.BEGIN_HOUSEHOLD, "Began the household " + name);
          addOwner(owner);
          firstWork.run();
          return true;
        });
  }

  /** Founds another household of a person who is known already. */
  public void foundAnother(String name, String timeZone, SignedIn owner) {
    as(
        owner,
        () -> {
          addHousehold(name, timeZone, owner);
          acts.begin(ActKind.BEGIN_HOUSEHOLD, "Began the household " + name);
          addOwner(owner);
          return true;
        });
  }

  private void addHousehold(String name, String timeZone, SignedIn owner) {
    jdbc.sql("insert into household (id, name, time_zone) values (?, ?, ?)")
        .params(owner.householdId(), name, timeZone)
        .update();
  }

  private void addOwner(SignedIn owner) {
    jdbc.sql("insert into membership (household_id, person_id, role) values (?, ?, ?)")
        .params(owner.householdId(), owner.personId(), owner.role().name())
        .update();
  }

  /** Does something in a transaction of the person's household, as when they were signed in. */
  public <T> T as(SignedIn person, Supplier<T> work) {
    return SignedIn.as(
        person, () -> java.util.Objects.requireNonNull(transaction.execute(status -> work.get())));
  }

  /** The identity of a new owner. */
  public static SignedIn newOwner(UUID personId, String name, String email, UUID householdId) {
    return new SignedIn(personId, name, email, householdId, Role.OWNER);
  }
}
