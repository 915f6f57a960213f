package org.yewledger.formats.ofx;

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
      throw UnreadableFile.whole("The OFX file holds no bank or card statement.");
    }
    return BankStatement.joined(statements);
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
        null,
        balance(rs, "AVAILBAL", currency),
        declared(rs));
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
    requireOwnCurrency(t, currency);
    boolean pending = t.name().equals("STMTTRNP");
    String posted = pending ? "DTTRAN" : "DTPOSTED";
    String valueOn = t.value("DTAVAIL");
    String identity = t.value("FITID");
    String check = t.value("CHECKNUM");
    return new BankLine(
        date(t.required(posted), t.lineOf(posted), posted),
        valueOn.isBlank() ? null : date(valueOn, t.lineOf("DTAVAIL"), "DTAVAIL"),
        amount(t, "TRNAMT", currency),
        payee(t),
        t.value("MEMO"),
        check.isBlank() ? t.value("REFNUM") : check,
        t.value("TRNTYPE"),
        identity.isBlank() ? null : identity,
        t.raw(),
        t.line(),
        pending);
  }

  /** CURRENCY says that the amount is not in the account's currency; ORIGCURRENCY that it was. */
  private static void requireOwnCurrency(OfxElement t, CurrencyUnit currency) {
    OfxElement other = t.child("CURRENCY");
    if (other != null && !other.value("CURSYM").equals(currency.getCode())) {
      throw UnreadableFile.at(
          other.line(),
          "CURRENCY",
          "the amount is in %s, the account in %s."
              .formatted(Excerpt.of(other.value("CURSYM")), currency));
    }
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
        amount(balance, "BALAMT", currency));
  }

  /** Both the point and the comma are decimal marks in OFX; there are no thousands marks. */
  private static long amount(OfxElement parent, String field, CurrencyUnit currency) {
    String text = parent.required(field);
    return DecimalText.toMinor(text.replace(',', '.'), currency, parent.lineOf(field), field);
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
