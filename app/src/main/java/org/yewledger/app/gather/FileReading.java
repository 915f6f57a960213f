package org.yewledger.app.gather;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.gather.FileRouting.Route;
import org.yewledger.app.gather.FileRouting.Why;
import org.yewledger.app.gather.RememberedLayouts.Remembered;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.ledger.Account;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.KnownTable;
import org.yewledger.formats.table.Table;
import org.yewledger.formats.table.TableDetection;
import org.yewledger.formats.table.TableLayout.Meaning;

/** Reads an uploaded file and finds the accounts that it is for. */
@Component
class FileReading {
  /**
   * A file as uploaded.
   *
   * @param accountId the one account that it is for; null to find the accounts by the numbers in
   *     the file
   * @param chosen the accounts that a person has chosen for numbers in the file
   */
  record Upload(
      String fileName,
      byte[] bytes,
      @Nullable UUID accountId,
      Map<String, UUID> chosen,
      @Nullable LayoutJson layout) {}

  /** The part of a file that is of one account. {@code route} is null until one is chosen. */
  record Part(BankStatement statement, @Nullable Route route) {}

  /** What could be read, and for whom. */
  record FileRead(StatementReading reading, List<Part> parts, @Nullable Route route) {}

  private final FileRouting routing;
  private final RememberedLayouts layouts;

  FileReading(FileRouting routing, RememberedLayouts layouts) {
    this.routing = routing;
    this.layouts = layouts;
  }

  /**
   * @throws UnreadableFile if nothing at all can be made of the file, or if it was given for one
   *     account and has two
   */
  FileRead read(Upload upload, Chart chart) {
    Route chosen =
        upload.accountId() == null
            ? null
            : new Route(chart.account(upload.accountId()), Why.CHOSEN);
    return StatementReading.isTable(upload.bytes())
        ? table(upload, chart, chosen)
        : statements(StatementReading.of(upload.bytes()), upload, chart, chosen);
  }

  private FileRead statements(
      StatementReading reading, Upload upload, Chart chart, @Nullable Route chosen) {
    if (chosen != null) {
      reading.ofOneAccount();
    }
    List<Part> parts =
        reading.statements().stream()
            .map(s -> new Part(s, chosen != null ? chosen : route(s, upload, chart)))
            .toList();
    return new FileRead(reading, parts, parts.size() == 1 ? parts.getFirst().route() : null);
  }

  private @Nullable Route route(BankStatement part, Upload upload, Chart chart) {
    UUID byPerson = upload.chosen().get(part.accountNumber());
    return byPerson != null
        ? new Route(chart.account(byPerson), Why.CHOSEN)
        : routing.of(chart, part.accountNumber(), part.currency()).orElse(null);
  }

  private FileRead table(Upload upload, Chart chart, @Nullable Route chosen) {
    List<Remembered> kept = layouts.all(upload.accountId());
    LayoutJson said = upload.layout();
    Table cells =
        said == null
            ? KnownTable.cells(upload.bytes(), kept.stream().map(Remembered::table).toList())
            : Table.parse(upload.bytes(), said.reading());
    List<Remembered> fitting =
        kept.stream().filter(k -> k.headerKey().equals(cells.headerKey())).toList();
    TableDetection detected = TableDetection.of(cells);
    Route route = chosen != null ? chosen : route(chart, cells, detected, fitting).orElse(null);
    Optional<Remembered> ofAccount =
        fitting.stream()
            .filter(k -> route == null || k.accountId().equals(route.account().id()))
            .findFirst()
            .or(() -> fitting.stream().findFirst());
    LayoutJson layout = said != null ? said : ofAccount.map(Remembered::layout).orElse(null);
    Account account = route == null ? null : route.account();
    TableDetection inCurrency =
        account == null ? detected : TableDetection.of(cells, account.currency());
    StatementReading reading =
        StatementReading.of(
            cells, inCurrency, account, layout, said == null && ofAccount.isPresent());
    List<Part> parts = reading.statements().stream().map(s -> new Part(s, route)).toList();
    return new FileRead(reading, parts, route);
  }

  /** By the number in the file; else the only account for which such a table was read before. */
  private Optional<Route> route(
      Chart chart, Table cells, TableDetection detected, List<Remembered> fitting) {
    Optional<Route> byNumber = routing.of(chart, number(cells, detected), null);
    if (byNumber.isPresent()) {
      return byNumber;
    }
    List<Account> accounts =
        fitting.stream()
            .map(Remembered::accountId)
            .distinct()
            .flatMap(id -> chart.bankAccounts(null).filter(a -> a.id().equals(id)))
            .sorted(Comparator.comparing(Account::name))
            .toList();
    return accounts.size() == 1
        ? Optional.of(new Route(accounts.getFirst(), Why.LAYOUT))
        : Optional.empty();
  }

  private static String number(Table cells, TableDetection detected) {
    int column = detected.layout().indexOf(Meaning.ACCOUNT);
    return column < 0 || cells.data().isEmpty()
        ? cells.numberAbove()
        : cells.data().getFirst().cells().get(column).replaceAll("[ .\\-]", "");
  }
}
