package org.yewledger.formats.ofx;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Objects;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.XmlText;

/** Writes one account's statement as OFX 2.2. What is written can be read back line for line. */
public final class OfxWriter {
  /** Whether the account is written as a bank account or as a card. */
  public enum AccountType {
    CHECKING,
    SAVINGS,
    CREDIT_CARD
  }

  private static final DateTimeFormatter DAY = DateTimeFormatter.BASIC_ISO_DATE;

  private final StringBuilder out = new StringBuilder();

  private OfxWriter() {}

  /** UTF-8 bytes of the file. {@code bankId} names the institution; it is left out for a card. */
  public static byte[] write(BankStatement statement, String bankId, AccountType type) {
    var writer = new OfxWriter();
    writer.file(statement, bankId, type);
    return writer.out.toString().getBytes(StandardCharsets.UTF_8);
  }

  private void file(BankStatement statement, String bankId, AccountType type) {
    boolean card = type == AccountType.CREDIT_CARD;
    LocalDate asOf =
        statement.closing() == null
            ? Objects.requireNonNullElse(statement.lastDay(), LocalDate.EPOCH)
            : statement.closing().on();
    out.append("<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"no\"?>\n");
    out.append(
        "<?OFX OFXHEADER=\"200\" VERSION=\"220\" SECURITY=\"NONE\" OLDFILEUID=\"NONE\""
            + " NEWFILEUID=\"NONE\"?>\n");
    out.append("<OFX>\n<SIGNONMSGSRSV1><SONRS>").append(status());
    value("DTSERVER", DAY.format(asOf) + "235959");
    out.append("<LANGUAGE>ENG</LANGUAGE></SONRS></SIGNONMSGSRSV1>\n");
    out.append(card ? "<CREDITCARDMSGSRSV1><CCSTMTTRNRS>" : "<BANKMSGSRSV1><STMTTRNRS>");
    out.append("<TRNUID>0</TRNUID>").append(status()).append(card ? "<CCSTMTRS>\n" : "<STMTRS>\n");
    value("CURDEF", statement.currency().getCode());
    out.append(card ? "<CCACCTFROM>" : "<BANKACCTFROM>");
    if (!card) {
      value("BANKID", bankId);
    }
    value("ACCTID", statement.accountNumber());
    if (!card) {
      value("ACCTTYPE", type.name());
    }
    out.append(card ? "</CCACCTFROM>\n" : "</BANKACCTFROM>\n").append("<BANKTRANLIST>");
    value("DTSTART", DAY.format(Objects.requireNonNullElse(statement.firstDay(), asOf)));
    value("DTEND", DAY.format(asOf));
    out.append('\n');
    statement.lines().forEach(line -> transaction(line, statement));
    out.append("</BANKTRANLIST>\n");
    balance(statement);
    out.append(
        card
            ? "</CCSTMTRS></CCSTMTTRNRS></CREDITCARDMSGSRSV1>"
            : "</STMTRS></STMTTRNRS></BANKMSGSRSV1>");
    out.append("\n</OFX>\n");
  }

  private void transaction(BankLine line, BankStatement statement) {
    out.append("<STMTTRN>");
    value("TRNTYPE", line.type().isEmpty() ? "OTHER" : line.type());
    value("DTPOSTED", DAY.format(line.bookedOn()));
    if (line.valueOn() != null) {
      value("DTAVAIL", DAY.format(line.valueOn()));
    }
    value(
        "TRNAMT",
        Amount.ofMinor(line.amountMinor(), statement.currency()).decimal().toPlainString());
    if (line.identity() != null) {
      value("FITID", line.identity());
    }
    value("REFNUM", line.reference());
    value("NAME", line.payee());
    value("MEMO", line.memo());
    out.append("</STMTTRN>\n");
  }

  private void balance(BankStatement statement) {
    Balance closing = statement.closing();
    if (closing != null) {
      out.append("<LEDGERBAL>");
      value("BALAMT", closing.amount().decimal().toPlainString());
      value("DTASOF", DAY.format(closing.on()));
      out.append("</LEDGERBAL>\n");
    }
  }

  private static String status() {
    return "<STATUS><CODE>0</CODE><SEVERITY>INFO</SEVERITY></STATUS>";
  }

  private void value(String tag, String text) {
    if (!text.isEmpty()) {
      String escaped =
          XmlText.of(text).replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
      out.append('<').append(tag).append('>').append(escaped).append("</").append(tag).append('>');
    }
  }
}
