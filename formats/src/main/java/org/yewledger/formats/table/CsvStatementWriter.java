package org.yewledger.formats.table;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.StringWriter;
import java.nio.charset.Charset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.money.Amount;

/** Writes bank lines as a table with columns for money in and out and a running balance. */
public final class CsvStatementWriter {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("dd.MM.yyyy", Locale.ROOT);

  private CsvStatementWriter() {}

  /**
   * @param opening the balance before the first line,
   * @return semicolon-separated text, dates day first, decimal comma, in the given encoding
   */
  public static byte[] write(BankStatement statement, Amount opening, Charset charset) {
    var out = new StringWriter();
    try (CsvWriter csv = CsvWriter.builder().fieldSeparator(';').build(out)) {
      csv.writeRecord("Booked", "Value", "Text", "Ref", "Debit", "Credit", "Balance");
      long balance = opening.minor();
      for (BankLine line : statement.lines()) {
        balance += line.amountMinor();
        csv.writeRecord(
            DAY.format(line.bookedOn()),
            DAY.format(line.valueOn() == null ? line.bookedOn() : line.valueOn()),
            HarmlessCell.of(line.text()),
            HarmlessCell.of(line.reference()),
            line.amountMinor() < 0 ? comma(-line.amountMinor(), statement) : "",
            line.amountMinor() < 0 ? "" : comma(line.amountMinor(), statement),
            comma(balance, statement));
      }
    } catch (java.io.IOException e) {
      throw new java.io.UncheckedIOException(e); // a writer in memory does not fail
    }
    return out.toString().getBytes(charset);
  }

  private static String comma(long minor, BankStatement statement) {
    return Amount.ofMinor(minor, statement.currency()).decimal().toPlainString().replace('.', ',');
  }
}
