package org.yewledger.app.opening;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.AccountService;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.opening.OpeningService.Opening;
import org.yewledger.app.opening.OpeningService.Wanted;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.chart.ChartPlan;
import org.yewledger.core.chart.ChartPlan.Planned;
import org.yewledger.core.chart.ChartRow;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.Amount;

/** A book's chart with its opening balances, out as a table and in from one. */
@Service
public class ChartTableService {
  /** What a table brings. */
  public record Brought(int added, int openings, int known) {}

  private final ChartService charts;
  private final AccountService accounts;
  private final OpeningService openings;

  ChartTableService(ChartService charts, AccountService accounts, OpeningService openings) {
    this.charts = charts;
    this.accounts = accounts;
    this.openings = openings;
  }

  /** The book's accounts as rows, without those that the core keeps. */
  @Transactional(readOnly = true)
  public List<ChartRow> rows(UUID bookId) {
    Chart chart = charts.chart();
    Map<UUID, Opening> set = openings.openings();
    chart.book(bookId);
    return chart.tree().rows(bookId, a -> Amount.zero(a.currency())).stream()
        .map(r -> r.node().account())
        .filter(a -> !a.kind().isKeptByCore() && a.closedOn() == null)
        .map(a -> row(a, chart, set.get(a.id())))
        .toList();
  }

  private static ChartRow row(Account a, Chart chart, @Nullable Opening opening) {
    AccountFacts facts = chart.facts(a.id());
    LocalDate opensOn = a.opensOn();
    return new ChartRow(
        0,
        a.name(),
        ChartPlan.written(a.kind(), a.group()),
        chart.groupName(a.id()),
        a.currency().getCode(),
        facts.number(),
        facts.tail(),
        facts.institution(),
        opensOn == null ? "" : opensOn.toString(),
        opening == null ? "" : opening.position().amount().decimal().toPlainString(),
        facts.taxFormLine(),
        facts.notes());
  }

  /** What the rows would bring; nothing is saved. */
  @Transactional(readOnly = true)
  public Brought check(UUID bookId, List<ChartRow> rows) {
    Chart chart = charts.chart();
    return brought(plan(bookId, rows, chart));
  }

  /**
   * Takes all rows in, or none.
   *
   * @throws BadRows with every row that cannot be taken in
   */
  @Transactional
  @ForBookkeepers
  public Brought takeIn(UUID bookId, List<ChartRow> rows) {
    Chart chart = charts.chart();
    Book book = chart.book(bookId).toBook();
    ChartPlan plan = plan(bookId, rows, chart);
    Map<String, UUID> byName = new HashMap<>();
    chart.accountsOf(bookId).forEach(a -> byName.put(key(a.name()), a.id()));
    for (Planned p : plan.accounts()) {
      if (p.known() == null) {
        byName.put(key(p.row().name()), add(p, book, byName.get(key(p.group())), chart));
      }
    }
    setOpenings(plan, byName);
    return brought(plan);
  }

  private UUID add(Planned p, Book book, @Nullable UUID parent, Chart chart) {
    ChartRow row = p.row();
    var account =
        new Account(Ids.next(), book, row.name(), p.kind(), p.currency(), p.isGroup(), p.opensOn());
    var facts =
        new AccountFacts(
            row.number(),
            row.ending(),
            row.institution(),
            "",
            "",
            row.notes(),
            false,
            null,
            null,
            null,
            row.taxFormLine());
    try {
      return accounts.add(chart, account, parent, facts).id();
    } catch (Refusal e) {
      throw new BadRows(List.of(new BadRows.Problem(row.line(), "name", e.getMessage())));
    }
  }

  /** Rows are tried one by one, so that each that cannot be set is told with its line. */
  private void setOpenings(ChartPlan plan, Map<String, UUID> byName) {
    var problems = new ArrayList<BadRows.Problem>();
    for (Planned p : plan.accounts()) {
      UUID id = byName.get(key(p.row().name()));
      if (p.opening() != null && p.opensOn() != null && id != null) {
        try {
          openings.set(List.of(new Wanted(id, p.opensOn(), p.opening())));
        } catch (Refusal e) {
          problems.add(new BadRows.Problem(p.row().line(), "opening balance", e.getMessage()));
        }
      }
    }
    if (!problems.isEmpty()) {
      throw new BadRows(problems);
    }
  }

  private static ChartPlan plan(UUID bookId, List<ChartRow> rows, Chart chart) {
    return ChartPlan.of(rows, chart.book(bookId).toBook(), chart.accountsOf(bookId).toList());
  }

  private static Brought brought(ChartPlan plan) {
    int known = (int) plan.accounts().stream().filter(p -> p.known() != null).count();
    int opened = (int) plan.accounts().stream().filter(p -> p.opening() != null).count();
    return new Brought(plan.accounts().size() - known, opened, known);
  }

  private static String key(String name) {
    return name.strip().toLowerCase(Locale.ROOT);
  }
}
