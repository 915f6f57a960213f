package org.yewledger.app.household;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.DataClassRowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.yewledger.app.household.SignInThrottle.Limit;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;

/** Checks who somebody is, and opens the household that they last worked in. */
@Service
class SignInService {
  private record Candidate(
      UUID personId,
      String name,
      String email,
      String passwordHash,
      @Nullable UUID householdId,
      @Nullable Role role,
      boolean secondFactor) {
    SignedIn toSignedIn() {
      if (householdId == null || role == null) {
        throw Refusal.of(
            "no-household",
            "You belong to no household any more. Ask an owner to invite you, or begin one of your own.");
      }
      return new SignedIn(personId, name, email, householdId, role);
    }
  }

  /** A household that a person belongs to. */
  record Belonging(UUID householdId, String name, Role role) {}

  private final JdbcClient jdbc;
  private final PasswordEncoder passwords;
  private final SignInThrottle throttle;
  private final SecondFactorService secondFactors;
  private final HouseholdFounding founding;
  private final Clock clock;
  private final String hashOfNobody;

  SignInService(
      JdbcClient jdbc,
      PasswordEncoder passwords,
      SignInThrottle throttle,
      SecondFactorService secondFactors,
      HouseholdFounding founding,
      Clock clock) {
    this.jdbc = jdbc;
    this.passwords = passwords;
    this.throttle = throttle;
    this.secondFactors = secondFactors;
    this.founding = founding;
    this.clock = clock;
    this.hashOfNobody = passwords.encode(UUID.randomUUID().toString());
  }

  /**
   * @param code of the second factor, or a recovery code; empty if none was asked for yet
   * @param address where the request comes from, counted beside the email
   * @throws Refusal {@code sign-in-paused} after too many failures, {@code sign-in-failed}
   *     otherwise; the latter says the same whether the email is known or not, and takes as long.
   *     {@code second-factor-needed} and {@code second-factor-failed} once the password was right
   */
  SignedIn signIn(String email, String password, String code, String address) {
    Optional<Candidate> candidate = find(email);
    UUID known = candidate.map(Candidate::personId).orElse(null);
    String who = SignInThrottle.person(known, email);
    throttle.count(Limit.ADDRESS, address);
    throttle.count(Limit.PERSON, who);
    String hash = candidate.map(Candidate::passwordHash).orElse(hashOfNobody);
    if (!passwords.matches(password, hash) || candidate.isEmpty()) {
      throw Refusal.of("sign-in-failed", "Email or password is not right.");
    }
    SignedIn person = candidate.get().toSignedIn();
    if (candidate.get().secondFactor()) {
      requireSecondFactor(person, code, address, who);
    }
    throttle.giveBack(Limit.ADDRESS, address);
    throttle.forget(Limit.PERSON, who);
    return opened(person);
  }

  private void requireSecondFactor(SignedIn person, String code, String address, String who) {
    if (code.isBlank()) {
      // The form asks for the code only after the password was right; asking is no guess.
      throttle.giveBack(Limit.ADDRESS, address);
      throttle.giveBack(Limit.PERSON, who);
      throw Refusal.ofField(
          "second-factor-needed", "code", "Type the six digits that your authenticator shows.");
    }
    if (!founding.as(person, () -> secondFactors.accepts(code))) {
      throw Refusal.of(
          "second-factor-failed",
          "That code is not right, or was used already. Wait for the next one, or type a recovery code.");
    }
  }

  /**
   * Checks the password of somebody who need not belong to a household.
   *
   * @return who it is; empty if the email is nobody's
   * @throws Refusal {@code sign-in-failed} if somebody signs in with the email and another password
   */
  Optional<UUID> prove(String email, String password) {
    Optional<Candidate> candidate = find(email);
    if (candidate.isEmpty()) {
      return Optional.empty();
    }
    UUID known = candidate.get().personId();
    String who = SignInThrottle.person(known, email);
    throttle.count(Limit.PERSON, who);
    if (!passwords.matches(password, candidate.get().passwordHash())) {
      throw Refusal.ofField(
          "sign-in-failed", "password", "That is not the password you sign in with.");
    }
    throttle.giveBack(Limit.PERSON, who);
    return Optional.of(known);
  }

  private Optional<Candidate> find(String email) {
    return jdbc.sql("select * from person_signing_in(?)")
        .param(email)
        .query(Candidate.class)
        .optional();
  }

  /** The households that a person belongs to, by name. */
  List<Belonging> households(UUID personId) {
    return jdbc.sql("select * from households_of(?)")
        .param(personId)
        .query(DataClassRowMapper.newInstance(Belonging.class))
        .list();
  }

  /**
   * The person in another of their households.
   *
   * @throws NotFound if they do not belong to it
   */
  SignedIn in(SignedIn person, UUID householdId) {
    Belonging belonging =
        households(person.personId()).stream()
            .filter(b -> b.householdId().equals(householdId))
            .findFirst()
            .orElseThrow(() -> new NotFound("household"));
    return opened(
        new SignedIn(
            person.personId(), person.name(), person.email(), householdId, belonging.role()));
  }

  /** Remembers which household to open at the next sign-in. */
  private SignedIn opened(SignedIn person) {
    founding.as(
        person,
        () ->
            jdbc.sql("update membership set last_used_at = ? where person_id = ?")
                .params(Timestamp.from(clock.instant()), person.personId())
                .update());
    return person;
  }

  /** The name of the household that somebody works in. */
  String householdName(SignedIn person) {
    return households(person.personId()).stream()
        .filter(b -> b.householdId().equals(person.householdId()))
        .map(Belonging::name)
        .findFirst()
        .orElse("");
  }
}
