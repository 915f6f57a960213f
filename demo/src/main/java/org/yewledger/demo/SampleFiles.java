package org.yewledger.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.Map;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.demo.AldercottChart.ChartAccount;
import org.yewledger.formats.TextDecoding;
import org.yewledger.formats.ofx.OfxWriter;
import org.yewledger.formats.ofx.OfxWriter.AccountType;
import org.yewledger.formats.table.CsvStatementWriter;

/**
 * The statement files of September 2026, as the Aldercotts' banks would offer them for download.
 */
public final class SampleFiles {
  private SampleFiles() {}

  /** File names and contents, the same at every call. The home loan's statement comes on paper. */
  public static Map<String, byte[]> september() {
    var statements = new DemoStatements(AldercottYear.happenings());
    var files = new LinkedHashMap<String, byte[]>();
    for (ChartAccount account : AldercottChart.accounts()) {
      if (!account.tail().isEmpty() && account.kind() != AccountKind.LOAN) {
        files.put(
            fileName(account, AldercottYear.LAST),
            content(statements, account, AldercottYear.LAST));
      }
    }
    return files;
  }

  /** The name under which a bank offers an account's month. */
  public static String fileName(ChartAccount account, YearMonth month) {
    String bank =
        account.name().substring(0, account.name().indexOf(' ')).toLowerCase(java.util.Locale.ROOT);
    return "%s-%s-%s.%s".formatted(bank, account.tail(), month, isTable(account) ? "csv" : "ofx");
  }

  /** Kestrel offers tables only, the other banks OFX. */
  private static boolean isTable(ChartAccount account) {
    return account.name().startsWith("Kestrel");
  }

  private static byte[] content(DemoStatements statements, ChartAccount account, YearMonth month) {
    BankStatement statement = statements.statement(account, month);
    if (isTable(account)) {
      Amount opening = statements.balance(account, month.minusMonths(1).atEndOfMonth());
      return CsvStatementWriter.write(statement, opening, TextDecoding.WINDOWS_1252);
    }
    return OfxWriter.write(statement, "DEMO" + account.tail(), ofxType(account));
  }

  private static AccountType ofxType(ChartAccount account) {
    return switch (account.kind()) {
      case CARD -> AccountType.CREDIT_CARD;
      case SAVINGS -> AccountType.SAVINGS;
      default -> AccountType.CHECKING;
    };
  }

  /** Writes the files into the folder named by the first argument. */
  public static void main(String[] args) throws IOException {
    for (Map.Entry<String, byte[]> file : september().entrySet()) {
      Files.write(Path.of(args[0], file.getKey()), file.getValue());
    }
  }
}
