package org.yewledger.app.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.yewledger.app.chart.Chart;
import org.yewledger.core.ledger.Account;

/** Accounts as their banks see them: each with the set-asides in it. */
final class AtBank {
  private final Map<UUID, List<Account>> parts = new LinkedHashMap<>();
  private final Map<UUID, UUID> bankAccounts = new HashMap<>();

  private AtBank() {}

  /** Of all books. */
  static AtBank of(Chart chart) {
    AtBank atBank = new AtBank();
    chart
        .reconciledAccounts(null)
        .forEach(account -> {
          List<Account> parts = chart.atBank(account.id()).stream().map(chart::account).toList();
          atBank.parts.put(account.id(), parts);
          parts.forEach(part -> atBank.bankAccounts.put(part.id(), account.id()));
        });
    return atBank;
  }

  /** The account that an account is at its bank; itself if it is no set-aside. */
  UUID of(UUID id) {
    return bankAccounts.getOrDefault(id, id);
  }

  UUID of(Account account) {
    return of(account.id());
  }

  /** All accounts, their set-asides among them. */
  List<Account> all() {
    return parts.values().stream().flatMap(List::stream).toList();
  }

  /** Some accounts, with their set-asides. */
  List<Account> all(List<Account> accounts) {
    List<Account> all = new ArrayList<>();
    accounts.forEach(account -> all.addAll(Objects.requireNonNull(parts.get(account.id()))));
    return all;
  }
}
