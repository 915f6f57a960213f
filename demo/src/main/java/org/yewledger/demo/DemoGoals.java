package org.yewledger.demo;

import java.math.BigDecimal;

/** What the Aldercotts want to earn and to have saved. */
public final class DemoGoals {
  /** Of the press, in the year that the books begin with. */
  public static final BigDecimal PROFIT = new BigDecimal("9600.00");

  public static final BigDecimal PROFIT_NEXT_YEAR = new BigDecimal("10800.00");

  /** On the savings account. */
  public static final BigDecimal SAVED = new BigDecimal("18000.00");

  public static final int SAVED_IN_MONTHS = 14;

  private DemoGoals() {}
}
