package org.yewledger.app.household;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;

/** The second factor of the person who is signed in, with codes for the day the phone is lost. */
@Service
class SecondFactorService {
  private static final int RECOVERY_CODES = 10;
  private static final int RECOVERY_BYTES = 10;

  private record Kept(@Nullable String totpSecret, @Nullable Long totpLastStep) {}

  private final JdbcClient jdbc;
  private final Secrets secrets;
  private final Acts acts;
  private final Clock clock;

  SecondFactorService(JdbcClient jdbc, Secrets secrets, Acts acts, Clock clock) {
    this.jdbc = jdbc;
    this.secrets = secrets;
    this.acts = acts;
    this.clock = clock;
  }

  /** A new secret in base 32; nothing is kept until a code of it was shown to work. */
  String newSecret() {
    return Totp.base32(secrets.randomBytes(Totp.SECRET_BYTES));
  }

  @Transactional(readOnly = true)
  boolean isOn() {
    return kept().totpSecret() != null;
  }

  @Transactional(readOnly = true)
  int recoveryCodesLeft() {
    return jdbc.sql("select count(*) from recovery_code where person_id = ?")
        .param(me())
        .query(Integer.class)
        .single();
  }

  /**
   * Turns the second factor on.
   *
   * @return the recovery codes, shown once
   * @throws Refusal {@code second-factor-failed} if the code is not one of the secret
   */
  @Transactional
  List<String> turnOn(String secret, String code) {
    if (isOn()) {
      throw Refusal.of("second-factor-on", "The second factor is on already. Turn it off first.");
    }
    if (!secret.matches("[A-Z2-7]{32}")) {
      throw Refusal.ofField("secret-unreadable", "secret", "Begin again: the key is not whole.");
    }
    OptionalLong step = Totp.stepOfCode(Totp.fromBase32(secret), code, clock.instant(), -1);
    if (step.isEmpty()) {
      throw Refusal.ofField(
          "second-factor-failed",
          "code",
          "That is not the code of this key. Look whether the phone's clock is right, and type the next one.");
    }
    acts.begin(ActKind.PEOPLE, "Turned on the own second factor");
    jdbc.sql("update person set totp_secret = ?, totp_last_step = ? where id = ?")
        .params(secrets.encrypt(secret), step.getAsLong(), me())
        .update();
    return newRecoveryCodes();
  }

  @Transactional
  void turnOff() {
    acts.begin(ActKind.PEOPLE, "Turned off the own second factor");
    jdbc.sql("update person set totp_secret = null, totp_last_step = null where id = ?")
        .param(me())
        .update();
    jdbc.sql("delete from recovery_code where person_id = ?").param(me()).update();
  }

  /** Whether a code lets the person in; each works once. */
  @Transactional
  boolean accepts(String code) {
    Kept kept = kept();
    String secret = kept.totpSecret();
    if (secret == null) {
      return true;
    }
    long last = kept.totpLastStep() == null ? -1 : kept.totpLastStep();
    String plain = secrets.decrypt(secret);
    byte[] key = Totp.fromBase32(plain);
    OptionalLong step = Totp.stepOfCode(key, code, clock.instant(), last);
    if (step.isPresent()) {
      // Only one of two sign-ins with the same code finds the step still unused.
      return jdbc.sql(
                  "update person set totp_last_step = ?, totp_secret = ? where id = ? and totp_last_step < ?")
              .params(
                  step.getAsLong(),
                  secrets.isOfOlderKey(secret) ? secrets.encrypt(plain) : secret,
                  me(),
                  step.getAsLong())
              .update()
          == 1;
    }
    return jdbc.sql("delete from recovery_code where person_id = ? and code_hash = ?")
            .params(me(), Secrets.hashOf(plain(code)))
            .update()
        == 1;
  }

  private List<String> newRecoveryCodes() {
    jdbc.sql("delete from recovery_code where person_id = ?").param(me()).update();
    var codes = new ArrayList<String>();
    for (int i = 0; i < RECOVERY_CODES; i++) {
      String code = Totp.base32(secrets.randomBytes(RECOVERY_BYTES)).toLowerCase(Locale.ROOT);
      jdbc.sql("insert into recovery_code (person_id, code_hash) values (?, ?)")
          .params(me(), Secrets.hashOf(code))
          .update();
      codes.add(code.replaceAll("(.{4})(?!$)", "$1-"));
    }
    return codes;
  }

  private static String plain(String code) {
    return code.toLowerCase(Locale.ROOT).replaceAll("[\\s-]", "");
  }

  private Kept kept() {
    return jdbc.sql("select totp_secret, totp_last_step from person where id = ?")
        .param(me())
        .query(Kept.class)
        .single();
  }

  private static UUID me() {
    return SignedIn.now().personId();
  }
}
