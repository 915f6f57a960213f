package org.yewledger.app.chart;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;

/** Books and accounts for the interface's switches and type-ahead. */
@RestController
@Tag(name = "chart")
class ChartController {
  record BookJson(UUID id, String name, String currency) {}

  record AccountJson(
      UUID id,
      UUID bookId,
      String name,
      String groupName,
      AccountClass accountClass,
      AccountKind kind,
      boolean group,
      boolean hasStatements,
      String tail,
      String currency,
      @Nullable LocalDate opensOn) {

    static AccountJson of(Account account, Chart chart) {
      return new AccountJson(
          account.id(),
          account.bookId(),
          account.name(),
          chart.groupName(account.id()),
          account.accountClass(),
          account.kind(),
          account.group(),
          account.kind().hasStatements(),
          chart.tail(account.id()),
          account.currency().getCode(),
          account.opensOn());
    }
  }

  private final ChartService charts;

  ChartController(ChartService charts) {
    this.charts = charts;
  }

  @GetMapping("/api/books")
  List<BookJson> books() {
    return charts.chart().books().map(b -> new BookJson(b.id(), b.name(), b.currency())).toList();
  }

  @GetMapping("/api/accounts")
  List<AccountJson> accounts() {
    Chart chart = charts.chart();
    return chart.accounts().map(a -> AccountJson.of(a, chart)).toList();
  }
}
