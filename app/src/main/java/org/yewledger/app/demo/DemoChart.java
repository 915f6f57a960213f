package org.yewledger.app.demo;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import org.yewledger.core.ledger.Account;

/** The accounts made so far, by their names in the demo's chart. */
final class DemoChart {
  private final Map<String, Account> byName = new HashMap<>();

  void add(Account account) {
    byName.put(account.name(), account);
  }

  Account account(String name) {
    return Objects.requireNonNull(byName.get(name), name);
  }

  int size() {
    return byName.size();
  }
}
