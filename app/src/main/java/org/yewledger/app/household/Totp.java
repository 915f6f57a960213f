package org.yewledger.app.household;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.security.InvalidKeyException;
import java.time.Duration;
import java.time.Instant;
import java.util.OptionalLong;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;

/**
 * Time-based one-time passwords: RFC 6238 with HMAC-SHA-1, steps of 30 seconds and six digits, as
 * every authenticator reads them.
 */
final class Totp {
  static final int SECRET_BYTES = 20;
  private static final Duration STEP = Duration.ofSeconds(30);
  private static final TimeBasedOneTimePasswordGenerator CODES =
      new TimeBasedOneTimePasswordGenerator(STEP, 6);
  private static final Base32 BASE32 = new Base32();

  private Totp() {}

  /** The code of a time step. */
  static String code(byte[] secret, long step) {
    try {
      return CODES.generateOneTimePasswordString(
          new SecretKeySpec(secret, CODES.getAlgorithm()),
          Instant.ofEpochSecond(step * STEP.toSeconds()));
    } catch (InvalidKeyException e) {
      throw new IllegalStateException(e);
    }
  }

  static long stepOf(Instant now) {
    return Math.floorDiv(now.getEpochSecond(), STEP.toSeconds());
  }

  /**
   * The step whose code this is, one step of slow clocks either way; empty if it is none, or one
   * that was used already.
   *
   * @param lastStep the last step whose code was used
   */
  static OptionalLong stepOfCode(byte[] secret, String code, Instant now, long lastStep) {
    String digits = code.replaceAll("\\s", "");
    for (long step = stepOf(now) - 1; step <= stepOf(now) + 1; step++) {
      if (step > lastStep && code(secret, step).equals(digits)) {
        return OptionalLong.of(step);
      }
    }
    return OptionalLong.empty();
  }

  /** Base 32 of RFC 4648 without padding, in which secrets are typed. */
  static String base32(byte[] bytes) {
    return BASE32.encodeToString(bytes).replace("=", "");
  }

  static byte[] fromBase32(String text) {
    return BASE32.decode(text);
  }
}
