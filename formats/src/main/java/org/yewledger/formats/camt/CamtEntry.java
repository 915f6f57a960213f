package org.yewledger.formats.camt;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.formats.DecimalText;
import org.yewledger.formats.Details;

/** One Ntry of a statement. */
final class CamtEntry {
  private static final int TRANSACTIONS_NAMED = 20;
  private static final int LONGEST_RAW = 100_000;

  private final XmlElement entry;
  private final CurrencyUnit currency;
  private final List<XmlElement> transactions;

  CamtEntry(XmlElement entry, CurrencyUnit currency) {
    this.entry = entry;
    this.currency = currency;
    this.transactions = entry.all("NtryDtls").flatMap(d -> d.all("TxDtls")).toList();
  }

  boolean isForInformation() {
    return status().equals("INFO");
  }

  /** A text up to version .07, a choice of codes from .08 on. */
  private String status() {
    return entry.textAt("Sts/Cd", "Sts/Prtry", "Sts");
  }

  boolean isPending() {
    return status().equals("PDNG");
  }

  /** What the entry moves, in minor units from the account holder's side. */
  long amountMinor() {
    return CamtValues.amount(entry, currency);
  }

  /**
   * One line; or one for each transaction of a batch, where these have amounts that add up to the
   * entry.
   *
   * @param unique makes an identity unique within its statement
   */
  List<BankLine> toBankLines(UnaryOperator<String> unique) {
    String ofEntry = identity();
    String identity = ofEntry.isEmpty() ? "" : unique.apply(ofEntry);
    String raw = entry.raw();
    List<Long> amounts = transactions.size() > 1 ? amountsOfTransactions() : List.of();
    if (amounts.isEmpty()) {
      XmlElement only = transactions.size() == 1 ? transactions.getFirst() : null;
      return List.of(line(amountMinor(), only, identity, raw));
    }
    var lines = new ArrayList<BankLine>();
    for (int i = 0; i < amounts.size(); i++) {
      XmlElement transaction = transactions.get(i);
      String own = transaction.textAt("Refs/AcctSvcrRef");
      String nth = identity.isEmpty() ? "" : identity + "/" + (i + 1);
      lines.add(
          line(
              amounts.get(i),
              transaction,
              own.isEmpty() || own.equals(ofEntry) ? nth : unique.apply(own),
              transaction.raw()));
    }
    return lines;
  }

  /** Empty unless each has one in the account's currency and together they make the entry. */
  private List<Long> amountsOfTransactions() {
    var amounts = new ArrayList<Long>();
    long sum = 0;
    for (XmlElement transaction : transactions) {
      XmlElement amount = transaction.at("Amt");
      amount = amount == null ? transaction.at("AmtDtls/TxAmt/Amt") : amount;
      if (amount == null || !amount.currency().equals(currency.getCode())) {
        return List.of();
      }
      String direction = transaction.textAt("CdtDbtInd");
      boolean in = (direction.isEmpty() ? entry.textAt("CdtDbtInd") : direction).equals("CRDT");
      long minor = DecimalText.toMinor(amount.text(), currency, amount.line(), "Amt");
      amounts.add(in ? minor : -minor);
      sum += in ? minor : -minor;
    }
    return sum == amountMinor() ? amounts : List.of();
  }

  /**
   * @param transaction the one that the line is of; null where it is of several, or of none
   */
  private BankLine line(
      long amountMinor, @Nullable XmlElement transaction, String identity, String raw) {
    XmlElement valueOn = entry.at("ValDt");
    XmlElement bookedOn = entry.at("BookgDt");
    return new BankLine(
        CamtValues.date(
            bookedOn != null ? bookedOn : valueOn != null ? valueOn : entry.required("BookgDt")),
        valueOn == null ? null : CamtValues.date(valueOn),
        amountMinor,
        transaction == null ? "" : party(transaction),
        memo(transaction),
        reference(transaction),
        type(),
        identity.isEmpty() ? null : identity,
        raw.length() > LONGEST_RAW ? raw.substring(0, LONGEST_RAW) : raw,
        entry.line(),
        isPending(),
        details(transaction));
  }

  private Map<LineDetail, String> details(@Nullable XmlElement transaction) {
    var details = new Details();
    if (transaction != null) {
      String other = isIn() ? "Dbtr" : "Cdtr";
      details
          .add(
              LineDetail.COUNTERPARTY_ACCOUNT,
              transaction.textAt(
                  "RltdPties/" + other + "Acct/Id/IBAN", "RltdPties/" + other + "Acct/Id/Othr/Id"))
          .add(
              LineDetail.COUNTERPARTY_BANK,
              transaction.textAt(
                  "RltdAgts/" + other + "Agt/FinInstnId/BICFI",
                  "RltdAgts/" + other + "Agt/FinInstnId/BIC"))
          .add(LineDetail.ULTIMATE_PARTY, name(transaction, "Ultmt" + other))
          .add(LineDetail.MANDATE, transaction.textAt("Refs/MndtId"))
          .add(
              LineDetail.CREDITOR,
              transaction.textAt(
                  "RltdPties/Cdtr/Pty/Id/PrvtId/Othr/Id", "RltdPties/Cdtr/Id/PrvtId/Othr/Id"))
          .add(LineDetail.END_TO_END, given(transaction.textAt("Refs/EndToEndId")))
          .add(LineDetail.BANK_REFERENCE, transaction.textAt("Refs/AcctSvcrRef"))
          .add(LineDetail.SUPPLEMENT, transaction.textAt("AddtlTxInf"))
          .add(LineDetail.ORIGINAL_AMOUNT, originalAmount(transaction));
    }
    return details
        .add(LineDetail.BANK_REFERENCE, entry.textAt("AcctSvcrRef"))
        .add(LineDetail.BOOKING_TEXT, entry.textAt("AddtlNtryInf"))
        .said();
  }

  private String originalAmount(XmlElement transaction) {
    XmlElement amount = transaction.at("AmtDtls/InstdAmt/Amt");
    return amount == null || amount.currency().equals(currency.getCode())
        ? ""
        : amount.currency() + " " + amount.text();
  }

  private static String given(String reference) {
    return reference.equals("NOTPROVIDED") ? "" : reference;
  }

  private String identity() {
    String ofEntry = entry.textAt("AcctSvcrRef");
    return ofEntry.isEmpty() && transactions.size() == 1
        ? transactions.getFirst().textAt("Refs/AcctSvcrRef")
        : ofEntry;
  }

  private String reference(@Nullable XmlElement transaction) {
    String ofTransaction =
        transaction == null
            ? ""
            : given(
                transaction.textAt("RmtInf/Strd/CdtrRefInf/Ref", "Refs/EndToEndId", "Refs/ChqNb"));
    return ofTransaction.isEmpty() ? entry.textAt("NtryRef") : ofTransaction;
  }

  /** The bank transaction code, as domain, family and sub-family. */
  private String type() {
    XmlElement code = entry.at("BkTxCd");
    if (code == null) {
      return "";
    }
    String type =
        Stream.of("Domn/Cd", "Domn/Fmly/Cd", "Domn/Fmly/SubFmlyCd")
            .map(code::textAt)
            .filter(part -> !part.isEmpty())
            .collect(Collectors.joining("-"));
    return type.isEmpty() ? code.textAt("Prtry/Cd") : type;
  }

  /** The other party: who pays for money in, who is paid for money out. A reversal swaps them. */
  private String party(XmlElement transaction) {
    String first = name(transaction, isIn() ? "Dbtr" : "Cdtr");
    return first.isEmpty() ? name(transaction, isIn() ? "UltmtDbtr" : "UltmtCdtr") : first;
  }

  private boolean isIn() {
    return entry.textAt("CdtDbtInd").equals("CRDT") != entry.textAt("RvslInd").equals("true");
  }

  private static String name(XmlElement transaction, String role) {
    return transaction.textAt("RltdPties/" + role + "/Pty/Nm", "RltdPties/" + role + "/Nm");
  }

  private String memo(@Nullable XmlElement transaction) {
    String said = transaction == null ? "" : remittance(transaction);
    if (!said.isEmpty()) {
      return said;
    }
    String ofEntry = entry.textAt("AddtlNtryInf");
    return transaction == null && transactions.size() > 1
        ? (ofEntry + " " + list()).strip()
        : ofEntry;
  }

  /** Banks break the unstructured text after 140 characters, in the middle of words too. */
  private static @Nullable String joinedText(XmlElement transaction) {
    XmlElement remittance = transaction.at("RmtInf");
    return remittance == null
        ? null
        : remittance.all("Ustrd").map(XmlElement::text).collect(Collectors.joining(" ")).strip();
  }

  private static String remittance(XmlElement transaction) {
    String free = joinedText(transaction);
    if (free != null && !free.isEmpty()) {
      return free;
    }
    return transaction.textAt(
        "RmtInf/Strd/AddtlRmtInf", "RmtInf/Strd/CdtrRefInf/Ref", "AddtlTxInf");
  }

  private String list() {
    String named =
        transactions.stream()
            .limit(TRANSACTIONS_NAMED)
            .map(this::inWords)
            .collect(Collectors.joining(", "));
    int more = transactions.size() - TRANSACTIONS_NAMED;
    return more > 0 ? named + ", and %d more".formatted(more) : named;
  }

  private String inWords(XmlElement transaction) {
    String said =
        Stream.of(
                party(transaction),
                remittance(transaction),
                transaction.textAt("Amt", "AmtDtls/TxAmt/Amt"))
            .filter(part -> !part.isEmpty())
            .collect(Collectors.joining(" "));
    return said.isEmpty() ? "transaction" : said;
  }
}
