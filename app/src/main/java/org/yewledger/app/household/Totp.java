package org.yewledger.app.household;

import java.nio.ByteBuffer;
import java.security.GeneralSecurityException;
import java.time.Instant;
import java.util.OptionalLong;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * Time-based one-time passwords: RFC 6238 with HMAC-SHA-1, steps of 30 seconds and six digits, as
 * every authenticator reads them.
 */
final class Totp {
  static final int SECRET_BYTES = 20;
  private static final int STEP_SECONDS = 30;
  private static final int DIGITS = 1_000_000;
  private static final String BASE32 = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";

  private Totp() {}

  /** The code of a time step (RFC 4226, section 5.3). */
  static String code(byte[] secret, long step) {
    try {
      Mac mac = Mac.getInstance("HmacSHA1");
      mac.init(new SecretKeySpec(secret, "HmacSHA1"));
      byte[] hash = mac.doFinal(ByteBuffer.allocate(8).putLong(step).array());
      int offset = hash[hash.length - 1] & 0xf;
      int number = ByteBuffer.wrap(hash, offset, 4).getInt() & 0x7fffffff;
      return "%06d".formatted(number % DIGITS);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  static long stepOf(Instant now) {
    return Math.floorDiv(now.getEpochSecond(), STEP_SECONDS);
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
    var text = new StringBuilder();
    int buffer = 0;
    int bits = 0;
    for (byte b : bytes) {
      buffer = (buffer << 8) | (b & 0xff);
      bits += 8;
      while (bits >= 5) {
        bits -= 5;
        text.append(BASE32.charAt((buffer >> bits) & 31));
      }
    }
    if (bits > 0) {
      text.append(BASE32.charAt((buffer << (5 - bits)) & 31));
    }
    return text.toString();
  }

  static byte[] fromBase32(String text) {
    var bytes = ByteBuffer.allocate(text.length() * 5 / 8);
    int buffer = 0;
    int bits = 0;
    for (char c : text.toCharArray()) {
      buffer = (buffer << 5) | BASE32.indexOf(c);
      bits += 5;
      if (bits >= 8) {
        bits -= 8;
        bytes.put((byte) (buffer >> bits));
      }
    }
    return bytes.array();
  }
}
