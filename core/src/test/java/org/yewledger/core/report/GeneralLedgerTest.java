package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.report.GeneralLedger.Row;

public class GeneralLedgerTest {
  private static Row row(Account account, long before, long debit, long credit) {
    return new Row(account, eur(before), eur(debit), eur(credit));
  }

  @Test
  public void whatStandsAfterIsWhatStoodBeforeAndWhatMoved() {
    GeneralLedger ledger =
        GeneralLedger.of(
            CurrencyUnit.EUR,
            List.of(
                row(GROCERIES, 500, 4_000, 100),
                row(CARD, -2_000, 0, 3_900),
                row(SCHOOL, 0, 0, 0),
                row(CURRENT, 1_000, 0, 0)));
    assertEquals(
        ledger.rows().stream().map(r -> r.account().name()).toList(),
        List.of(CURRENT.name(), CARD.name(), GROCERIES.name()));
    assertEquals(ledger.rows().getLast().after(), eur(4_400));
    assertEquals(ledger.rows().get(1).after(), eur(-5_900));
    assertEquals(ledger.debit(), eur(4_000));
    assertTrue(ledger.balances());
  }

  @Test
  public void oneSideTooManyIsSeen() {
    assertFalse(GeneralLedger.of(CurrencyUnit.EUR, List.of(row(CURRENT, 0, 1, 0))).balances());
  }
}
