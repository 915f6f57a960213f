package org.yewledger.app.household;

import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.household.SignInThrottle.Limit;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;

/** Passwords: how good they have to be, and changing one's own. */
@Service
class PasswordService {
  private static final int SHORTEST = 10;

  /** bcrypt reads no more. */
  private static final int MOST_BYTES = 72;

  private final JdbcClient jdbc;
  private final PasswordEncoder passwords;
  private final SignInThrottle throttle;
  private final Acts acts;

  PasswordService(JdbcClient jdbc, PasswordEncoder passwords, SignInThrottle throttle, Acts acts) {
    this.jdbc = jdbc;
    this.passwords = passwords;
    this.throttle = throttle;
    this.acts = acts;
  }

  /**
   * @throws Refusal {@code password-not-right} if the current one is another
   */
  @Transactional
  void change(String current, String wanted) {
    SignedIn me = SignedIn.now();
    requireRight(current);
    acts.begin(ActKind.PEOPLE, "Changed the own password");
    set(me.personId(), wanted);
  }

  /**
   * Checks that who sits there knows the password; a window may stand open.
   *
   * @throws Refusal {@code password-not-right}; {@code sign-in-paused} after too many
   */
  @Transactional(readOnly = true)
  void requireRight(String current) {
    @SuppressWarnings("NullAway")
    String hash =
        jdbc.sql("select password_hash from person where id = ?")
            .param(SignedIn.now().personId())
            .query(String.class)
            .single();
    String who = SignedIn.now().personId().toString();
    throttle.count(Limit.PERSON, who);
    if (!passwords.matches(current, hash)) {
      throw Refusal.ofField(
          "password-not-right", "current", "That is not the password you signed in with.");
    }
    throttle.giveBack(Limit.PERSON, who);
  }

  /** Sets somebody's password, within a transaction of a household that they belong to. */
  void set(UUID personId, String wanted) {
    requireGood(wanted);
    jdbc.sql("update person set password_hash = ? where id = ?")
        .params(passwords.encode(wanted), personId)
        .update();
  }

  static void requireGood(String password) {
    if (password.length() < SHORTEST) {
      throw Refusal.ofField(
          "password-too-short",
          "password",
          "A password has at least %d characters. Three words that do not belong together are good."
              .formatted(SHORTEST));
    }
    if (password.getBytes(java.nio.charset.StandardCharsets.UTF_8).length > MOST_BYTES) {
      throw Refusal.ofField(
          "password-too-long",
          "password",
          "A password has at most %d letters.".formatted(MOST_BYTES));
    }
  }
}
