package org.yewledger.demo;

import java.time.YearMonth;
import java.util.List;

/**
 * Twelve months of the Aldercotts' money, October 2025 to September 2026, the same at every call;
 * and as many months afterwards as their banks are asked for.
 *
 * <p>The months are made one after the other, since some lines depend on balances: the card is paid
 * off on the 20th with what it stood at when the month before ended, the loan's interest is on what
 * is still owed.
 */
public final class AldercottYear {
  public static final YearMonth FIRST = YearMonth.of(2025, 10);
  public static final YearMonth LAST = YearMonth.of(2026, 9);
  static final String HARBOUR = "Harbour Current";
  static final String SAVINGS = "Harbour Savings";
  static final String QUILLON = "Quillon Card";
  static final String LOAN = "Home loan";
  static final String KESTREL = "Kestrel Current";
  static final String KESTREL_CARD = "Kestrel Card";
  static final String SHOP = "Shop takings";

  private AldercottYear() {}

  /** All happenings of the twelve months in order of their days. */
  public static List<Happening> happenings() {
    return through(LAST);
  }

  /** The same with what happens afterwards, or without what has not happened yet. */
  public static List<Happening> through(YearMonth last) {
    var story = new Story();
    var household = new HouseholdMonth(story);
    var press = new PressMonth(story);
    for (YearMonth month = FIRST; !month.isAfter(last); month = month.plusMonths(1)) {
      long cardOwed = -story.balance(QUILLON);
      long pressCardOwed = -story.balance(KESTREL_CARD);
      story.tell(
          month,
          () -> {
            household.happen(cardOwed);
            press.happen(pressCardOwed);
          });
    }
    return story.all();
  }
}
