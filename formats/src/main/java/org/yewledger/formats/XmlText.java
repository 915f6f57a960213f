package org.yewledger.formats;

/** Texts as XML 1.0 can hold them (section 2.2, "Characters"). */
public final class XmlText {
  private XmlText() {}

  /** Each character that XML cannot hold, and each that ends a line, becomes a space. */
  public static String of(String text) {
    var held = new StringBuilder(text.length());
    text.codePoints().forEach(c -> held.appendCodePoint(isHeld(c) ? c : ' '));
    return held.toString();
  }

  private static boolean isHeld(int c) {
    return (c >= 0x20 && c <= 0xD7FF && !Character.isISOControl(c))
        || (c >= 0xE000 && c <= 0xFFFD)
        || c >= 0x10000;
  }
}
