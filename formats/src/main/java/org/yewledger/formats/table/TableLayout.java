package org.yewledger.formats.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * What the columns of a table mean, and how its dates and amounts are written.
 *
 * @param meanings one per column, in their order
 */
public record TableLayout(
    List<Meaning> meanings, DateOrder dateOrder, DecimalMark decimalMark, Sign sign) {
  private static final Set<Meaning> MAY_REPEAT = Set.of(Meaning.IGNORE, Meaning.MEMO);

  /** What a column holds. */
  public enum Meaning {
    IGNORE,
    BOOKED_ON,
    VALUE_ON,
    /** One amount with its sign, or without one where a column has the mark. */
    AMOUNT,
    /** Whether the amount is debit or credit, in the words of the bank. */
    MARK,
    /** Money in, without a sign. */
    IN,
    /** Money out, without a sign. */
    OUT,
    PAYEE,
    MEMO,
    REFERENCE,
    /** The bank's own name for the kind of line. */
    TYPE,
    /** The account's balance after the line. */
    BALANCE,
    /** The number of the account itself, the same in every row. */
    ACCOUNT,
    /** The currency of the amount. */
    CURRENCY
  }

  /** The order of day, month and year. */
  public enum DateOrder {
    DAY_MONTH_YEAR,
    MONTH_DAY_YEAR,
    YEAR_MONTH_DAY
  }

  /** What stands before the decimals. */
  public enum DecimalMark {
    POINT,
    COMMA
  }

  /** How one amount column tells money in from money out. */
  public enum Sign {
    /** Money out has a minus. */
    OUT_IS_NEGATIVE,
    /** Money out has none, as some cards write it. */
    OUT_IS_POSITIVE
  }

  public TableLayout {
    meanings = List.copyOf(meanings);
  }

  /** The place of the column with this meaning; -1 if there is none. */
  public int indexOf(Meaning meaning) {
    return meanings.indexOf(meaning);
  }

  public boolean has(Meaning meaning) {
    return indexOf(meaning) >= 0;
  }

  /** What is still missing before rows can be read, or named twice; empty if nothing. */
  public List<String> problems() {
    var problems = new ArrayList<String>();
    if (!has(Meaning.BOOKED_ON)) {
      problems.add("Say which column has the date.");
    }
    if (!has(Meaning.AMOUNT) && !has(Meaning.IN) && !has(Meaning.OUT)) {
      problems.add("Say which column has the amount, or which have money in and out.");
    }
    if (has(Meaning.AMOUNT) && (has(Meaning.IN) || has(Meaning.OUT))) {
      problems.add("One amount, or in and out, but not both.");
    }
    if (has(Meaning.MARK) && !has(Meaning.AMOUNT)) {
      problems.add("A mark for debit and credit needs a column with the amount.");
    }
    for (Meaning meaning : Meaning.values()) {
      if (!MAY_REPEAT.contains(meaning) && meanings.stream().filter(meaning::equals).count() > 1) {
        problems.add("Two columns have the same meaning; only text may be in several.");
        break;
      }
    }
    return problems;
  }
}
