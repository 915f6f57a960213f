package org.yewledger.formats.table;

/**
 * Texts in a table for a spreadsheet, which takes some of them for formulas: they get an apostrophe
 * in front.
 */
final class HarmlessCell {
  private static final String BEGINS_A_FORMULA = "=+-@\t\r\n";

  private HarmlessCell() {}

  /** The text as it can stand in a cell; numbers stay numbers. */
  static String of(String text) {
    if (text.isEmpty() || text.matches("-[0-9.]+")) {
      return text;
    }
    String visible = text.stripLeading();
    boolean formula = beginsOne(text) || (!visible.isEmpty() && beginsOne(visible));
    return formula ? "'" + text : text;
  }

  private static boolean beginsOne(String text) {
    return BEGINS_A_FORMULA.indexOf(text.charAt(0)) >= 0;
  }
}
