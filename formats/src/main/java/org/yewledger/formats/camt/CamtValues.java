package org.yewledger.formats.camt;

import java.time.DateTimeException;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.yewledger.formats.DecimalText;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;

/** Dates, amounts and currencies as ISO 20022 writes them. */
final class CamtValues {
  private CamtValues() {}

  /** Amt with CdtDbtInd, as minor units from the account holder's side. */
  static long amount(XmlElement parent, CurrencyUnit currency) {
    XmlElement amount = parent.required("Amt");
    if (!amount.currency().isEmpty() && !amount.currency().equals(currency.getCode())) {
      throw UnreadableFile.at(
          amount.line(),
          "Amt",
          "the amount is in %s, the account in %s."
              .formatted(Excerpt.of(amount.currency()), currency));
    }
    long minor = DecimalText.toMinor(amount.text(), currency, amount.line(), "Amt");
    if (minor < 0) {
      throw UnreadableFile.at(amount.line(), "Amt", "the amount has a sign; CdtDbtInd gives it.");
    }
    XmlElement direction = parent.required("CdtDbtInd");
    return switch (direction.text()) {
      case "CRDT" -> minor;
      case "DBIT" -> -minor;
      default ->
          throw UnreadableFile.at(
              direction.line(),
              "CdtDbtInd",
              Excerpt.of(direction.text()) + " is neither CRDT nor DBIT.");
    };
  }

  /** A Dt, a DtTm or the choice of both, on the day as written: a line stays on its day. */
  static LocalDate date(XmlElement element) {
    String text = element.text().isEmpty() ? element.textAt("Dt", "DtTm") : element.text();
    if (!text.matches("\\d{4}-\\d{2}-\\d{2}([T+\\-Z].*)?")) {
      throw UnreadableFile.at(element.line(), element.name(), Excerpt.of(text) + " is not a date.");
    }
    try {
      return LocalDate.parse(text.substring(0, 10));
    } catch (DateTimeException e) {
      throw UnreadableFile.at(
          element.line(), element.name(), Excerpt.of(text) + " is not a day of the calendar.");
    }
  }
}
