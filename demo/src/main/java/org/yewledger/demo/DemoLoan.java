package org.yewledger.demo;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;

/** The Aldercotts' home loan: its terms, and what the lender wrote about its first year. */
public final class DemoLoan {
  public static final String ACCOUNT = AldercottYear.LOAN;
  public static final String INTEREST = "Loan interest";
  public static final String PAID_FROM = "Harbour Current";
  public static final String LENDER = "Home loan";
  public static final LocalDate FIRST = LocalDate.of(2025, 10, 1);
  public static final LocalDate FIXED_UNTIL = LocalDate.of(2031, 3, 1);
  public static final BigDecimal RATE = new BigDecimal("3.85");
  public static final long PAYMENT = 1_086_40;
  public static final LocalDate YEAR_BEGAN = LocalDate.of(2025, 9, 30);
  public static final LocalDate YEAR_ENDED = LocalDate.of(2026, 9, 30);
  public static final String LETTER = "letter of 9 October";

  private static final long OWED_AT_FIRST = 188_204_36;
  private static final int PAYMENTS = 12;
  private static final BigDecimal PERCENT_OF_MONTHS = BigDecimal.valueOf(1_200);

  private DemoLoan() {}

  /** What the lender says of the year, in minor units. */
  public record LenderSays(long owedBefore, long paid, long interest, long owedAfter) {}

  /** Of a month, on what is owed: a twelfth of the year's. */
  static long interestOf(long owed) {
    return RATE.multiply(BigDecimal.valueOf(owed))
        .divide(PERCENT_OF_MONTHS, 0, RoundingMode.HALF_UP)
        .longValueExact();
  }

  /** As the lender's own books have it. */
  public static LenderSays lenderSays() {
    long owed = OWED_AT_FIRST;
    long interest = 0;
    for (int month = 0; month < PAYMENTS; month++) {
      long ran = interestOf(owed);
      interest += ran;
      owed -= PAYMENT - ran;
    }
    return new LenderSays(OWED_AT_FIRST, PAYMENTS * PAYMENT, interest, owed);
  }
}
