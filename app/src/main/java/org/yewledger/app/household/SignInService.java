package org.yewledger.app.household;

import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;

/** Checks email and password. */
@Service
class SignInService {
  private record Candidate(
      UUID personId,
      String name,
      String email,
      String passwordHash,
      UUID householdId,
      Role role,
      boolean secondFactor) {}

  private final JdbcClient jdbc;
  private final PasswordEncoder passwords;
  private final SignInThrottle throttle;
  private final String hashOfNobody;

  SignInService(JdbcClient jdbc, PasswordEncoder passwords, SignInThrottle throttle) {
    this.jdbc = jdbc;
    this.passwords = passwords;
    this.throttle = throttle;
    this.hashOfNobody = passwords.encode(UUID.randomUUID().toString());
  }

  /**
   * @param address where the request comes from, counted beside the email
   * @throws Refusal {@code sign-in-paused} after too many failures, {@code sign-in-failed}
   *     otherwise; the latter says the same whether the email is known or not, and takes as long
   */
  @Transactional(readOnly = true)
  public SignedIn signIn(String email, String password, String address) {
    String byEmail = "email:" + email.toLowerCase(Locale.ROOT);
    String byAddress = "address:" + address;
    if (throttle.mustWait(byEmail) || throttle.mustWait(byAddress)) {
      throw Refusal.of("sign-in-paused", "Too many failed tries. Wait 15 minutes, then try again.");
    }
    Optional<Candidate> candidate = find(email);
    String hash = candidate.map(Candidate::passwordHash).orElse(hashOfNobody);
    if (!passwords.matches(password, hash) || candidate.isEmpty()) {
      throttle.failed(byEmail);
      throttle.failed(byAddress);
      throw Refusal.of("sign-in-failed", "Email or password is not right.");
    }
    throttle.succeeded(byEmail);
    throttle.succeeded(byAddress);
    Candidate person = candidate.get();
    return new SignedIn(
        person.personId(), person.name(), person.email(), person.householdId(), person.role());
  }

  private Optional<Candidate> find(String email) {
    return jdbc.sql("select * from person_signing_in(?)")
        .param(email)
        .query(Candidate.class)
        .optional();
  }
}
