package org.yewledger.formats.camt;

import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;

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

  /**
   * @param unique makes an identity unique within its statement
   */
  BankLine toBankLine(UnaryOperator<String> unique) {
    XmlElement valueOn = entry.at("ValDt");
    XmlElement bookedOn = entry.at("BookgDt");
    String identity = identity();
    String raw = entry.raw();
    return new BankLine(
        CamtValues.date(
            bookedOn != null ? bookedOn : valueOn != null ? valueOn : entry.required("BookgDt")),
        valueOn == null ? null : CamtValues.date(valueOn),
        CamtValues.amount(entry, currency),
        transactions.size() == 1 ? party(transactions.getFirst()) : "",
        memo(),
        reference(),
        type(),
        identity.isEmpty() ? null : unique.apply(identity),
        raw.length() > LONGEST_RAW ? raw.substring(0, LONGEST_RAW) : raw,
        entry.line(),
        status().equals("PDNG"));
  }

  private String identity() {
    String ofEntry = entry.textAt("AcctSvcrRef");
    return ofEntry.isEmpty() && transactions.size() == 1
        ? transactions.getFirst().textAt("Refs/AcctSvcrRef")
        : ofEntry;
  }

  private String reference() {
    String ofTransaction =
        transactions.size() == 1
            ? transactions
                .getFirst()
                .textAt("RmtInf/Strd/CdtrRefInf/Ref", "Refs/EndToEndId", "Refs/ChqNb")
            : "";
    boolean none = ofTransaction.isEmpty() || ofTransaction.equals("NOTPROVIDED");
    return none ? entry.textAt("NtryRef") : ofTransaction;
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
    boolean in = entry.textAt("CdtDbtInd").equals("CRDT") != entry.textAt("RvslInd").equals("true");
    String first = name(transaction, in ? "Dbtr" : "Cdtr");
    return first.isEmpty() ? name(transaction, in ? "UltmtDbtr" : "UltmtCdtr") : first;
  }

  private static String name(XmlElement transaction, String role) {
    return transaction.textAt("RltdPties/" + role + "/Pty/Nm", "RltdPties/" + role + "/Nm");
  }

  private String memo() {
    if (transactions.size() == 1) {
      String said = remittance(transactions.getFirst());
      if (!said.isEmpty()) {
        return said;
      }
    }
    String ofEntry = entry.textAt("AddtlNtryInf");
    return transactions.size() > 1 ? (ofEntry + " " + list()).strip() : ofEntry;
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
