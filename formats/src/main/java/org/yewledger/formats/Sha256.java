package org.yewledger.formats;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 (FIPS 180-4), which every Java platform has. */
public final class Sha256 {
  private Sha256() {}

  /** One to be fed with content. */
  public static MessageDigest digest() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException impossible) {
      throw new IllegalStateException(impossible);
    }
  }

  /** Of some content, 32 bytes. */
  public static byte[] of(byte[] content) {
    return digest().digest(content);
  }

  /** The same as 64 hexadecimal digits in lower case. */
  public static String hexOf(byte[] content) {
    return HexFormat.of().formatHex(of(content));
  }
}
