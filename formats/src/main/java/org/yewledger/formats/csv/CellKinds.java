package org.yewledger.formats.csv;

import java.util.regex.Pattern;

/** What a cell looks like, without regard to its column. */
final class CellKinds {
  static final Pattern DATE =
      Pattern.compile("(\\d{1,4})[-./ ](\\d{1,2})[-./ ](\\d{1,4})(?:[ T].*)?");
  static final Pattern COMPACT_DATE = Pattern.compile("(?:19|20)\\d{6}");
  private static final Pattern AMOUNT =
      Pattern.compile(
          "[+\\-\u2212]?\\s?\\d{1,3}(?:[ .,'\u00a0]?\\d{3})*(?:[.,]\\d{1,3})?\\s?[+\\-\u2212]?");

  private CellKinds() {}

  static boolean isDate(String cell) {
    return DATE.matcher(cell).matches() || COMPACT_DATE.matcher(cell).matches();
  }

  static boolean isAmount(String cell) {
    return AMOUNT.matcher(cell).matches();
  }

  static boolean isDateOrAmount(String cell) {
    return isDate(cell) || isAmount(cell);
  }
}
