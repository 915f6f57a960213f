package org.yewledger.formats;

import static org.testng.Assert.assertEquals;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Duplicates;
import org.yewledger.core.gather.KnownLine;
import org.yewledger.core.gather.LineSource;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.camt.CamtReader;
import org.yewledger.formats.camt.CamtWriter;
import org.yewledger.formats.mt940.Mt940Reader;
import org.yewledger.formats.ofx.OfxReader;
import org.yewledger.formats.ofx.OfxWriter;
import org.yewledger.formats.table.CsvStatementWriter;
import org.yewledger.formats.table.Table;
import org.yewledger.formats.table.TableDetection;
import org.yewledger.formats.table.TableStatementReader;

/** A year of lines, cut into overlapping files of all formats, comes out as the same set. */
public class MixedFormatsTest {
  private static final LocalDate FIRST = LocalDate.of(2025, 10, 1);
  private static final long OPENING = 500_000;
  private static final String[] TEXTS = {
    "GREENGAGE MKT 114",
    "TANSY & THREAD",
    "CAFÉ COBBLERS ROW",
    "ATM HARBOUR SQ 3",
    "INV 2509/A",
    "=SUM(A1)"
  };

  @Test
  public void anySplitIntoFilesOfAnyFormatInAnyOrderMakesTheSameSet() {
    LineSource[] formats = {
      LineSource.OFX, LineSource.CAMT, LineSource.MT940, LineSource.CSV, LineSource.XLSX
    };
    for (int seed = 0; seed < 12; seed++) {
      var random = new Random(seed);
      List<BankLine> year = year(random);
      var held = new ArrayList<KnownLine>();
      for (BankStatement part : parts(year, random)) {
        LineSource format = formats[random.nextInt(formats.length)];
        BankStatement read = writtenAndRead(part, format);
        assertEquals(read.closing(), part.closing(), format + " keeps the closing balance");
        for (Arrival arrival : Duplicates.compare(held, read.lines(), format)) {
          if (arrival.comesIn()) {
            UUID id = UUID.randomUUID();
            held.add(
                new KnownLine(
                    id, arrival.key(), arrival.ordinal(), format, KnownLine.Standing.BOOKED, id));
          }
        }
      }
      assertEquals(
          held.stream().map(k -> content(k.key())).sorted().toList(),
          year.stream().map(l -> content(l.key())).sorted().toList(),
          "seed " + seed);
    }
  }

  private static String content(org.yewledger.core.gather.LineKey key) {
    return key.bookedOn() + " " + key.amountMinor() + " " + key.evenText();
  }

  private static List<BankLine> year(Random random) {
    var lines = new ArrayList<BankLine>();
    for (int day = 0; day < 365; day++) {
      for (int i = random.nextInt(4); i > 0; i--) {
        String text = TEXTS[random.nextInt(TEXTS.length)];
        lines.add(
            new BankLine(
                FIRST.plusDays(day),
                null,
                (random.nextInt(3) == 0 ? 1 : -1) * (100L + random.nextInt(400)),
                text,
                "CARD " + random.nextInt(2),
                "",
                "",
                "id-" + lines.size(),
                text,
                1));
      }
    }
    return lines;
  }

  private static List<BankStatement> parts(List<BankLine> year, Random random) {
    var parts = new ArrayList<BankStatement>();
    for (int day = 0; day < 365; day += 30) {
      LocalDate from = FIRST.plusDays(Math.max(0, day - random.nextInt(20)));
      LocalDate to = FIRST.plusDays(day + 29L + random.nextInt(20));
      List<BankLine> lines =
          year.stream()
              .filter(l -> !l.bookedOn().isBefore(from) && !l.bookedOn().isAfter(to))
              .toList();
      long opening = OPENING + sum(year.stream().filter(l -> l.bookedOn().isBefore(from)).toList());
      LocalDate end = lines.getLast().bookedOn();
      parts.add(
          new BankStatement(
              "NL00DEMO004417",
              CurrencyUnit.EUR,
              lines,
              new Balance(end, Amount.ofMinor(opening + sum(lines), CurrencyUnit.EUR)),
              Amount.ofMinor(opening, CurrencyUnit.EUR)));
    }
    Collections.shuffle(parts, random);
    return parts;
  }

  private static long sum(List<BankLine> lines) {
    return lines.stream().mapToLong(BankLine::amountMinor).sum();
  }

  private static BankStatement writtenAndRead(BankStatement part, LineSource format) {
    long opening = part.opening() == null ? 0 : part.opening().minor();
    return switch (format) {
      case OFX ->
          OfxReader.read(OfxWriter.write(part, "DEMO", OfxWriter.AccountType.CHECKING)).getFirst();
      case CAMT -> CamtReader.read(CamtWriter.write(part)).getFirst();
      case MT940 -> Mt940Reader.read(mt940(part, opening)).getFirst();
      case CSV ->
          table(
              CsvStatementWriter.write(
                  part, Amount.ofMinor(opening, CurrencyUnit.EUR), StandardCharsets.UTF_8));
      case XLSX -> table(xlsx(part, opening));
      case FEED -> part;
    };
  }

  private static BankStatement table(byte[] bytes) {
    Table table = Table.parse(bytes);
    return TableStatementReader.read(table, TableDetection.of(table).layout(), CurrencyUnit.EUR)
        .statement();
  }

  /** In lower case and broken after 65 characters, as some banks write it. */
  private static byte[] mt940(BankStatement part, long opening) {
    var text = new StringBuilder(":20:1\n:25:NL00DEMO004417\n:60F:");
    text.append(balance(part.lines().getFirst().bookedOn(), opening)).append('\n');
    for (BankLine line : part.lines()) {
      String day = swift(line.bookedOn());
      text.append(":61:").append(day).append(day.substring(2));
      text.append(line.amountMinor() < 0 ? "D" : "C").append(decimal(line.amountMinor()));
      text.append("NTRFNONREF\n:86:").append(line.text().toLowerCase(java.util.Locale.ROOT));
      text.append('\n');
    }
    Balance closing = java.util.Objects.requireNonNull(part.closing());
    text.append(":62F:").append(balance(closing.on(), closing.amount().minor())).append("\n-\n");
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static String balance(LocalDate on, long minor) {
    return (minor < 0 ? "D" : "C") + swift(on) + "EUR" + decimal(minor);
  }

  private static String swift(LocalDate day) {
    return day.toString().replace("-", "").substring(2);
  }

  private static String decimal(long minor) {
    return Amount.ofMinor(Math.abs(minor), CurrencyUnit.EUR)
        .decimal()
        .toPlainString()
        .replace('.', ',');
  }

  private static byte[] xlsx(BankStatement part, long opening) {
    var out = new ByteArrayOutputStream();
    try (var workbook = new Workbook(out, "Yew Ledger", "1.0")) {
      Worksheet sheet = workbook.newWorksheet("Lines");
      String[] names = {"Date", "Details", "Amount", "Balance"};
      for (int i = 0; i < names.length; i++) {
        sheet.value(0, i, names[i]);
      }
      long balance = opening;
      for (int i = 0; i < part.lines().size(); i++) {
        BankLine line = part.lines().get(i);
        balance += line.amountMinor();
        sheet.value(i + 1, 0, line.bookedOn());
        sheet.style(i + 1, 0).format("yyyy-mm-dd").set();
        sheet.value(i + 1, 1, line.text());
        sheet.value(i + 1, 2, line.amountMinor() / 100.0);
        sheet.value(i + 1, 3, balance / 100.0);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
