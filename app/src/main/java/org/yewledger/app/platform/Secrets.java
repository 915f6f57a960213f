package org.yewledger.app.platform;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.List;
import java.util.stream.Stream;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor.CipherAlgorithm;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;
import org.yewledger.formats.Sha256;

/**
 * Keeps secrets unreadable in the database: AES-256 in GCM with keys from the environment. Each
 * text says by which key it was encrypted, so that a new key can take over while older ones still
 * read what they wrote. Also makes tokens, of which only a hash is kept.
 */
@Component
public class Secrets {
  private static final int NONCE_BYTES = 12;
  private static final int TOKEN_BYTES = 24;
  private static final int SHORTEST_KEY = 16;

  /** Key and text are parted by a dot, which is in neither. */
  private static final char DOT = '.';

  private record Key(String id, AesBytesEncryptor cipher) {
    static Key of(String secret) {
      if (secret.length() < SHORTEST_KEY) {
        throw new IllegalStateException(
            "keys in YEW_SECRET_KEY and YEW_SECRET_KEYS_BEFORE have to have at least 16 characters");
      }
      var key = new SecretKeySpec(Sha256.of(secret.getBytes(StandardCharsets.UTF_8)), "AES");
      return new Key(
          hashOf("key " + secret).substring(0, 8),
          new AesBytesEncryptor(key, KeyGenerators.secureRandom(NONCE_BYTES), CipherAlgorithm.GCM));
    }
  }

  /** The one that encrypts, then those that only read. */
  private final List<Key> keys;

  private final SecureRandom random = new SecureRandom();

  /**
   * @param current what new secrets are encrypted with
   * @param before keys used earlier, as long as secrets of them may be there
   */
  Secrets(
      @Value("${yew.secret-key}") String current,
      @Value("${yew.secret-keys-before}") List<String> before) {
    this.keys =
        Stream.concat(Stream.of(current), before.stream().map(String::strip)).map(Key::of).toList();
  }

  /** The key's identity, then nonce and ciphertext in base 64. */
  public String encrypt(String plain) {
    Key key = keys.getFirst();
    byte[] sealed = key.cipher().encrypt(plain.getBytes(StandardCharsets.UTF_8));
    return key.id() + DOT + Base64.getEncoder().encodeToString(sealed);
  }

  /**
   * @throws IllegalStateException if it was encrypted with a key that is not here, or changed
   */
  public String decrypt(String encrypted) {
    int dot = encrypted.indexOf(DOT);
    byte[] sealed = Base64.getDecoder().decode(encrypted.substring(dot + 1));
    for (Key key : keys) {
      // Before keys had identities there was one only; whichever reads the text is it.
      if (dot < 0 || key.id().equals(encrypted.substring(0, dot))) {
        try {
          return new String(key.cipher().decrypt(sealed), StandardCharsets.UTF_8);
        } catch (RuntimeException e) {
          if (dot >= 0) {
            throw new IllegalStateException("a secret was changed in the database", e);
          }
        }
      }
    }
    throw new IllegalStateException("a secret cannot be read with the keys that are here");
  }

  /** Whether a text is to be encrypted again, since another key has taken over. */
  public boolean isOfOlderKey(String encrypted) {
    return !encrypted.startsWith(keys.getFirst().id() + DOT);
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
    return Sha256.hexOf(token.getBytes(StandardCharsets.UTF_8));
  }

  /** The SHA-256 of some content, in hexadecimal. */
  public static String hashOf(byte[] content) {
    return Sha256.hexOf(content);
  }
}
