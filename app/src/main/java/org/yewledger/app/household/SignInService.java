package org.yewledger.app.household;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.DataClassRowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
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
      UUID householdId,
      Role role,
      boolean secondFactor) {
    SignedIn toSignedIn() {
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
    String byEmail = "email:" + email.toLowerCase(Locale.ROOT);
    String byAddress = "address:" + address;
    if (throttle.mustWait(byEmail) || throttle.mustWait(byAddress)) {
      throw Refusal.of("sign-in-paused", "Too many failed tries. Wait 15 minutes, then try again.");
    }
    Optional<Candidate> candidate = find(email);
    String hash = candidate.map(Candidate::passwordHash).orElse(hashOfNobody);
    if (!passwords.matches(password, hash) || candidate.isEmpty()) {
      throw failed(byEmail, byAddress, "sign-in-failed", "Email or password is not right.");
    }
    Candidate person = candidate.get();
    if (person.secondFactor()) {
      requireSecondFactor(person, code, byEmail, byAddress);
    }
    throttle.succeeded(byEmail);
    throttle.succeeded(byAddress);
    return opened(person.toSignedIn());
  }

  private void requireSecondFactor(
      Candidate person, String code, String byEmail, String byAddress) {
    if (code.isBlank()) {
      throw Refusal.ofField(
          "second-factor-needed", "code", "Type the six digits that your authenticator shows.");
    }
    if (!founding.as(person.toSignedIn(), () -> secondFactors.accepts(code))) {
      throw failed(
          byEmail,
          byAddress,
          "second-factor-failed",
          "That code is not right, or was used already. Wait for the next one, or type a recovery code.");
    }
  }

  private Refusal failed(String byEmail, String byAddress, String code, String message) {
    throttle.failed(byEmail);
    throttle.failed(byAddress);
    return Refusal.of(code, message);
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
