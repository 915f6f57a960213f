package org.yewledger.app.connection;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.AccountService;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;

/** Which account of the books the lines of an account at a bank go to. */
@Component
class AccountMapping {
  /**
   * What a person settles about an account at the bank. {@code newAccount} null: an existing one.
   */
  record Mapping(
      UUID connectedId,
      @Nullable UUID accountId,
      @Nullable NewAccount newAccount,
      LocalDate startOn) {}

  /** An account of the books to be made. */
  record NewAccount(UUID bookId, String name, AccountKind kind) {}

  private final EntityManager entities;
  private final AccountService accounts;
  private final HouseholdDays days;

  AccountMapping(EntityManager entities, AccountService accounts, HouseholdDays days) {
    this.entities = entities;
    this.accounts = accounts;
    this.days = days;
  }

  /**
   * The account for the lines: an existing one that fits, or a new one.
   *
   * @throws Refusal if currency, first day or another feed stands in the way; names the field
   */
  Account account(
      Mapping mapping, ConnectionEntity connection, ConnectedAccountEntity connected, Chart chart) {
    requireWithinHistory(mapping.startOn(), connection);
    Account account = made(mapping, connected, chart);
    requireFree(account, connected);
    return account;
  }

  private Account made(Mapping mapping, ConnectedAccountEntity connected, Chart chart) {
    NewAccount wanted = mapping.newAccount();
    if (wanted != null) {
      if (!wanted.kind().hasStatements()) {
        throw Refusal.ofField(
            "not-at-a-bank", "kind", "Choose a kind of account that is at a bank.");
      }
      String number = connected.number();
      String tail = number.substring(Math.max(0, number.length() - 4));
      var account =
          new Account(
              Ids.next(),
              chart.book(wanted.bookId()).toBook(),
              wanted.name(),
              wanted.kind(),
              connected.currency(),
              false,
              mapping.startOn());
      return accounts.add(chart, account, null, AccountFacts.ofTail(tail));
    }
    if (mapping.accountId() == null) {
      throw Refusal.ofField(
          "account-missing", "account", "Choose the account for " + connected.name() + ".");
    }
    Account account = chart.account(mapping.accountId());
    account.requireAtBank("account");
    if (!account.currency().equals(connected.currency())) {
      throw Refusal.ofField(
          "currency-differs",
          "account",
          "%s is in %s, %s in %s."
              .formatted(
                  connected.name(), connected.currency(), account.name(), account.currency()));
    }
    LocalDate opensOn = account.opensOn();
    if (opensOn != null && mapping.startOn().isBefore(opensOn)) {
      throw Refusal.ofField(
          "before-opening",
          "startOn",
          "The books of %s begin on %s. Start on that day or later."
              .formatted(account.name(), opensOn));
    }
    return account;
  }

  private void requireWithinHistory(LocalDate startOn, ConnectionEntity connection) {
    LocalDate today = days.today();
    LocalDate earliest = today.minusDays(connection.historyDays());
    if (startOn.isBefore(earliest) || startOn.isAfter(today)) {
      throw Refusal.ofField(
          "outside-history",
          "startOn",
          "%s hands out lines from %s to today.".formatted(connection.institutionName(), earliest));
    }
  }

  private void requireFree(Account account, ConnectedAccountEntity connected) {
    long others =
        entities
            .createQuery(
                """
                select count(*) from ConnectedAccount a join Connection c on c.id = a.connectionId
                where a.accountId = :account and a.id <> :id and c.status <> ENDED\
                """,
                Long.class)
            .setParameter("account", account.id())
            .setParameter("id", connected.id())
            .getSingleResult();
    if (others > 0) {
      throw Refusal.ofField(
          "account-connected",
          "account",
          account.name() + " is connected already. One account has one feed.");
    }
  }
}
