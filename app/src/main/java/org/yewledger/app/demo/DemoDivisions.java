package org.yewledger.app.demo;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.plan.Division;
import org.yewledger.core.plan.SetAsides;
import org.yewledger.demo.DemoSetAsides;

/** Divides a month's pay over the Aldercotts' purposes. */
final class DemoDivisions {
  private DemoDivisions() {}

  static Entry of(YearMonth month, DemoChart chart) {
    Account account = chart.account(DemoSetAsides.ACCOUNT);
    Amount none = Amount.zero(account.currency());
    Map<UUID, Amount> placed = new HashMap<>();
    List<SetAsides.Purpose> purposes = new ArrayList<>();
    for (DemoSetAsides.Purpose purpose : DemoSetAsides.purposes()) {
      Account of = chart.account(purpose.name());
      purposes.add(new SetAsides.Purpose(of, none));
      placed.put(of.id(), Amount.of(purpose.monthly(), account.currency()));
    }
    Amount all = Amount.sum(account.currency(), placed.values());
    return new Division(new SetAsides(account, none, purposes), all, placed)
        .entry(DemoSetAsides.dividedOn(month));
  }
}
