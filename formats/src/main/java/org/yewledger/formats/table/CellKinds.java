package org.yewledger.formats.table;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a cell looks like, without regard to its column. */
final class CellKinds {
  private static final int LONGEST = 40;
  private static final Pattern DATE =
      Pattern.compile("(\\d{1,4})[-./ ](\\d{1,2})[-./ ](\\d{1,4})(?:[ T].*)?");
  private static final Pattern NAMED_DATE =
      Pattern.compile("(\\d{1,2})[-./ ]([A-Za-z]{3})[a-z]*[-./ ,]+(\\d{2,4})");
  private static final Pattern ALMOST_A_DATE =
      Pattern.compile("\\d{1,4}[-./]\\d{1,2}[-./]\\d|^\\d{6,8}$");
  private static final Pattern ERROR = Pattern.compile("#[A-Z/]{2,12}[0-9!?]*");
  private static final Pattern COMPACT_DATE = Pattern.compile("(?:19|20)\\d{6}");
  private static final List<String> MONTHS =
      List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");

  private CellKinds() {}

  static boolean isDate(String cell) {
    return dateParts(cell).length == 3;
  }

  /**
   * The three numbers of a date as written; none if it is no date. A month that is named is given
   * in the middle, behind the day; a compact date with its year first.
   */
  static int[] dateParts(String cell) {
    if (cell.length() > LONGEST) {
      return new int[0];
    }
    if (COMPACT_DATE.matcher(cell).matches()) {
      return new int[] {number(cell, 0, 4), number(cell, 4, 6), number(cell, 6, 8)};
    }
    Matcher named = NAMED_DATE.matcher(cell);
    if (named.matches()) {
      int month = MONTHS.indexOf(named.group(2).toLowerCase(Locale.ROOT)) + 1;
      return month == 0
          ? new int[0]
          : new int[] {Integer.parseInt(named.group(1)), month, Integer.parseInt(named.group(3))};
    }
    Matcher date = DATE.matcher(cell);
    return date.matches()
        ? new int[] {
          Integer.parseInt(date.group(1)),
          Integer.parseInt(date.group(2)),
          Integer.parseInt(date.group(3))
        }
        : new int[0];
  }

  /** Whether the cell names its month, so that its order is beyond doubt. */
  static boolean namesMonth(String cell) {
    return cell.length() <= LONGEST && NAMED_DATE.matcher(cell).matches();
  }

  static boolean isAmount(String cell) {
    return AmountText.of(cell).isPresent();
  }

  /** Whether the cell seems meant as a date, so that one that is none is a mistake. */
  static boolean isMeantAsDate(String cell) {
    return isDate(cell) || ALMOST_A_DATE.matcher(cell).find();
  }

  /** What a spreadsheet shows where a formula has failed, such as {@code #REF!}. */
  static boolean isError(String cell) {
    return ERROR.matcher(cell).matches();
  }

  static boolean isDateOrAmount(String cell) {
    return isDate(cell) || isAmount(cell);
  }

  private static int number(String text, int from, int to) {
    return Integer.parseInt(text.substring(from, to));
  }
}
