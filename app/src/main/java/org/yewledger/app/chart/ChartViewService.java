package org.yewledger.app.chart;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.ChartJson.BookChartJson;
import org.yewledger.app.chart.ChartJson.ChartPageJson;
import org.yewledger.app.chart.ChartJson.ChartRowJson;
import org.yewledger.app.chart.ChartJson.ClassJson;
import org.yewledger.core.chart.AccountTree;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.TrialBalance;
import org.yewledger.core.report.TrialBalance.AccountBalance;

/** The chart with its balances at the end of a day, by book and class. */
@Service
class ChartViewService {
  private final ChartService charts;
  private final AccountBalances balances;
  private final AgreedThrough agreed;

  ChartViewService(ChartService charts, AccountBalances balances, AgreedThrough agreed) {
    this.charts = charts;
    this.balances = balances;
    this.agreed = agreed;
  }

  /** What the rows of one answer share. */
  private record Page(
      Chart chart,
      AccountTree tree,
      Map<UUID, Amount> ownSums,
      Map<UUID, Position> positions,
      Map<UUID, LocalDate> agreed,
      Map<UUID, Integer> waiting) {
    Position position(Account account) {
      return positions.getOrDefault(account.id(), Position.empty(account));
    }

    /**
     * The sum in the currency that an account, or all of a group, is in; null in the book's own.
     */
    @Nullable BigDecimal own(Account account, CurrencyUnit base) {
      CurrencyUnit currency = tree.commonCurrency(account.id()).orElse(base);
      return currency.equals(base)
          ? null
          : ownSums.getOrDefault(account.id(), Amount.zero(currency)).decimal();
    }
  }

  @Transactional(readOnly = true)
  ChartPageJson at(LocalDate day, @Nullable UUID bookId) {
    Chart chart = charts.chart();
    AccountTree tree = chart.tree();
    Map<UUID, Position> positions = balances.at(day);
    Page page =
        new Page(
            chart,
            tree,
            ownSums(chart, tree, positions),
            positions,
            agreed.byAccount(),
            charts.waiting());
    return new ChartPageJson(
        day, page.chart().books(bookId).map(book -> book(book, page)).toList());
  }

  /** In the currency of the account, or of all accounts of a group; others are missing. */
  private static Map<UUID, Amount> ownSums(
      Chart chart, AccountTree tree, Map<UUID, Position> positions) {
    Map<UUID, Amount> sums = new HashMap<>();
    chart
        .books()
        .flatMap(book ->
            tree
                .rows(book.id(), a -> positions.getOrDefault(a.id(), Position.empty(a)).amount())
                .stream())
        .filter(row -> row.sum() != null)
        .forEach(row -> sums.put(row.node().account().id(), row.sum()));
    return sums;
  }

  private static BookChartJson book(BookEntity book, Page page) {
    CurrencyUnit currency = CurrencyUnit.of(book.currency());
    List<AccountTree.Row> rows =
        page.tree().rows(book.id(), account -> page.position(account).value());
    List<AccountBalance> leaves =
        page.chart()
            .accountsOf(book.id())
            .map(a -> new AccountBalance(a, page.position(a).value()))
            .toList();
    TrialBalance trial = TrialBalance.of(currency, leaves);
    return new BookChartJson(
        book.id(),
        book.name(),
        book.currency(),
        (int) leaves.stream().filter(b -> !b.account().group()).count(),
        trial.debit().decimal(),
        trial.credit().decimal(),
        Arrays.stream(AccountClass.values())
            .map(c -> ofClass(c, rows, leaves, page, currency))
            .toList());
  }

  /** Both sides of a class, so that those of all classes add up to the book's. */
  private static ClassJson ofClass(
      AccountClass accountClass,
      List<AccountTree.Row> rows,
      List<AccountBalance> leaves,
      Page page,
      CurrencyUnit currency) {
    TrialBalance sides =
        TrialBalance.of(
            currency,
            leaves.stream().filter(b -> b.account().accountClass() == accountClass).toList());
    return new ClassJson(
        accountClass,
        side(sides.debit()),
        side(sides.credit()),
        rows.stream()
            .filter(r -> r.node().account().accountClass() == accountClass)
            .map(r -> row(r, page, currency))
            .toList());
  }

  private static ChartRowJson row(AccountTree.Row row, Page page, CurrencyUnit currency) {
    Account account = row.node().account();
    Amount sum = Objects.requireNonNullElse(row.sum(), Amount.zero(currency));
    AccountEntity stored = page.chart().row(account.id());
    return new ChartRowJson(
        account.id(),
        stored.version(),
        row.node().parentId(),
        row.node().place(),
        row.depth(),
        account.name(),
        stored.facts().tail(),
        account.kind(),
        account.group(),
        account.kind().isKeptByCore(),
        stored.facts().pinned(),
        page.tree().commonCurrency(account.id()).orElse(currency).getCode(),
        page.own(account, currency),
        side(sum),
        side(sum.negated()),
        account.opensOn(),
        account.closedOn(),
        page.agreed().get(account.id()),
        page.waiting().getOrDefault(account.id(), 0));
  }

  private static @Nullable BigDecimal side(Amount sum) {
    return sum.sign() > 0 ? sum.decimal() : null;
  }
}
