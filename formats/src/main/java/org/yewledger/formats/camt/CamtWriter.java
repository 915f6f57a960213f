package org.yewledger.formats.camt;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Objects;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Days;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.XmlText;

/** Writes one account's statement as camt.053.001.08. What is written can be read back. */
public final class CamtWriter {
  private static final String NAMESPACE = "urn:iso:std:iso:20022:tech:xsd:camt.053.001.08";

  private final BankStatement statement;
  private final XMLStreamWriter xml;

  private CamtWriter(BankStatement statement, XMLStreamWriter xml) {
    this.statement = statement;
    this.xml = xml;
  }

  /** UTF-8 bytes of the file. */
  public static byte[] write(BankStatement statement) {
    var out = new ByteArrayOutputStream();
    try {
      XMLStreamWriter xml =
          XMLOutputFactory.newDefaultFactory()
              .createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
      new CamtWriter(statement, xml).document();
      xml.close();
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e); // a stream in memory does not fail
    }
    return out.toByteArray();
  }

  private void document() throws XMLStreamException {
    Days days = statement.covers();
    LocalDate end =
        statement.closing() != null
            ? statement.closing().on()
            : days == null ? LocalDate.EPOCH : days.last();
    LocalDate start = days == null ? end : days.first();
    xml.writeStartDocument("UTF-8", "1.0");
    begin("Document");
    xml.writeDefaultNamespace(NAMESPACE);
    begin("BkToCstmrStmt");
    begin("GrpHdr");
    value("MsgId", statement.accountNumber() + "-" + end);
    value("CreDtTm", end + "T23:59:59");
    end();
    begin("Stmt");
    value("Id", statement.accountNumber() + "-" + end);
    value("CreDtTm", end + "T23:59:59");
    begin("FrToDt");
    value("FrDtTm", start + "T00:00:00");
    value("ToDtTm", end + "T23:59:59");
    end();
    account();
    if (statement.opening() != null) {
      balance("OPBD", new Balance(start, statement.opening()));
    }
    if (statement.closing() != null) {
      balance("CLBD", Objects.requireNonNull(statement.closing()));
    }
    if (statement.available() != null) {
      balance("CLAV", Objects.requireNonNull(statement.available()));
    }
    for (BankLine line : statement.lines()) {
      entry(line);
    }
    end();
    end();
    end();
    xml.writeEndDocument();
  }

  private void account() throws XMLStreamException {
    boolean iban = statement.accountNumber().matches("[A-Z]{2}\\d{2}[A-Z0-9]{11,30}");
    begin("Acct");
    begin("Id");
    if (iban) {
      value("IBAN", statement.accountNumber());
    } else {
      begin("Othr");
      value("Id", statement.accountNumber());
      end();
    }
    end();
    value("Ccy", statement.currency().getCode());
    end();
  }

  private void balance(String code, Balance balance) throws XMLStreamException {
    begin("Bal");
    begin("Tp");
    begin("CdOrPrtry");
    value("Cd", code);
    end();
    end();
    amount(balance.amount().minor());
    date("Dt", balance.on());
    end();
  }

  private void entry(BankLine line) throws XMLStreamException {
    begin("Ntry");
    optional("NtryRef", line.reference());
    amount(line.amountMinor());
    begin("Sts");
    value("Cd", line.isPending() ? "PDNG" : "BOOK");
    end();
    date("BookgDt", line.bookedOn());
    if (line.valueOn() != null) {
      date("ValDt", line.valueOn());
    }
    if (line.identity() != null) {
      value("AcctSvcrRef", line.identity());
    }
    begin("BkTxCd");
    begin("Prtry");
    value("Cd", line.type().isEmpty() ? "OTHER" : line.type());
    end();
    end();
    begin("NtryDtls");
    begin("TxDtls");
    party(line);
    if (!line.memo().isEmpty()) {
      begin("RmtInf");
      value("Ustrd", line.memo());
      end();
    }
    end();
    end();
    end();
  }

  private void party(BankLine line) throws XMLStreamException {
    if (!line.payee().isEmpty()) {
      begin("RltdPties");
      begin(line.amountMinor() < 0 ? "Cdtr" : "Dbtr");
      begin("Pty");
      value("Nm", line.payee());
      end();
      end();
      end();
    }
  }

  private void amount(long minor) throws XMLStreamException {
    begin("Amt");
    xml.writeAttribute("Ccy", statement.currency().getCode());
    xml.writeCharacters(
        Amount.ofMinor(Math.abs(minor), statement.currency()).decimal().toPlainString());
    end();
    value("CdtDbtInd", minor < 0 ? "DBIT" : "CRDT");
  }

  private void date(String name, LocalDate day) throws XMLStreamException {
    begin(name);
    value("Dt", day.toString());
    end();
  }

  private void optional(String name, String text) throws XMLStreamException {
    if (!text.isEmpty()) {
      value(name, text);
    }
  }

  private void begin(String name) throws XMLStreamException {
    xml.writeStartElement(name);
  }

  private void value(String name, String text) throws XMLStreamException {
    begin(name);
    xml.writeCharacters(XmlText.of(text));
    end();
  }

  private void end() throws XMLStreamException {
    xml.writeEndElement();
  }
}
