package org.yewledger.formats.camt;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.CollectedStatements;
import org.yewledger.formats.CurrencyText;
import org.yewledger.formats.StatementSink;
import org.yewledger.formats.UnreadableFile;

/**
 * Reads camt.053 and camt.052 after the ISO 20022 message definitions, versions .02 to .13: what
 * differs between them is found by looking at both places.
 *
 * <p>One entry (Ntry) is one bank line, since that is what moves the balance; a batch booking is a
 * line for each of its transactions where their amounts add up to the entry, else one line that
 * lists them in its memo. Entries for information only (INFO) move nothing and are passed over.
 * Cost: linear; memory for one entry at a time.
 */
public final class CamtReader {
  private final XmlEvents xml;
  private final StatementSink sink;

  private CamtReader(XmlEvents xml, StatementSink sink) {
    this.xml = xml;
    this.sink = sink;
  }

  /**
   * @return one statement per account in the file; never empty
   * @throws UnreadableFile with line and field
   */
  public static List<BankStatement> read(byte[] bytes) {
    var collected = new CollectedStatements();
    stream(new ByteArrayInputStream(bytes), collected);
    return collected.joined("camt");
  }

  /** Reads the file from end to end, handing on each line as it comes. */
  public static void stream(InputStream in, StatementSink sink) {
    new CamtReader(new XmlEvents(in), sink).document();
  }

  private void document() {
    for (String name = xml.nextBegin(); name != null; name = xml.nextBegin()) {
      if (name.equals("Stmt") || name.equals("Rpt")) {
        statement();
      }
    }
  }

  /** What stands above the entries of a statement. */
  private static final class Head {
    private final List<XmlElement> balances = new ArrayList<>();
    private @Nullable XmlElement account;
    private @Nullable XmlElement period;
    private @Nullable XmlElement summary;
    private @Nullable CurrencyUnit currency;
    private final CamtTotals totals = new CamtTotals();
  }

  private void statement() {
    var head = new Head();
    var identities = new HashMap<String, Integer>();
    int firstLine = xml.line();
    for (String child = xml.nextChild(); child != null; child = xml.nextChild()) {
      XmlElement element = xml.element();
      switch (child) {
        case "Acct" -> head.account = element;
        case "FrToDt" -> head.period = element;
        case "Bal" -> head.balances.add(element);
        case "TxsSummry" -> head.summary = element;
        case "Ntry" -> {
          CurrencyUnit currency = begun(head, element);
          CamtEntry entry = new CamtEntry(element, currency);
          if (!entry.isForInformation()) {
            head.totals.count(entry);
            entry.toBankLines(n -> nth(identities, n)).forEach(sink::line);
          }
        }
        default -> {}
      }
    }
    if (head.currency == null && head.balances.isEmpty()) {
      throw UnreadableFile.at(firstLine, "the statement has neither a balance nor an entry.");
    }
    CurrencyUnit currency = begun(head, head.balances.isEmpty() ? null : head.balances.getFirst());
    sink.end(ending(head, currency));
  }

  /** Says the beginning, once the currency is known: from the account or from the first amount. */
  private CurrencyUnit begun(Head head, @Nullable XmlElement withAmount) {
    if (head.currency != null) {
      return head.currency;
    }
    XmlElement account = head.account;
    if (account == null) {
      throw UnreadableFile.at(xml.line(), "Acct", "the statement names no account.");
    }
    String code = account.textAt("Ccy");
    XmlElement amount = withAmount == null ? null : withAmount.at("Amt");
    if (code.isEmpty() && amount != null) {
      code = amount.currency();
    }
    CurrencyUnit currency = CurrencyText.currency(code, account.line(), "Ccy");
    String number = account.textAt("Id/IBAN", "Id/Othr/Id");
    if (number.isEmpty()) {
      throw UnreadableFile.at(account.line(), "Acct/Id", "the account has no number.");
    }
    head.currency = currency;
    sink.begin(number, currency);
    return currency;
  }

  /** A bank that gives several entries of a statement one reference still means several entries. */
  private static String nth(Map<String, Integer> seen, String identity) {
    int n = seen.merge(identity, 1, Integer::sum);
    return n == 1 ? identity : identity + "#" + n;
  }

  private static StatementSink.Ending ending(Head head, CurrencyUnit currency) {
    Balance opening = balance(head, currency, "OPBD", "PRCD");
    return new StatementSink.Ending(
        balance(head, currency, "CLBD"),
        opening == null ? null : opening.amount(),
        balance(head, currency, "CLAV", "ITAV"),
        days(head.period),
        head.summary == null ? List.of() : head.totals.against(head.summary, currency));
  }

  private static @Nullable Balance balance(Head head, CurrencyUnit currency, String... codes) {
    for (String code : codes) {
      for (XmlElement balance : head.balances) {
        if (balance.textAt("Tp/CdOrPrtry/Cd").equals(code)) {
          return new Balance(
              CamtValues.date(balance.required("Dt")),
              Amount.ofMinor(CamtValues.amount(balance, currency), currency));
        }
      }
    }
    return null;
  }

  private static @Nullable Days days(@Nullable XmlElement period) {
    if (period == null) {
      return null;
    }
    XmlElement from = period.at("FrDtTm");
    XmlElement to = period.at("ToDtTm");
    if (from == null || to == null) {
      return null;
    }
    LocalDate first = CamtValues.date(from);
    LocalDate last = CamtValues.date(to);
    if (last.isBefore(first)) {
      throw UnreadableFile.at(period.line(), "FrToDt", "the period ends before it begins.");
    }
    return new Days(first, last);
  }
}
