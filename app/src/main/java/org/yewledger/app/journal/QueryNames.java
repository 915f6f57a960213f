package org.yewledger.app.journal;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.payee.PayeeNames;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.journal.NamedBy;
import org.yewledger.core.journal.Sought;
import org.yewledger.core.ledger.Account;

/** What the names in a journal query mean in the household. */
@Component
class QueryNames {
  private record Tag(UUID id, String name) {}

  private final ChartService charts;
  private final PayeeNames payees;
  private final StatementDays statements;
  private final TaxRateService rates;
  private final JdbcClient jdbc;

  QueryNames(
      ChartService charts,
      PayeeNames payees,
      StatementDays statements,
      TaxRateService rates,
      JdbcClient jdbc) {
    this.charts = charts;
    this.payees = payees;
    this.statements = statements;
    this.rates = rates;
    this.jdbc = jdbc;
  }

  List<UUID> payees(String part) {
    return NamedBy.meant(part, payees.having(part), PayeeNames.Named::names).stream()
        .map(PayeeNames.Named::id)
        .toList();
  }

  List<UUID> payeesHaving(String part) {
    return payees.having(part).stream().map(PayeeNames.Named::id).toList();
  }

  List<UUID> accounts(String part, Sought.Which which) {
    return ids(NamedBy.meant(part, among(which), QueryNames::names));
  }

  List<UUID> accountsHaving(String part) {
    return ids(NamedBy.having(part, among(Sought.Which.ANY), QueryNames::names));
  }

  List<UUID> tags(String name) {
    return NamedBy.meant(name, tags(), t -> List.of(t.name())).stream().map(Tag::id).toList();
  }

  List<UUID> tagsHaving(String part) {
    return NamedBy.having(part, tags(), t -> List.of(t.name())).stream().map(Tag::id).toList();
  }

  List<UUID> books(String part) {
    return NamedBy.meant(part, charts.chart().books().toList(), b -> List.of(b.name())).stream()
        .map(BookEntity::id)
        .toList();
  }

  /** The accounts that statements come for: what stands there is open until it is seen there. */
  List<UUID> banks() {
    return ids(accounts(a -> a.kind().hasStatements()).toList());
  }

  List<UUID> unfinishedStatements() {
    return statements.unfinished();
  }

  /** The currencies of the books, in which movements are. */
  Set<CurrencyUnit> currencies() {
    return charts.chart().books().map(b -> b.toBook().currency()).collect(Collectors.toSet());
  }

  List<UUID> accountsIn(CurrencyUnit currency) {
    return ids(accounts(a -> a.currency().equals(currency)).toList());
  }

  /** The names of the household that a value of the field may be, those with the part in them. */
  List<String> accountNames(String part, Sought.Which which) {
    return NamedBy.having(part, among(which), QueryNames::names).stream()
        .map(Account::name)
        .distinct()
        .toList();
  }

  /** Payees with the part in their names, those met most of late first. */
  List<String> payeeNames(String part, int most) {
    return payees.metMost(part, most).stream().map(PayeeNames.Named::name).toList();
  }

  List<String> tagNames(String part) {
    return NamedBy.having(part, tags(), t -> List.of(t.name())).stream().map(Tag::name).toList();
  }

  List<String> bookNames(String part) {
    return NamedBy.having(part, charts.chart().books().toList(), b -> List.of(b.name())).stream()
        .map(BookEntity::name)
        .toList();
  }

  List<UUID> rates(String part) {
    return NamedBy.meant(part, rates.all(), r -> List.of(r.rate().name())).stream()
        .map(TaxRateService.Kept::id)
        .toList();
  }

  List<String> rateNames(String part) {
    return NamedBy.having(part, rates.all(), r -> List.of(r.rate().name())).stream()
        .map(r -> r.rate().name())
        .distinct()
        .toList();
  }

  private List<Account> among(Sought.Which which) {
    return accounts(a -> which != Sought.Which.CATEGORY || a.accountClass().isCategory()).toList();
  }

  private Stream<Account> accounts(Predicate<Account> that) {
    return charts.chart().accounts().filter(a -> !a.group()).filter(that);
  }

  private List<Tag> tags() {
    return jdbc.sql("select id, name from tag where household_id = ? order by lower(name)")
        .param(SignedIn.now().householdId())
        .query((row, no) -> new Tag(row.getObject(1, UUID.class), row.getString(2)))
        .list();
  }

  private static Collection<String> names(Account account) {
    return List.of(account.name());
  }

  private static List<UUID> ids(Collection<Account> accounts) {
    return accounts.stream().map(Account::id).toList();
  }
}
