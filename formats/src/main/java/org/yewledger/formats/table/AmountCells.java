package org.yewledger.formats.table;

import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.table.TableLayout.DecimalMark;

/** Amounts as people and spreadsheets write them. */
final class AmountCells {
  private static final int LONGEST = 40;
  private static final Pattern WITH_POINT =
      Pattern.compile("[+-]?(?:\\d{1,3}(?:,\\d{3})+|\\d+)?(?:\\.\\d*)?");
  private static final Pattern WITH_COMMA =
      Pattern.compile("[+-]?(?:\\d{1,3}(?:\\.\\d{3})+|\\d+)?(?:,\\d*)?");
  private static final Pattern COMMA_DECIDES =
      Pattern.compile(".*\\..*,\\d*\\D*|[^.]*,(?:\\d{1,2}|\\d{4,})?\\D*");
  private static final Pattern POINT_DECIDES =
      Pattern.compile(".*,.*\\.\\d*\\D*|[^,]*\\.(?:\\d{1,2}|\\d{4,})?\\D*");

  private AmountCells() {}

  /**
   * @param certain whether some amount allows this mark only, or none has a mark at all
   */
  record SettledMark(DecimalMark mark, boolean certain) {}

  /**
   * The amount with a decimal point, without thousands marks, and with its sign in front; null if
   * the cell is no amount with this decimal mark.
   */
  static @Nullable String plain(String cell, DecimalMark mark) {
    if (cell.length() > LONGEST) {
      return null;
    }
    String text = cell.replace('\u2212', '-').replaceAll("[ '\u00a0\u202f]", "");
    if (text.endsWith("-") || text.endsWith("+")) {
      text = text.charAt(text.length() - 1) + text.substring(0, text.length() - 1);
    }
    if (text.startsWith("(") && text.endsWith(")")) {
      text = "-" + text.substring(1, text.length() - 1);
    }
    boolean comma = mark == DecimalMark.COMMA;
    if (!(comma ? WITH_COMMA : WITH_POINT).matcher(text).matches()
        || text.chars().noneMatch(Character::isDigit)) {
      return null;
    }
    String plain = comma ? text.replace(".", "").replace(',', '.') : text.replace(",", "");
    return plain.endsWith(".") ? plain.substring(0, plain.length() - 1) : plain;
  }

  /** 1.234 alone may be a thousand or a little more than one: other cells have to settle it. */
  static SettledMark settle(List<String> cells) {
    long commas = cells.stream().filter(c -> decides(COMMA_DECIDES, c)).count();
    long points = cells.stream().filter(c -> decides(POINT_DECIDES, c)).count();
    if (commas != points) {
      return new SettledMark(commas > points ? DecimalMark.COMMA : DecimalMark.POINT, true);
    }
    boolean marked = cells.stream().anyMatch(c -> c.indexOf('.') >= 0 || c.indexOf(',') >= 0);
    boolean pointsOnly = cells.stream().noneMatch(c -> c.indexOf(',') >= 0);
    return new SettledMark(marked && pointsOnly ? DecimalMark.COMMA : DecimalMark.POINT, !marked);
  }

  private static boolean decides(Pattern pattern, String cell) {
    return cell.length() <= LONGEST && pattern.matcher(cell).matches();
  }
}
