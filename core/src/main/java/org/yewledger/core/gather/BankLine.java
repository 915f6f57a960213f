package org.yewledger.core.gather;

import java.time.LocalDate;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;

/**
 * One line as the bank gave it.
 *
 * @param amountMinor minor units of the account's currency, from the account holder's side: money
 *     in is positive. Plain, since lines are compared by the hundred thousand
 * @param payee the other party as the bank names it, empty if it does not
 * @param memo the bank's free text
 * @param reference a reference or check number, empty if there is none
 * @param type the bank's own type of transaction, empty if there is none
 * @param identity the bank's identifier for this line, null where the format has none
 * @param raw the line's source text, kept for ever
 * @param sourceLine where it stands in its file, counted from 1; 0 if it came by no file
 * @param isPending whether the bank has only announced the line and may still change it
 * @param details what else the bank says; never part of what tells lines apart
 */
public record BankLine(
    LocalDate bookedOn,
    @Nullable LocalDate valueOn,
    long amountMinor,
    String payee,
    String memo,
    String reference,
    String type,
    @Nullable String identity,
    String raw,
    int sourceLine,
    boolean isPending,
    Map<LineDetail, String> details) {

  public BankLine {
    details = Map.copyOf(details);
  }

  /** A line that the bank has booked. */
  public BankLine(
      LocalDate bookedOn,
      @Nullable LocalDate valueOn,
      long amountMinor,
      String payee,
      String memo,
      String reference,
      String type,
      @Nullable String identity,
      String raw,
      int sourceLine) {
    this(
        bookedOn,
        valueOn,
        amountMinor,
        payee,
        memo,
        reference,
        type,
        identity,
        raw,
        sourceLine,
        false,
        Map.of());
  }

  /**
   * What the line moves.
   *
   * @param currency that of its account, which alone says what the minor units are of
   */
  public Amount amount(CurrencyUnit currency) {
    return Amount.ofMinor(amountMinor, currency);
  }

  /** What the line says, in one piece: the payee and the memo, said once where they repeat. */
  public String text() {
    return textOf(payee, memo);
  }

  /** What a line with this payee and memo says, in one piece. */
  public static String textOf(String payee, String memo) {
    if (payee.isEmpty() || memo.startsWith(payee)) {
      return memo;
    }
    return memo.isEmpty() || payee.contains(memo) ? payee : payee + " " + memo;
  }

  /** What tells this line from others of its account. */
  public LineKey key() {
    return new LineKey(bookedOn, amountMinor, LineKey.even(text()), identity);
  }
}
