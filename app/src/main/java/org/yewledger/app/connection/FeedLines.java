package org.yewledger.app.connection;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amounts;

/** Transactions of a feed as bank lines. */
final class FeedLines {
  private FeedLines() {}

  /**
   * @param today stands in where a pending line has no date yet
   */
  static BankLine line(
      BankWire.Transaction t, CurrencyUnit currency, boolean pending, LocalDate today) {
    long minor = minor(t.transactionAmount(), currency);
    String payee = minor < 0 ? text(t.creditorName()) : text(t.debtorName());
    String memo = text(t.remittanceInformationUnstructured());
    String reference = text(t.entryReference());
    LocalDate booked =
        t.bookingDate() != null
            ? t.bookingDate()
            : Objects.requireNonNullElse(t.valueDate(), today);
    return new BankLine(
        booked,
        t.valueDate(),
        minor,
        payee,
        memo,
        reference.isEmpty() ? text(t.endToEndId()) : reference,
        text(t.proprietaryBankTransactionCode()),
        t.transactionId(),
        raw(t),
        0,
        pending);
  }

  /** The booked balance of today; null if the bank does not say it. */
  static @Nullable Long booked(Iterable<BankWire.Balance> balances, CurrencyUnit currency) {
    for (BankWire.Balance balance : balances) {
      if (balance.balanceType().equals("closingBooked")
          || balance.balanceType().equals("interimBooked")) {
        return minor(balance.balanceAmount(), currency);
      }
    }
    return null;
  }

  static long minor(BankWire.Money money, CurrencyUnit currency) {
    if (!money.currency().equals(currency.getCode())) {
      throw new BankProblem(
          BankProblem.Kind.FATAL,
          "The bank sends amounts in %s for an account in %s."
              .formatted(money.currency(), currency),
          null);
    }
    try {
      return Amounts.toMinor(new BigDecimal(money.amount()), currency);
    } catch (NumberFormatException | Refusal e) {
      throw new BankProblem(BankProblem.Kind.FATAL, "The bank sends amounts that are none.", null);
    }
  }

  private static String raw(BankWire.Transaction t) {
    return Stream.of(
            t.transactionId(),
            t.bookingDate(),
            t.valueDate(),
            t.transactionAmount().amount() + " " + t.transactionAmount().currency(),
            t.creditorName(),
            t.debtorName(),
            t.remittanceInformationUnstructured(),
            t.entryReference())
        .filter(Objects::nonNull)
        .map(Object::toString)
        .collect(Collectors.joining(" | "));
  }

  private static String text(@Nullable String text) {
    return text == null ? "" : text;
  }
}
