package org.yewledger.app.report;

import java.sql.Date;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.report.ReportJson.ReportRateJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.report.RateUsed;
import org.yewledger.core.report.Span;

/** At which rates a report tells accounts in other currencies than their book's. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class RatesUsed {
  /** An entry that values a balance anew has no amount of its own, and no rate. */
  private static final String OF_ENTRIES =
      """
      select account_id, min(base_minor::numeric / amount_minor), max(base_minor::numeric / amount_minor) from posting
       where household_id = :household and account_id = any(:accounts) and date between :from and :to and amount_minor <> 0
       group by account_id\
      """;

  private final AccountBalances balances;
  private final JdbcClient jdbc;

  RatesUsed(AccountBalances balances, JdbcClient jdbc) {
    this.balances = balances;
    this.jdbc = jdbc;
  }

  /**
   * Cost: nothing where all accounts are in their book's currency.
   *
   * @param columns of the report, which are spans
   */
  List<ReportRateJson> ofEntries(List<Account> accounts, List<Span> columns) {
    Map<UUID, Account> foreign = foreign(accounts);
    if (foreign.isEmpty()) {
      return List.of();
    }
    List<RateUsed> used = new ArrayList<>();
    jdbc.sql(OF_ENTRIES)
        .param("household", SignedIn.now().householdId())
        .param("accounts", foreign.keySet().toArray(UUID[]::new))
        .param(
            "from",
            Date.valueOf(
                columns.stream().map(Span::firstDay).min(Comparator.naturalOrder()).orElseThrow()))
        .param(
            "to",
            Date.valueOf(
                columns.stream().map(Span::lastDay).max(Comparator.naturalOrder()).orElseThrow()))
        .query(row -> {
          Account account =
              Objects.requireNonNull(
                  foreign.get(Objects.requireNonNull(row.getObject(1, UUID.class))));
          used.add(RateUsed.ofEntries(account, row.getBigDecimal(2), row.getBigDecimal(3)));
        });
    return used.stream()
        .sorted(Comparator.comparing((RateUsed rate) -> rate.account().name()))
        .map(rate -> json(rate, null))
        .toList();
  }

  /** The same of balances, as they stand at the end of the last column. */
  List<ReportRateJson> ofBalances(List<Account> accounts, List<Span> columns) {
    Map<UUID, Account> foreign = foreign(accounts);
    if (foreign.isEmpty()) {
      return List.of();
    }
    Map<UUID, Position> positions =
        balances.at(columns.getLast().lastDay(), List.copyOf(foreign.values()));
    return foreign.values().stream()
        .sorted(Comparator.comparing(Account::name))
        .flatMap(account -> {
          Position position = positions.getOrDefault(account.id(), Position.empty(account));
          return RateUsed.ofBalance(account, position).map(rate -> json(rate, position)).stream();
        })
        .toList();
  }

  private static Map<UUID, Account> foreign(List<Account> accounts) {
    return accounts.stream()
        .filter(account -> !account.currency().equals(account.book().currency()))
        .collect(Collectors.toMap(Account::id, Function.identity()));
  }

  private static ReportRateJson json(RateUsed rate, @Nullable Position at) {
    Account account = rate.account();
    return new ReportRateJson(
        account.id(),
        account.name(),
        account.currency().getCode(),
        at == null ? null : at.amount().decimal(),
        at == null ? null : at.value().decimal(),
        rate.low(),
        rate.high());
  }
}
