package org.yewledger.app.reconcile;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.reconcile.AgreedOnce.ChangedBy;
import org.yewledger.app.reconcile.AgreedOnce.Opened;
import org.yewledger.app.reconcile.AgreedOnce.Row;
import org.yewledger.app.reconcile.ChainBreakJson.BreakJson;
import org.yewledger.app.reconcile.ChainBreakJson.ChangedByJson;
import org.yewledger.app.reconcile.ChainBreakJson.OpenedAgainJson;
import org.yewledger.app.reconcile.StatementJson.AgreedPosting;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.ChainBreaks;
import org.yewledger.core.reconcile.ChainBreaks.Agreed;
import org.yewledger.core.reconcile.ChainBreaks.Break;
import org.yewledger.core.reconcile.ChainBreaks.How;
import org.yewledger.core.reconcile.ChainBreaks.Now;

/** Where the chain of an account's statements is broken: who, when, what, how much. */
@Service
public class ChainBreakService {
  private final StatementService statements;
  private final ChartService charts;
  private final AgreedOnce agreedOnce;

  ChainBreakService(StatementService statements, ChartService charts, AgreedOnce agreedOnce) {
    this.statements = statements;
    this.charts = charts;
    this.agreedOnce = agreedOnce;
  }

  /**
   * What became of a statement since it agreed; empty for one that agrees, or never did. Cost: that
   * of its postings.
   */
  @Transactional(readOnly = true)
  public Optional<OpenedAgainJson> of(UUID statementId) {
    StatementEntity statement = statements.find(statementId);
    if (statement.isFinished()) {
      return Optional.empty();
    }
    Account account = charts.chart().account(statement.accountId());
    return agreedOnce.of(statementId).map(opened -> told(opened, account));
  }

  private OpenedAgainJson told(Opened opened, Account account) {
    CurrencyUnit currency = account.currency();
    StatementJson.AgreedBefore was = StatementJson.AgreedBefore.of(opened.kept());
    Map<UUID, AgreedPosting> before =
        was.postings().stream()
            .collect(Collectors.toMap(AgreedPosting::postingId, Function.identity()));
    Map<UUID, Row> now =
        agreedOnce
            .now(
                opened.statementId(),
                was.postings().stream().map(AgreedPosting::entryNo).distinct().toList())
            .stream()
            .collect(
                Collectors.toMap(
                    Row::postingId, Function.identity(), (a, b) -> a, LinkedHashMap::new));
    ChainBreaks breaks = breaks(was, now, account);
    List<ChangedBy> by = agreedOnce.changedSince(opened.step(), touched(breaks));
    return new OpenedAgainJson(
        opened.at(),
        opened.who(),
        StatementReopening.because(opened.words()),
        Amount.ofMinor(was.closing(), currency).decimal(),
        breaks.breaks().stream()
            .map(one -> json(one, before.get(one.postingId()), standing(one, now), by(one, by)))
            .toList(),
        breaks.apart().decimal());
  }

  private ChainBreaks breaks(StatementJson.AgreedBefore was, Map<UUID, Row> now, Account account) {
    CurrencyUnit currency = account.currency();
    Set<UUID> atBank = Set.copyOf(charts.chart().atBank(account.id()));
    return ChainBreaks.of(
        currency,
        was.postings().stream()
            .map(p ->
                new Agreed(
                    p.postingId(),
                    p.entryNo(),
                    p.date(),
                    Amount.ofMinor(p.amountMinor(), currency)))
            .toList(),
        now.values().stream()
            .map(p ->
                new Now(
                    p.postingId(),
                    p.entryNo(),
                    p.date(),
                    Amount.ofMinor(p.amountMinor(), currency),
                    atBank.contains(p.accountId()),
                    p.ticked()))
            .toList());
  }

  private static @Nullable Row standing(Break one, Map<UUID, Row> now) {
    Now is = one.now();
    return is == null ? null : now.get(is.postingId());
  }

  private static List<UUID> touched(ChainBreaks breaks) {
    return breaks.breaks().stream().flatMap(one -> touched(one).stream()).distinct().toList();
  }

  /** The posting that was agreed, and the one that took its place. */
  private static List<UUID> touched(Break one) {
    Now now = one.now();
    return now == null ? List.of(one.postingId()) : List.of(one.postingId(), now.postingId());
  }

  /** The act that tells most of a break: of one that is only unticked, the unticking. */
  private static @Nullable ChangedBy by(Break one, List<ChangedBy> all) {
    boolean ticking = one.how() == How.UNTICKED || one.how() == How.ADDED;
    List<UUID> touched = touched(one);
    return all.stream()
        .filter(change -> touched.contains(change.postingId()))
        .max(
            Comparator.comparing((ChangedBy change) -> change.ticking() == ticking)
                .thenComparing(ChangedBy::at))
        .orElse(null);
  }

  private static BreakJson json(
      Break one, @Nullable AgreedPosting was, @Nullable Row now, @Nullable ChangedBy by) {
    Agreed agreed = one.agreed();
    Now is = one.now();
    return new BreakJson(
        one.postingId(),
        now == null ? null : now.postingId(),
        now == null ? null : now.entryId(),
        was == null ? Objects.requireNonNull(now).entryNo() : was.entryNo(),
        was == null ? Objects.requireNonNull(now).date() : was.date(),
        was == null ? Objects.requireNonNull(now).payee() : was.payee(),
        one.how(),
        agreed == null ? null : agreed.amount().decimal(),
        is == null ? null : is.amount().decimal(),
        agreed == null || is == null || agreed.date().equals(is.date()) ? null : is.date(),
        is != null && is.ticked(),
        one.change().decimal(),
        by == null ? null : new ChangedByJson(by.actId(), by.at(), by.who(), by.words()));
  }
}
