package org.yewledger.demo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.demo.AldercottChart.ChartAccount;
import org.yewledger.formats.ofx.OfxReader;
import org.yewledger.formats.table.Table;
import org.yewledger.formats.table.TableDetection;
import org.yewledger.formats.table.TableStatementReader;

public class AldercottYearTest {
  private final List<Happening> happenings = AldercottYear.happenings();
  private final DemoStatements banks = new DemoStatements(happenings);

  @Test
  public void isTheSameAtEveryCall() {
    assertEquals(AldercottYear.happenings(), happenings);
    assertTrue(happenings.size() > 600);
  }

  @Test
  public void partsOfEveryHappeningAddUpToItsLine() {
    for (Happening h : happenings) {
      assertEquals(
          h.shares().stream().mapToLong(Happening.Share::amountMinor).sum(),
          h.line().amountMinor(),
          h.toString());
    }
  }

  @Test
  public void namesOnlyAccountsOfTheChart() {
    Set<String> names =
        AldercottChart.accounts().stream().map(ChartAccount::name).collect(Collectors.toSet());
    assertEquals(names.size(), AldercottChart.accounts().size());
    for (Happening h : happenings) {
      h.shares().forEach(s -> assertTrue(names.contains(s.account()), s.account()));
    }
    DemoRules.rules().forEach(r -> assertTrue(names.contains(r.to()), r.to()));
  }

  @Test
  public void theLoanShrinksAndTheHouseholdStaysSolvent() {
    for (ChartAccount account : AldercottChart.accounts()) {
      for (YearMonth m = AldercottYear.FIRST; m.isBefore(AldercottYear.LAST); m = m.plusMonths(1)) {
        long now = banks.balance(account, m.atEndOfMonth()).minor();
        if (account.name().equals("Home loan")) {
          assertTrue(banks.balance(account, m.plusMonths(1).atEndOfMonth()).minor() > now);
        }
        if (account.name().equals("Harbour Current")) {
          assertTrue(now > 0, m + ": " + now);
        }
      }
    }
  }

  @Test
  public void theSampleFilesAreWhatTheGeneratorWrites() throws IOException {
    for (Map.Entry<String, byte[]> file : SampleFiles.september().entrySet()) {
      assertEquals(
          Files.readAllBytes(Path.of("../samples", file.getKey())), file.getValue(), file.getKey());
    }
  }

  @Test
  public void theSampleFilesReadBackToTheBanksBalances() {
    var tails = new HashSet<String>();
    for (ChartAccount account : AldercottChart.accounts()) {
      byte[] bytes =
          SampleFiles.september()
              .get(
                  SampleFiles.fileName(
                      account.tail().isEmpty() ? loan() : account, AldercottYear.LAST));
      if (account.tail().isEmpty() || bytes == null) {
        continue;
      }
      tails.add(account.tail());
      BankStatement read = read(bytes);
      assertEquals(read.lines().size(), banks.lines(account.name(), AldercottYear.LAST).size());
      assertNotEquals(read.closing(), null);
      assertEquals(
          read.closing().amount().minor(),
          banks.balance(account, AldercottYear.LAST.atEndOfMonth()).minor(),
          account.name());
    }
    assertEquals(tails, Set.of("4417", "9023", "6650", "2208", "7731", "5150"));
  }

  private static ChartAccount loan() {
    return AldercottChart.accounts().stream()
        .filter(a -> a.name().equals("Home loan"))
        .findFirst()
        .orElseThrow();
  }

  private static BankStatement read(byte[] bytes) {
    if (new String(bytes, 0, 5, java.nio.charset.StandardCharsets.US_ASCII).equals("<?xml")) {
      return OfxReader.read(bytes).getFirst();
    }
    Table table = Table.parse(bytes);
    return TableStatementReader.read(table, TableDetection.of(table).layout(), CurrencyUnit.EUR)
        .statement();
  }
}
