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
import org.yewledger.core.money.Amount;

/**
 * What a file or a feed says of one account.
 *
 * @param accountNumber the account's number in the file, empty if it names none
 * @param closing the booked balance at the end, null if there is none
 * @param opening the balance before the first line, null if there is none
 * @param available the balance that can be spent, null if there is none
 * @param declared the days that the source says it covers, null if it does not say
 * @param discrepancies where its figures do not come out
 */
public record BankStatement(
    String accountNumber,
    CurrencyUnit currency,
    List<BankLine> lines,
    @Nullable Balance closing,
    @Nullable Amount opening,
    @Nullable Balance available,
    @Nullable Days declared,
    List<Discrepancy> discrepancies) {

  /** A balance at the end of a day, from the account holder's side. */
  public record Balance(LocalDate on, Amount amount) {}

  public BankStatement {
    lines = List.copyOf(lines);
    discrepancies = List.copyOf(discrepancies);
  }

  /** A statement that says no more than its lines and its balances. */
  public BankStatement(
      String accountNumber,
      CurrencyUnit currency,
      List<BankLine> lines,
      @Nullable Balance closing,
      @Nullable Amount opening) {
    this(accountNumber, currency, lines, closing, opening, null, null, List.of());
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
   * not begin where the one before has ended: then no opening is said, and the discrepancy is. So
   * it is where the lines of a part do not lead from its opening to its closing.
   */
  public static List<BankStatement> joined(List<BankStatement> parts) {
    record Account(String number, CurrencyUnit currency) {}
    Map<Account, List<BankStatement>> byAccount = new LinkedHashMap<>();
    for (BankStatement part : parts) {
      byAccount
          .computeIfAbsent(
              new Account(part.accountNumber(), part.currency()), a -> new ArrayList<>())
          .add(part.heldAgainstItsLines());
    }
    return byAccount.values().stream()
        .map(of -> inOrder(of).stream().reduce(BankStatement::followedBy).orElseThrow())
        .toList();
  }

  /**
   * As they stand, unless they chain better the other way round: some files begin with the latest.
   */
  private static List<BankStatement> inOrder(List<BankStatement> parts) {
    return breaksOfChain(parts.reversed()) < breaksOfChain(parts) ? parts.reversed() : parts;
  }

  private static int breaksOfChain(List<BankStatement> parts) {
    int breaks = 0;
    for (int i = 1; i < parts.size(); i++) {
      breaks += parts.get(i - 1).breaksChainTo(parts.get(i)) ? 1 : 0;
    }
    return breaks;
  }

  private boolean breaksChainTo(BankStatement next) {
    return closing != null && next.opening != null && !next.opening.equals(closing.amount());
  }

  private BankStatement heldAgainstItsLines() {
    if (opening == null || closing == null) {
      return this;
    }
    long moved = 0;
    for (BankLine line : lines) {
      moved += line.isPending() ? 0 : line.amountMinor();
    }
    Amount comesOut = opening.plus(Amount.ofMinor(moved, currency));
    return comesOut.equals(closing.amount())
        ? this
        : with(
            new Discrepancy.OfFigure(
                Discrepancy.Kind.CLOSING, closing.on(), 0, comesOut, closing.amount()));
  }

  private BankStatement with(Discrepancy discrepancy) {
    var all = new ArrayList<>(discrepancies);
    all.add(discrepancy);
    return new BankStatement(
        accountNumber, currency, lines, closing, opening, available, declared, all);
  }

  private BankStatement followedBy(BankStatement next) {
    var all = new ArrayList<>(lines);
    all.addAll(next.lines);
    boolean runsOn = closing != null && Objects.equals(next.opening, closing.amount());
    var doubts = new ArrayList<>(discrepancies);
    doubts.addAll(next.discrepancies);
    if (closing != null && next.opening != null && breaksChainTo(next)) {
      doubts.add(
          new Discrepancy.OfFigure(
              Discrepancy.Kind.CHAIN, closing.on(), 0, closing.amount(), next.opening));
    }
    Days days = declared;
    if (next.declared != null) {
      days = days == null ? next.declared : days.and(next.declared);
    }
    return new BankStatement(
        accountNumber,
        currency,
        all,
        later(closing, next.closing),
        runsOn ? opening : null,
        later(available, next.available),
        days,
        doubts);
  }

  private static @Nullable Balance later(@Nullable Balance a, @Nullable Balance b) {
    if (a == null || b == null) {
      return a == null ? b : a;
    }
    return b.on().isBefore(a.on()) ? a : b;
  }
}
