package org.yewledger.app.worth;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.worth.WorthJson.WriteDownDraftJson;
import org.yewledger.app.worth.WorthJson.WrittenDownJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.worth.Thing;
import org.yewledger.core.worth.WriteDown;

/** Keeps what things are worth, and writes them down. */
@Service
public class ThingService {
  private final ChartService charts;
  private final Things things;
  private final Valued valued;
  private final AccountLocks locks;
  private final EntryStore entries;
  private final Acts acts;

  ThingService(
      ChartService charts,
      Things things,
      Valued valued,
      AccountLocks locks,
      EntryStore entries,
      Acts acts) {
    this.charts = charts;
    this.things = things;
    this.valued = valued;
    this.locks = locks;
    this.entries = entries;
    this.acts = acts;
  }

  /**
   * @throws Refusal as {@link Thing#requireValuation} does
   */
  @Transactional
  @ForBookkeepers
  public void value(UUID accountId, LocalDate day, BigDecimal worth) {
    Account account = charts.chart().account(accountId);
    Amount amount = Amount.of(worth, account.currency());
    Thing.requireValuation(account, day, amount);
    acts.begin(
        ActKind.WORTH, "Valued %s at %s on %s".formatted(account.name(), amount.shown(), day));
    things.keepValuation(account, day, amount);
  }

  @Transactional
  @ForBookkeepers
  void removeValuation(UUID accountId, LocalDate day) {
    Account account = charts.chart().account(accountId);
    acts.begin(ActKind.WORTH, "Took the valuation of %s on %s out".formatted(account.name(), day));
    things.removeValuation(accountId, day);
  }

  /**
   * Says how a thing is written down; nothing is booked by it.
   *
   * @throws Refusal as {@link WriteDown#require} does
   */
  @Transactional
  @ForBookkeepers
  void writeDown(UUID accountId, WriteDownDraftJson draft) {
    Chart chart = charts.chart();
    Account account = chart.account(accountId);
    keep(
        new WriteDown(
            account,
            chart.account(draft.expenseId()),
            Amount.of(draft.cost(), account.currency()),
            Amount.of(draft.left(), account.currency()),
            draft.first(),
            draft.months()));
  }

  /** The same. */
  @Transactional
  @ForBookkeepers
  public void keep(WriteDown down) {
    Thing.require(down.thing());
    down.require();
    acts.begin(
        ActKind.WORTH,
        "Writes %s down over %d months".formatted(down.thing().name(), down.months()));
    things.keepWriteDown(down);
  }

  @Transactional
  @ForBookkeepers
  void stopWritingDown(UUID accountId) {
    Account account = charts.chart().account(accountId);
    acts.begin(ActKind.WORTH, "Writes %s down no more".formatted(account.name()));
    things.removeWriteDown(accountId);
  }

  /**
   * Books the months through one that are not booked yet, an entry each.
   *
   * @throws NotFound if the thing is not written down
   * @throws Refusal {@code nothing-to-write-down}
   */
  @Transactional
  @ForBookkeepers
  public WrittenDownJson bookThrough(UUID accountId, YearMonth through) {
    WriteDown seen = find(accountId, charts.chart());
    locks.exclusive(Set.of(accountId, seen.expense().id()));
    entries.forgetRead();
    Chart chart = charts.chart();
    WriteDown down = find(accountId, chart);
    Valued.Loaded loaded = valued.load(chart);
    List<YearMonth> due = down.due(through, WorthService.booked(loaded, down.thing()));
    if (due.isEmpty()) {
      throw Refusal.ofField(
          "nothing-to-write-down",
          "through",
          "%s is written down through %s already.".formatted(down.thing().name(), through));
    }
    acts.begin(ActKind.WORTH, "Wrote %s down through %s".formatted(down.thing().name(), through));
    Amount sum = Amount.zero(down.cost().currency());
    List<Entry> made = due.stream().map(down::entry).toList();
    List<EntryStore.Stored> stored = entries.add(made);
    for (int i = 0; i < due.size(); i++) {
      things.addEntry(stored.get(i).entry().id(), down.thing(), due.get(i).atEndOfMonth());
      sum = sum.plus(down.of(due.get(i)));
    }
    return new WrittenDownJson(due.size(), sum.decimal());
  }

  private WriteDown find(UUID accountId, Chart chart) {
    WriteDown down = things.writeDowns(chart).get(accountId);
    if (down == null) {
      throw new NotFound("write-down");
    }
    return down;
  }
}
