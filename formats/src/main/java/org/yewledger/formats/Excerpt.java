package org.yewledger.formats;

/** The beginning of a text from a file, fit for a message: short and on one line. */
public final class Excerpt {
  private static final int AT_MOST = 40;

  private Excerpt() {}

  public static String of(String text) {
    String line = text.strip().replaceAll("\\p{Cntrl}+", " ");
    return "\u201c"
        + (line.length() > AT_MOST ? line.substring(0, AT_MOST) + "\u2026" : line)
        + "\u201d";
  }
}
