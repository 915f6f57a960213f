package org.yewledger.core.gather;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;

/**
 * What a statement file says of one account.
 *
 * @param accountNumber the account's number in the file, empty if it names none
 * @param closing the balance at the end, null if the file has none
 * @param openingMinor the balance before the first line in minor units, null if the file has none
 */
public record BankStatement(
    String accountNumber,
    CurrencyUnit currency,
    List<BankLine> lines,
    @Nullable Balance closing,
    @Nullable Long openingMinor) {

  /** A balance at the end of a day, in minor units from the account holder's side. */
  public record Balance(LocalDate on, long amountMinor) {}

  public BankStatement {
    lines = List.copyOf(lines);
  }

  /** A statement that does not say what it opens with. */
  public BankStatement(
      String accountNumber,
      CurrencyUnit currency,
      List<BankLine> lines,
      @Nullable Balance closing) {
    this(accountNumber, currency, lines, closing, null);
  }

  /** The earliest day of a line; null if there is no line. */
  public @Nullable LocalDate firstDay() {
    return lines.stream().map(BankLine::bookedOn).min(Comparator.naturalOrder()).orElse(null);
  }

  /** The latest day of a line; null if there is no line. */
  public @Nullable LocalDate lastDay() {
    return lines.stream().map(BankLine::bookedOn).max(Comparator.naturalOrder()).orElse(null);
  }
}
