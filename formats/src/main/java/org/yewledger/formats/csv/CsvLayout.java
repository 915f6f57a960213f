package org.yewledger.formats.csv;

import java.util.List;

/**
 * What the columns of a table mean, and how its dates and amounts are written.
 *
 * @param meanings one per column, in their order
 */
public record CsvLayout(List<Meaning> meanings, DateOrder dateOrder, DecimalMark decimalMark) {

  /** What a column holds. */
  public enum Meaning {
    IGNORE,
    BOOKED_ON,
    VALUE_ON,
    /** One amount with its sign. */
    AMOUNT,
    /** Money in, without a sign. */
    IN,
    /** Money out, without a sign. */
    OUT,
    PAYEE,
    MEMO,
    REFERENCE,
    /** The account's balance after the line. */
    BALANCE
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

  public CsvLayout {
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
    var problems = new java.util.ArrayList<String>();
    if (!has(Meaning.BOOKED_ON)) {
      problems.add("Say which column has the date.");
    }
    if (!has(Meaning.AMOUNT) && !has(Meaning.IN) && !has(Meaning.OUT)) {
      problems.add("Say which column has the amount, or which have money in and out.");
    }
    if (has(Meaning.AMOUNT) && (has(Meaning.IN) || has(Meaning.OUT))) {
      problems.add("One amount, or in and out, but not both.");
    }
    for (Meaning meaning : Meaning.values()) {
      if (meaning != Meaning.IGNORE
          && meaning != Meaning.MEMO
          && meanings.stream().filter(meaning::equals).count() > 1) {
        problems.add("Two columns have the same meaning; only text may be in several.");
        break;
      }
    }
    return problems;
  }
}
