package org.yewledger.formats;

import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Random;
import java.util.function.Consumer;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.formats.camt.CamtReader;
import org.yewledger.formats.camt.CamtWriter;
import org.yewledger.formats.mt940.Mt940Reader;
import org.yewledger.formats.ofx.OfxReader;
import org.yewledger.formats.table.Table;
import org.yewledger.formats.table.TableDetection;
import org.yewledger.formats.table.TableStatementReader;

/**
 * Whatever is done to a file, each reader answers with statements or with its own error, and soon.
 * The samples are mutated from fixed seeds for a bounded time.
 */
public class FuzzTest {
  private static final Duration AT_MOST = Duration.ofSeconds(4);
  private static final int ROUNDS = 3_000;
  private static final String[] SPLICES = {
    "\0",
    "<",
    ">",
    "&",
    "&x;",
    "]]>",
    "<!--",
    "<![CDATA[",
    "\"",
    ";;;;",
    ":61:",
    ":86:",
    "?20",
    "99999999999999999999",
    "-",
    "2026-02-31",
    "\uFFFF",
    "\n\n",
    "{4:",
    "//",
    "<Ntry>",
    "</STMTTRN>"
  };

  private static byte[] sample(String name) throws IOException {
    return Files.readAllBytes(Path.of("..", "samples", name));
  }

  private static void table(byte[] bytes) {
    Table table = Table.parse(bytes);
    TableStatementReader.read(table, TableDetection.of(table).layout(), CurrencyUnit.EUR);
  }

  @DataProvider
  Object[][] readers() throws IOException {
    byte[] ofx = sample("harbour-9023-2026-09.ofx");
    BankStatement statement = OfxReader.read(sample("quillon-6650-2026-09.ofx")).getFirst();
    byte[] csv = sample("kestrel-7731-2026-09.csv");
    String mt940 =
        """
        {1:F01DEMO}{2:O940}{4:
        :20:1
        :25:NL00DEMO004417EUR
        :28C:9/1
        :60F:C260901EUR100,00
        :61:2609040904D12,50NTRFNONREF//B1
        :86:105?00CARD?20GREENGAGE MKT 114?21ELLERY?32GREENGAGE
        :61:260905C1,NMSC/EREF/1
        :86:/NAME/LANTERN/REMI/METER 7
        :62F:C260930EUR88,50
        :64:C260930EUR80,00
        -}
        """;
    return new Object[][] {
      {"OFX", ofx, (Consumer<byte[]>) OfxReader::read},
      {"camt", CamtWriter.write(statement), (Consumer<byte[]>) CamtReader::read},
      {"MT940", mt940.getBytes(StandardCharsets.UTF_8), (Consumer<byte[]>) Mt940Reader::read},
      {"CSV", csv, (Consumer<byte[]>) FuzzTest::table},
      {
        "XLSX",
        org.yewledger.formats.table.XlsxSample.workbook(),
        (Consumer<byte[]>) FuzzTest::table
      },
    };
  }

  @Test(dataProvider = "readers", timeOut = 60_000)
  public void survivesMutilatedFiles(String name, byte[] good, Consumer<byte[]> reader) {
    reader.accept(good);
    var random = new Random(name.hashCode());
    Instant end = Instant.now().plus(AT_MOST);
    int refused = 0;
    int rounds = 0;
    while (rounds < ROUNDS && Instant.now().isBefore(end)) {
      rounds++;
      byte[] bad = mutated(good, random);
      try {
        StatementFormats.recognise(bad);
        reader.accept(bad);
      } catch (UnreadableFile e) {
        refused++;
        assertTrue(e.getMessage().length() > 10, "says why: " + e.getMessage());
      }
    }
    assertTrue(refused * 4 > rounds, "%s: %d of %d refused".formatted(name, refused, rounds));
  }

  private static byte[] mutated(byte[] good, Random random) {
    byte[] bad = good.clone();
    switch (random.nextInt(4)) {
      case 0 -> bad = java.util.Arrays.copyOf(good, random.nextInt(good.length));
      case 1 -> bad = spliced(good, random);
      default -> {
        for (int i = random.nextInt(8); i >= 0; i--) {
          bad[random.nextInt(bad.length)] = (byte) random.nextInt(256);
        }
      }
    }
    return bad;
  }

  private static byte[] spliced(byte[] good, Random random) {
    byte[] splice = SPLICES[random.nextInt(SPLICES.length)].getBytes(StandardCharsets.UTF_8);
    int at = random.nextInt(good.length);
    int skipped = random.nextInt(Math.min(40, good.length - at));
    var bad = new byte[good.length - skipped + splice.length];
    System.arraycopy(good, 0, bad, 0, at);
    System.arraycopy(splice, 0, bad, at, splice.length);
    System.arraycopy(good, at + skipped, bad, at + splice.length, good.length - at - skipped);
    return bad;
  }
}
