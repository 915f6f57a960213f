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

  /** One more than an email has people, so that a stranger who makes another sees no difference. */
  private static final int LEAST_HELD_AGAINST = 2;

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
    throttle.count(Limit.ADDRESS, address);
    Candidate candidate =
        proved(email, password)
            .orElseThrow(() -> Refusal.of("sign-in-failed", "Email or password is not right."));
    String who = candidate.personId().toString();
    SignedIn person = candidate.toSignedIn();
    if (candidate.secondFactor()) {
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
   * @return who it is; empty if nobody signs in with this email and this password
   * @throws Refusal {@code sign-in-paused} after too many tries, whether the email is known or not
   */
  Optional<UUID> prove(String email, String password) {
    Optional<UUID> known = proved(email, password).map(Candidate::personId);
    known.ifPresent(id -> throttle.giveBack(Limit.PERSON, id.toString()));
    return known;
  }

  /**
   * Of those with this email the one with this password. The try counts for each that it is held
   * against, so that nobody can guess at another by being right about themselves now and then. A
   * wrong one takes as long for an unknown email as for one of a single person.
   */
  private Optional<Candidate> proved(String email, String password) {
    List<Candidate> candidates = find(email);
    if (candidates.isEmpty()) {
      throttle.count(Limit.PERSON, SignInThrottle.unknown(email));
    }
    Refusal paused = null;
    for (Candidate candidate : candidates) {
      try {
        throttle.count(Limit.PERSON, candidate.personId().toString());
      } catch (Refusal e) {
        paused = e;
        continue;
      }
      if (passwords.matches(password, candidate.passwordHash())) {
        return Optional.of(candidate);
      }
    }
    if (paused != null) {
      throw paused;
    }
    for (int held = candidates.size(); held < LEAST_HELD_AGAINST; held++) {
      passwords.matches(password, hashOfNobody);
    }
    return Optional.empty();
  }

  private List<Candidate> find(String email) {
    return jdbc.sql("select * from person_signing_in(?)")
        .param(email)
        .query(DataClassRowMapper.newInstance(Candidate.class))
        .list();
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
            jdbc.sql(
                    "update membership set last_used_at = ? where household_id = ? and person_id = ?")
                .params(Timestamp.from(clock.instant()), person.householdId(), person.personId())
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
