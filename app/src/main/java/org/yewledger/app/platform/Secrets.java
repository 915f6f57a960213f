package org.yewledger.app.platform;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keeps secrets unreadable in the database: AES-256 in GCM with a key from the environment, a fresh
 * nonce for each. Also makes tokens, of which only a hash is kept.
 */
@Component
public class Secrets {
  private static final int NONCE_BYTES = 12;
  private static final int TAG_BITS = 128;
  private static final int TOKEN_BYTES = 24;

  private final SecretKeySpec key;
  private final SecureRandom random = new SecureRandom();

  Secrets(@Value("${yew.secret-key}") String secret) {
    if (secret.length() < 16) {
      throw new IllegalStateException("YEW_SECRET_KEY has to have at least 16 characters");
    }
    this.key = new SecretKeySpec(sha256(secret.getBytes(StandardCharsets.UTF_8)), "AES");
  }

  /** Nonce and ciphertext, in base 64. */
  public String encrypt(String plain) {
    try {
      byte[] nonce = randomBytes(NONCE_BYTES);
      Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
      cipher.init(Cipher.ENCRYPT_MODE, key, new GCMParameterSpec(TAG_BITS, nonce));
      byte[] sealed = cipher.doFinal(plain.getBytes(StandardCharsets.UTF_8));
      byte[] all = new byte[nonce.length + sealed.length];
      System.arraycopy(nonce, 0, all, 0, nonce.length);
      System.arraycopy(sealed, 0, all, nonce.length, sealed.length);
      return Base64.getEncoder().encodeToString(all);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  /**
   * @throws IllegalStateException if it was encrypted with another key, or changed
   */
  public String decrypt(String encrypted) {
    try {
      byte[] all = Base64.getDecoder().decode(encrypted);
      Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
      cipher.init(Cipher.DECRYPT_MODE, key, new GCMParameterSpec(TAG_BITS, all, 0, NONCE_BYTES));
      byte[] plain = cipher.doFinal(all, NONCE_BYTES, all.length - NONCE_BYTES);
      return new String(plain, StandardCharsets.UTF_8);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("a secret cannot be read with this YEW_SECRET_KEY", e);
    }
  }

  /** An unguessable token for a link. */
  public String newToken() {
    return Base64.getUrlEncoder().withoutPadding().encodeToString(randomBytes(TOKEN_BYTES));
  }

  public byte[] randomBytes(int count) {
    byte[] bytes = new byte[count];
    random.nextBytes(bytes);
    return bytes;
  }

  /** What is kept of a token: enough to know it again, of no use to who reads it. */
  public static String hashOf(String token) {
    return HexFormat.of().formatHex(sha256(token.getBytes(StandardCharsets.UTF_8)));
  }

  private static byte[] sha256(byte[] bytes) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
