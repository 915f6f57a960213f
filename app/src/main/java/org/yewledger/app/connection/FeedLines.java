package org.yewledger.app.connection;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.Details;
import org.yewledger.formats.Excerpt;

/** Transactions of a feed as bank lines. */
final class FeedLines {
  /** As the standard writes amounts; anything else, such as 1E999, is not let near a number. */
  private static final Pattern AMOUNT = Pattern.compile("[+-]?\\d{1,15}(\\.\\d{1,6})?");

  private static final Pattern CONTROLS = Pattern.compile("\\p{Cntrl}+");

  private FeedLines() {}

  /**
   * @param today stands in where a pending line has no date yet
   * @throws BankProblem if the line has no amount, or is booked and has no date
   */
  static BankLine line(
      BankWire.Transaction t, CurrencyUnit currency, boolean pending, LocalDate today) {
    long minor = minor(t.transactionAmount(), currency);
    String payee = minor < 0 ? text(t.creditorName()) : text(t.debtorName());
    String memo = text(t.remittanceInformationUnstructured());
    String reference = text(t.entryReference());
    LocalDate booked =
        Stream.of(t.bookingDate(), t.valueDate(), pending ? today : null)
            .filter(Objects::nonNull)
            .findFirst()
            .orElseThrow(() -> fault("The bank sends a booked line without a date."));
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
        pending,
        details(t, minor < 0));
  }

  private static Map<LineDetail, String> details(BankWire.Transaction t, boolean out) {
    BankWire.PartyAccount other = out ? t.creditorAccount() : t.debtorAccount();
    return new Details()
        .add(LineDetail.COUNTERPARTY_ACCOUNT, other == null ? "" : text(other.iban()))
        .add(LineDetail.ULTIMATE_PARTY, text(out ? t.ultimateCreditor() : t.ultimateDebtor()))
        .add(LineDetail.MANDATE, text(t.mandateId()))
        .add(LineDetail.CREDITOR, text(t.creditorId()))
        .add(LineDetail.END_TO_END, text(t.endToEndId()))
        .add(LineDetail.SUPPLEMENT, text(t.additionalInformation()))
        .said();
  }

  /** The booked balance of today; null if the bank does not say it. */
  static @Nullable Long booked(Iterable<BankWire.Balance> balances, CurrencyUnit currency) {
    for (BankWire.Balance balance : balances) {
      if ("closingBooked".equals(balance.balanceType())
          || "interimBooked".equals(balance.balanceType())) {
        return minor(balance.balanceAmount(), currency);
      }
    }
    return null;
  }

  static long minor(BankWire.@Nullable Money money, CurrencyUnit currency) {
    if (money == null || money.amount() == null || money.currency() == null) {
      throw fault("The bank sends a line or a balance without an amount.");
    }
    if (!money.currency().equals(currency.getCode())) {
      throw fault(
          "The bank sends amounts in %s for an account in %s."
              .formatted(Excerpt.of(money.currency()), currency));
    }
    if (!AMOUNT.matcher(money.amount()).matches()) {
      throw fault("The bank sends %s for an amount.".formatted(Excerpt.of(money.amount())));
    }
    try {
      return Amount.of(new BigDecimal(money.amount()), currency).minor();
    } catch (Refusal e) {
      throw fault("The bank sends an amount that cannot be: " + e.getMessage());
    }
  }

  private static BankProblem fault(String message) {
    return new BankProblem(BankProblem.Kind.FATAL, message, null);
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
        .map(part -> text(part.toString()))
        .collect(Collectors.joining(" | "));
  }

  private static String text(@Nullable String text) {
    return text == null ? "" : CONTROLS.matcher(text).replaceAll(" ").strip();
  }
}
