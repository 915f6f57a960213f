package org.yewledger.app.gather;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;

/** Finds the account that a file is for by the number inside it. */
@Component
class FileRouting {
  /** Fewer digits than these say nothing. */
  private static final int SHORTEST_TAIL = 3;

  /** How the account of a file was found. */
  enum Why {
    CHOSEN,
    REMEMBERED,
    NUMBER,
    LAYOUT
  }

  record Route(Account account, Why why) {}

  private final JdbcClient jdbc;

  FileRouting(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * The account chosen for this number before, or the only one whose number ends like it.
   *
   * @param currency of the file, null if it names none
   */
  Optional<Route> of(Chart chart, String number, @Nullable CurrencyUnit currency) {
    if (number.isEmpty()) {
      return Optional.empty();
    }
    Optional<Account> remembered =
        jdbc.sql("select account_id from file_route where household_id = ? and account_number = ?")
            .params(SignedIn.now().householdId(), number)
            .query(UUID.class)
            .optional()
            .flatMap(id -> chart.bankAccounts(null).filter(a -> a.id().equals(id)).findFirst());
    if (remembered.isPresent()) {
      return remembered.map(a -> new Route(a, Why.REMEMBERED));
    }
    List<Account> candidates =
        chart
            .bankAccounts(null)
            .filter(a -> endsLike(chart.tail(a.id()), number))
            .filter(a -> currency == null || a.currency().equals(currency))
            .toList();
    return candidates.size() == 1
        ? Optional.of(new Route(candidates.getFirst(), Why.NUMBER))
        : Optional.empty();
  }

  /** Whether the number of a file is of another account than this one, as far as it is known. */
  boolean isOfAnother(Chart chart, Account account, String number) {
    String tail = chart.tail(account.id());
    return !number.isEmpty() && tail.length() >= SHORTEST_TAIL && !endsLike(tail, number);
  }

  void keep(String number, UUID accountId) {
    if (!number.isEmpty()) {
      jdbc.sql(
              """
              insert into file_route (household_id, account_number, account_id) values (?, ?, ?)
              on conflict (household_id, account_number) do update set account_id = excluded.account_id\
              """)
          .params(SignedIn.now().householdId(), number, accountId)
          .update();
    }
  }

  private static boolean endsLike(String tail, String number) {
    return tail.length() >= SHORTEST_TAIL && number.endsWith(tail);
  }
}
