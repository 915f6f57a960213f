package org.yewledger.core.gather;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;

/**
 * What a file or a feed says of one account.
 *
 * @param accountNumber the account's number in the file, empty if it names none
 * @param closing the booked balance at the end, null if there is none
 * @param openingMinor the balance before the first line in minor units, null if there is none
 * @param available the balance that can be spent, null if there is none
 * @param declared the days that the source says it covers, null if it does not say
 */
public record BankStatement(
    String accountNumber,
    CurrencyUnit currency,
    List<BankLine> lines,
    @Nullable Balance closing,
    @Nullable Long openingMinor,
    @Nullable Balance available,
    @Nullable Days declared) {

  /** A balance at the end of a day, in minor units from the account holder's side. */
  public record Balance(LocalDate on, long amountMinor) {}

  public BankStatement {
    lines = List.copyOf(lines);
  }

  /** A statement that says no more than its lines and its balances. */
  public BankStatement(
      String accountNumber,
      CurrencyUnit currency,
      List<BankLine> lines,
      @Nullable Balance closing,
      @Nullable Long openingMinor) {
    this(accountNumber, currency, lines, closing, openingMinor, null, null);
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

  /** The days that the source declares, stretched to those of its lines; null if neither is. */
  public @Nullable Days covers() {
    LocalDate first = firstDay();
    LocalDate last = lastDay();
    if (first == null || last == null) {
      return declared;
    }
    Days ofLines = new Days(first, last);
    return declared == null ? ofLines : declared.and(ofLines);
  }

  /**
   * One statement per account: banks put the days of a month into one file as statements of their
   * own. The closing balance is the latest. The opening one is the first, unless a statement does
   * not begin where the one before has ended: then no opening is said.
   */
  public static List<BankStatement> joined(List<BankStatement> parts) {
    record Account(String number, CurrencyUnit currency) {}
    Map<Account, BankStatement> byAccount = new LinkedHashMap<>();
    for (BankStatement part : parts) {
      byAccount.merge(
          new Account(part.accountNumber(), part.currency()), part, BankStatement::followedBy);
    }
    return List.copyOf(byAccount.values());
  }

  private BankStatement followedBy(BankStatement next) {
    var all = new ArrayList<>(lines);
    all.addAll(next.lines);
    boolean runsOn =
        closing != null && Objects.equals(next.openingMinor, (Long) closing.amountMinor());
    Days days = declared;
    if (next.declared != null) {
      days = days == null ? next.declared : days.and(next.declared);
    }
    return new BankStatement(
        accountNumber,
        currency,
        all,
        later(closing, next.closing),
        runsOn ? openingMinor : null,
        later(available, next.available),
        days);
  }

  private static @Nullable Balance later(@Nullable Balance a, @Nullable Balance b) {
    if (a == null || b == null) {
      return a == null ? b : a;
    }
    return b.on().isBefore(a.on()) ? a : b;
  }
}
