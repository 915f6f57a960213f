package org.yewledger.formats.ofx;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Decimals;
import org.yewledger.formats.CurrencyText;
import org.yewledger.formats.DecimalText;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;

/**
 * Reads bank and card statements (STMTRS, CCSTMTRS) of OFX 1.x and 2.x, after the specification of
 * OFX 2.2, chapter 11. Dates are taken as written, in the bank's own zone: a line stays on its day.
 */
public final class OfxReader {
  private static final Pattern DATE = Pattern.compile("\\d{8}(\\d{2,6}(\\.\\d+)?)?\\s*(\\[.*])?");

  private static final Pattern OPENING =
      Pattern.compile("(?i)\\b(?:opening|beginning|starting)\\b");

  private OfxReader() {}

  /**
   * @return one statement per account in the file, in its order; never empty
   * @throws UnreadableFile with line and field
   */
  public static List<BankStatement> read(byte[] bytes) {
    Map<OfxElement, List<BankLine>> lines = new IdentityHashMap<>();
    OfxElement root =
        OfxElement.parse(
            OfxText.decode(bytes),
            (transaction, statement) ->
                lines
                    .computeIfAbsent(statement, s -> new ArrayList<>())
                    .add(line(transaction, currency(statement))));
    List<BankStatement> statements =
        Stream.concat(root.all("STMTRS"), root.all("CCSTMTRS"))
            .map(rs -> statement(rs, lines.getOrDefault(rs, List.of())))
            .toList();
    if (statements.isEmpty()) {
      throw UnreadableFile.whole(noStatement(root));
    }
    return BankStatement.joined(statements);
  }

  /** A bank that cannot answer says why where the statement would have stood. */
  private static String noStatement(OfxElement root) {
    return root.all("STATUS")
        .filter(status -> status.value("SEVERITY").equals("ERROR"))
        .findFirst()
        .map(status ->
            "The bank has answered with an error (%s) instead of a statement. Ask for the file again."
                .formatted((status.value("CODE") + " " + status.value("MESSAGE")).strip()))
        .orElse("The OFX file holds no bank or card statement.");
  }

  private static BankStatement statement(OfxElement rs, List<BankLine> lines) {
    CurrencyUnit currency = currency(rs);
    OfxElement account =
        Stream.of("BANKACCTFROM", "CCACCTFROM")
            .map(rs::first)
            .filter(Objects::nonNull)
            .findFirst()
            .orElseThrow(() -> UnreadableFile.at(rs.line(), rs.name(), "names no account."));
    return new BankStatement(
        account.required("ACCTID"),
        currency,
        lines,
        balance(rs, "LEDGERBAL", currency),
        opening(rs, currency),
        balance(rs, "AVAILBAL", currency),
        declared(rs),
        List.of());
  }

  /** Among the balances that a bank may add under names of its own (BAL), that of the beginning. */
  private static @Nullable Amount opening(OfxElement rs, CurrencyUnit currency) {
    return rs.all("BAL")
        .filter(b -> OPENING.matcher(b.value("NAME") + " " + b.value("DESC")).find())
        .filter(b -> b.value("BALTYPE").equals("DOLLAR"))
        .findFirst()
        .map(b -> Amount.ofMinor(amount(b, "VALUE", currency), currency))
        .orElse(null);
  }

  private static @Nullable Days declared(OfxElement rs) {
    OfxElement list = rs.first("BANKTRANLIST");
    if (list == null || list.value("DTSTART").isBlank() || list.value("DTEND").isBlank()) {
      return null;
    }
    LocalDate first = date(list.value("DTSTART"), list.lineOf("DTSTART"), "DTSTART");
    LocalDate last = date(list.value("DTEND"), list.lineOf("DTEND"), "DTEND");
    // Some banks write the days of the last export here; a period that ends early says nothing.
    return last.isBefore(first) ? null : new Days(first, last);
  }

  private static CurrencyUnit currency(OfxElement rs) {
    return CurrencyText.currency(rs.required("CURDEF"), rs.lineOf("CURDEF"), "CURDEF");
  }

  private static BankLine line(OfxElement t, CurrencyUnit currency) {
    boolean pending = t.name().equals("STMTTRNP");
    String posted = pending ? "DTTRAN" : "DTPOSTED";
    String valueOn = t.value("DTAVAIL");
    String identity = t.value("FITID");
    String check = t.value("CHECKNUM");
    return new BankLine(
        date(t.required(posted), t.lineOf(posted), posted),
        valueOn.isBlank() ? null : date(valueOn, t.lineOf("DTAVAIL"), "DTAVAIL"),
        lineAmount(t, currency),
        payee(t),
        t.value("MEMO"),
        check.isBlank() ? t.value("REFNUM") : check,
        t.value("TRNTYPE"),
        identity.isBlank() ? null : identity,
        t.raw(),
        t.line(),
        pending,
        OfxDetails.of(t));
  }

  /**
   * TRNAMT is in the account's currency, unless CURRENCY names another: then CURRATE is the worth
   * of one unit of that one in the account's (OFX 2.2, section 5.2). Rounded half to even; the
   * amount as the bank wrote it stays in the line's details.
   */
  private static long lineAmount(OfxElement t, CurrencyUnit currency) {
    OfxElement other = t.child("CURRENCY");
    if (other == null || other.value("CURSYM").equals(currency.getCode())) {
      return amount(t, "TRNAMT", currency);
    }
    CurrencyUnit of =
        CurrencyText.currency(other.required("CURSYM"), other.lineOf("CURSYM"), "CURSYM");
    if (other.value("CURRATE").isBlank()) {
      throw UnreadableFile.at(
          other.line(),
          "CURRENCY",
          "the amount is in %s, the account in %s, and no rate is given.".formatted(of, currency));
    }
    BigDecimal rate =
        Decimals.read(other.value("CURRATE").replace(',', '.'))
            .filter(r -> r.signum() > 0)
            .orElseThrow(() ->
                UnreadableFile.at(
                    other.lineOf("CURRATE"),
                    "CURRATE",
                    Excerpt.of(other.value("CURRATE")) + " is not a rate."));
    BigDecimal amount = Amount.ofMinor(amount(t, "TRNAMT", of), of).decimal();
    return DecimalText.toMinor(
        amount.multiply(rate).setScale(currency.getDecimalPlaces(), RoundingMode.HALF_EVEN),
        t.value("TRNAMT"),
        currency,
        t.lineOf("TRNAMT"),
        "TRNAMT");
  }

  /** A NAME, or the NAME within a PAYEE aggregate. */
  private static String payee(OfxElement t) {
    OfxElement aggregate = t.child("PAYEE");
    return aggregate == null ? t.value("NAME") : aggregate.value("NAME");
  }

  private static @Nullable Balance balance(OfxElement rs, String name, CurrencyUnit currency) {
    OfxElement balance = rs.first(name);
    if (balance == null) {
      return null;
    }
    return new Balance(
        date(balance.required("DTASOF"), balance.lineOf("DTASOF"), "DTASOF"),
        Amount.ofMinor(amount(balance, "BALAMT", currency), currency));
  }

  /** Both the point and the comma are decimal marks in OFX; there are no thousands marks. */
  private static long amount(OfxElement parent, String field, CurrencyUnit currency) {
    return DecimalText.toMinor(parent.required(field), currency, parent.lineOf(field), field);
  }

  /** YYYYMMDD, with a time of day and a zone behind it that do not matter here. */
  private static LocalDate date(String text, int line, String field) {
    if (!DATE.matcher(text).matches()) {
      throw UnreadableFile.at(line, field, Excerpt.of(text) + " is not a date.");
    }
    try {
      return LocalDate.of(
          Integer.parseInt(text.substring(0, 4)),
          Integer.parseInt(text.substring(4, 6)),
          Integer.parseInt(text.substring(6, 8)));
    } catch (DateTimeException e) {
      throw UnreadableFile.at(line, field, Excerpt.of(text) + " is not a day of the calendar.");
    }
  }
}
