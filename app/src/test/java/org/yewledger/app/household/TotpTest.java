package org.yewledger.app.household;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TotpTest {
  private static final byte[] SECRET = "12345678901234567890".getBytes(StandardCharsets.US_ASCII);

  /** The test vectors of RFC 6238, appendix B, for SHA-1; the last six of their eight digits. */
  @DataProvider
  Object[][] vectors() {
    return new Object[][] {
      {59L, "287082"},
      {1111111109L, "081804"},
      {1111111111L, "050471"},
      {1234567890L, "005924"},
      {2000000000L, "279037"},
      {20000000000L, "353130"},
    };
  }

  @Test(dataProvider = "vectors")
  public void givesTheCodesOfTheStandard(long seconds, String code) {
    Instant now = Instant.ofEpochSecond(seconds);
    assertEquals(Totp.code(SECRET, Totp.stepOf(now)), code);
    assertTrue(Totp.stepOfCode(SECRET, code, now, -1).isPresent());
  }

  @Test
  public void aCodeWorksOnceAndForAMinuteAndAHalf() {
    Instant now = Instant.ofEpochSecond(1_234_567_890);
    String code = Totp.code(SECRET, Totp.stepOf(now));
    assertTrue(Totp.stepOfCode(SECRET, code, now.plusSeconds(30), -1).isPresent());
    assertTrue(Totp.stepOfCode(SECRET, code, now.plusSeconds(90), -1).isEmpty());
    assertTrue(Totp.stepOfCode(SECRET, code, now, Totp.stepOf(now)).isEmpty());
  }

  @Test
  public void base32GoesThereAndBack() {
    assertEquals(Totp.base32(SECRET), "GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ");
    var random = new Random(2);
    for (int i = 0; i < 200; i++) {
      byte[] bytes = new byte[5 * (1 + random.nextInt(6))];
      random.nextBytes(bytes);
      assertEquals(Totp.fromBase32(Totp.base32(bytes)), bytes);
    }
  }
}
