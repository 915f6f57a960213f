package org.yewledger.app.household;

import java.time.Instant;

/** Codes as an authenticator shows them, for tests. */
public final class TotpCodes {
  private TotpCodes() {}

  public static String now(String secret) {
    return of(secret, 0);
  }

  /** The code shown just before, which is still taken. */
  public static String before(String secret) {
    return of(secret, -1);
  }

  private static String of(String secret, long steps) {
    return Totp.code(Totp.fromBase32(secret), Totp.stepOf(Instant.now()) + steps);
  }
}
