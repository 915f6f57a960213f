package org.yewledger.app.platform;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.Base64;
import java.util.List;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.testng.annotations.Test;

public class SecretsTest {
  private static final String OLD = "an old key of many letters";
  private static final String NEW = "a new key of many letters";

  @Test
  public void aSecretGoesThereAndBackAndIsNeverTheSameTwice() {
    var secrets = new Secrets(NEW, List.of());
    assertEquals(secrets.decrypt(secrets.encrypt("consent 77 \u20ac")), "consent 77 \u20ac");
    assertNotEquals(secrets.encrypt("x"), secrets.encrypt("x"));
  }

  @Test
  public void aNewKeyTakesOverWhileTheOldOneStillReads() {
    String written = new Secrets(OLD, List.of()).encrypt("consent");
    var both = new Secrets(NEW, List.of(OLD));
    assertEquals(both.decrypt(written), "consent");
    assertTrue(both.isOfOlderKey(written));
    String again = both.encrypt("consent");
    assertFalse(both.isOfOlderKey(again));
    assertEquals(new Secrets(NEW, List.of()).decrypt(again), "consent");
  }

  @Test
  public void aKeyThatIsNotHereReadsNothing() {
    String written = new Secrets(OLD, List.of()).encrypt("consent");
    expectThrows(IllegalStateException.class, () -> new Secrets(NEW, List.of()).decrypt(written));
  }

  @Test
  public void aSecretThatWasChangedIsNotRead() {
    var secrets = new Secrets(NEW, List.of());
    String written = secrets.encrypt("consent");
    char last = written.charAt(written.length() - 5);
    String changed =
        written.substring(0, written.length() - 5)
            + (last == 'A' ? 'B' : 'A')
            + written.substring(written.length() - 4);
    expectThrows(IllegalStateException.class, () -> secrets.decrypt(changed));
  }

  /** As secrets were kept before keys had identities. */
  @Test
  public void secretsFromBeforeKeysHadIdentitiesAreRead() throws GeneralSecurityException {
    byte[] key = MessageDigest.getInstance("SHA-256").digest(OLD.getBytes());
    Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
    var nonce = new byte[12];
    cipher.init(
        Cipher.ENCRYPT_MODE, new SecretKeySpec(key, "AES"), new GCMParameterSpec(128, nonce));
    byte[] sealed = cipher.doFinal("consent".getBytes());
    var all = new byte[12 + sealed.length];
    System.arraycopy(sealed, 0, all, 12, sealed.length);
    String written = Base64.getEncoder().encodeToString(all);
    assertEquals(new Secrets(OLD, List.of()).decrypt(written), "consent");
    assertEquals(new Secrets(NEW, List.of(OLD)).decrypt(written), "consent");
    assertTrue(new Secrets(OLD, List.of()).isOfOlderKey(written));
  }
}
