package org.yewledger.app.connection;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.AgreedThrough;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.connection.ConnectionEntity.Status;
import org.yewledger.app.connection.ConnectionJson.ConnectedAccountJson;
import org.yewledger.app.connection.ConnectionJson.ConnectionDetailsJson;
import org.yewledger.app.connection.ConnectionJson.ScheduleJson;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** Connections as a person sees them: health, progress, and what bank and books say. */
@Component
public class ConnectionView {
  /** So many days before a consent ends it is announced. */
  private static final int ANNOUNCED = 7;

  private final ConnectionService connections;
  private final ChartService charts;
  private final AccountBalances balances;
  private final AgreedThrough agreed;

  ConnectionView(
      ConnectionService connections,
      ChartService charts,
      AccountBalances balances,
      AgreedThrough agreed) {
    this.agreed = agreed;
    this.connections = connections;
    this.charts = charts;
    this.balances = balances;
  }

  /** A connection whose consent has ended or ends within the days announced. */
  public record ConsentEnding(String institution, int daysLeft) {}

  @Transactional(readOnly = true)
  List<ConnectionDetailsJson> all() {
    Chart chart = charts.chart();
    Map<UUID, LocalDate> agreedThrough = agreed.byAccount();
    return connections.all().stream().map(c -> details(c, chart, agreedThrough)).toList();
  }

  /** The consents that want to be renewed, the most urgent first. */
  @Transactional(readOnly = true)
  public List<ConsentEnding> ending() {
    return connections.all().stream()
        .filter(this::needsYou)
        .map(c -> new ConsentEnding(c.institutionName(), daysLeft(c)))
        .sorted(Comparator.comparingInt(ConsentEnding::daysLeft))
        .toList();
  }

  private boolean needsYou(ConnectionEntity connection) {
    return connection.status() == Status.NEEDS_CONSENT
        || connection.status() == Status.ACTIVE && daysLeft(connection) <= ANNOUNCED;
  }

  private int daysLeft(ConnectionEntity connection) {
    return (int) connections.today().until(connection.consentUntil(), ChronoUnit.DAYS);
  }

  private ConnectionDetailsJson details(
      ConnectionEntity c, Chart chart, Map<UUID, LocalDate> agreedThrough) {
    return new ConnectionDetailsJson(
        c.id(),
        c.institutionName(),
        c.town(),
        c.bic(),
        c.historyDays(),
        c.status(),
        c.consentUntil(),
        daysLeft(c),
        needsYou(c),
        ScheduleJson.of(c.schedule()),
        connections.accountsOf(c.id()).stream()
            .map(a -> account(a, c, chart, agreedThrough))
            .toList());
  }

  private ConnectedAccountJson account(
      ConnectedAccountEntity a,
      ConnectionEntity connection,
      Chart chart,
      Map<UUID, LocalDate> agreedThrough) {
    UUID accountId = a.accountId();
    Account account = accountId == null ? null : chart.account(accountId);
    Account suggested = account != null ? account : suggested(a, chart);
    LocalDate earliest = connections.today().minusDays(connection.historyDays());
    LocalDate on = a.bankOn();
    Long books =
        account == null || on == null ? null : (Long) balances.whole(account, on).amount().minor();
    Long bank = a.bankMinor();
    return new ConnectedAccountJson(
        a.id(),
        a.number(),
        a.name(),
        a.kind(),
        a.currency().getCode(),
        accountId,
        account == null ? null : account.name(),
        suggested == null ? null : suggested.id(),
        earliest,
        suggestedStart(suggested, earliest, agreedThrough),
        a.startOn(),
        a.phase(),
        a.linesSoFar(),
        a.lastNewLines(),
        a.problem(),
        a.nextTryAt(),
        a.syncedAt(),
        a.bankOn(),
        decimal(bank, a),
        decimal(books, a),
        bank == null || books == null ? null : decimal(bank - books, a));
  }

  /** The first day that the books still need: what is agreed is not fetched again. */
  private static LocalDate suggestedStart(
      @Nullable Account account, LocalDate earliest, Map<UUID, LocalDate> agreedThrough) {
    if (account == null) {
      return earliest;
    }
    LocalDate agreedOn = agreedThrough.get(account.id());
    LocalDate opensOn = account.opensOn();
    return Stream.of(earliest, opensOn, agreedOn == null ? null : agreedOn.plusDays(1))
        .filter(Objects::nonNull)
        .max(Comparator.naturalOrder())
        .orElse(earliest);
  }

  private static @Nullable Account suggested(ConnectedAccountEntity a, Chart chart) {
    List<Account> alike =
        chart
            .bankAccounts(null)
            .filter(b -> b.currency().equals(a.currency()))
            .filter(b -> !chart.tail(b.id()).isEmpty())
            .filter(b -> a.number().endsWith(chart.tail(b.id())))
            .toList();
    return alike.size() == 1 ? alike.getFirst() : null;
  }

  private static @Nullable BigDecimal decimal(@Nullable Long minor, ConnectedAccountEntity a) {
    return minor == null ? null : Amount.ofMinor(minor, a.currency()).decimal();
  }
}
