package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;

/**
 * An account's opening balance held against what its first statement opens with. Where the two
 * differ, looks for the day whose closing balance the books hold instead: opening balances are most
 * often off by a day or two.
 *
 * @param books the opening balance in the books, at the end of the day before the account opens
 * @param statement what the statement opens with on that day
 * @param sameAsEndOf the day at whose end the bank had the books' balance; empty if none was found
 */
public record OpeningCheck(
    LocalDate balanceOn, Amount books, Amount statement, Optional<LocalDate> sameAsEndOf) {
  /** Further off, an equal balance is a coincidence. */
  private static final int DAYS = 7;

  /** What the statement says less what the books say; zero where they agree. */
  public Amount difference() {
    return statement.minus(books);
  }

  /** What is wrong, and what may have happened, for the person; empty where the two agree. */
  public String inWords() {
    if (difference().isZero()) {
      return "";
    }
    String apart =
        "The statement opens with %s at the end of %s, the books with %s: they are %s apart."
            .formatted(statement.shown(), balanceOn, books.shown(), difference().size().shown());
    return sameAsEndOf
        .map(day ->
            apart
                + " The books hold what the bank had at the end of %s, %d %s later."
                    .formatted(
                        day,
                        ChronoUnit.DAYS.between(balanceOn, day),
                        day.equals(balanceOn.plusDays(1)) ? "day" : "days"))
        .orElse(apart);
  }

  /**
   * Cost: linear in the lines.
   *
   * @param lines those of the statement, in any order
   */
  public static OpeningCheck of(
      LocalDate opensOn, Amount books, Amount statement, List<BankLine> lines) {
    LocalDate balanceOn = opensOn.minusDays(1);
    NavigableMap<LocalDate, Long> byDay =
        lines.stream()
            .collect(
                Collectors.groupingBy(
                    BankLine::bookedOn,
                    TreeMap::new,
                    Collectors.summingLong(BankLine::amountMinor)));
    Optional<LocalDate> found = Optional.empty();
    long balance = statement.minor();
    if (!books.equals(statement)) {
      for (Map.Entry<LocalDate, Long> day : byDay.entrySet()) {
        balance += day.getValue();
        if (balance == books.minor() && !day.getKey().isAfter(balanceOn.plusDays(DAYS))) {
          found = Optional.of(day.getKey());
          break;
        }
      }
    }
    return new OpeningCheck(balanceOn, books, statement, found);
  }
}
