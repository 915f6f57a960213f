package org.yewledger.formats.table;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.yewledger.core.sheet.SheetSign;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;

/**
 * What the columns of a person's own sheet of entries mean, and how its dates and amounts are
 * written.
 *
 * @param meanings one per column, in their order
 */
public record EntryTableLayout(
    List<Column> meanings, DateOrder dateOrder, DecimalMark decimalMark, SheetSign sign) {

  /** What a column holds. */
  public enum Column {
    IGNORE,
    DATE,
    PAYEE,
    /** One amount, with or without a sign. */
    AMOUNT,
    /** Money in, without a sign. */
    IN,
    /** Money out, without a sign. */
    OUT,
    /** The currency of the amount. */
    CURRENCY,
    /** The account that paid or received it. */
    ACCOUNT,
    /** What it went to or came from. */
    CATEGORY,
    TAX,
    /** Text; several such columns are joined. */
    NOTE,
    /** Parted by commas. */
    TAGS
  }

  private static final Set<Column> MAY_REPEAT = EnumSet.of(Column.IGNORE, Column.NOTE);

  public EntryTableLayout {
    meanings = List.copyOf(meanings);
  }

  /** The place of the column with this meaning; -1 if there is none. */
  public int indexOf(Column meaning) {
    return meanings.indexOf(meaning);
  }

  public boolean has(Column meaning) {
    return indexOf(meaning) >= 0;
  }

  /** How the rows are read: money in and out in columns of their own have the sign already. */
  public SheetSign signMeant() {
    return has(Column.AMOUNT) ? sign : SheetSign.OUT_IS_NEGATIVE;
  }

  /** What is still missing before rows can be read, or named twice; empty if nothing. */
  public List<String> problems() {
    var problems = new ArrayList<String>();
    if (!has(Column.DATE)) {
      problems.add("Say which column has the date.");
    }
    boolean inOrOut = has(Column.IN) || has(Column.OUT);
    if (!has(Column.AMOUNT) && !inOrOut) {
      problems.add("Say which column has the amount, or which have money in and out.");
    }
    if (has(Column.AMOUNT) && inOrOut) {
      problems.add("One amount, or in and out, but not both.");
    }
    if (!has(Column.PAYEE) && !has(Column.NOTE)) {
      problems.add("Say which column tells who it was, or what it was for.");
    }
    for (Column column : EnumSet.complementOf(EnumSet.copyOf(MAY_REPEAT))) {
      if (meanings.stream().filter(column::equals).count() > 1) {
        problems.add("Two columns have the same meaning; only notes may be in several.");
        break;
      }
    }
    return problems;
  }
}
