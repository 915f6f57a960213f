package org.yewledger.core.report;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;

import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.report.TrialBalance.AccountBalance;

public class TrialBalanceTest {
  @Test
  public void putsEachBalanceOnItsSideInTheOrderOfClasses() {
    TrialBalance trial =
        TrialBalance.of(
            List.of(
                new AccountBalance(SCHOOL, 0),
                new AccountBalance(GROCERIES, 700),
                new AccountBalance(CARD, -1200),
                new AccountBalance(CURRENT, 500)));
    assertEquals(
        trial.rows().stream().map(r -> r.account().name()).toList(),
        List.of("Harbour Current", "Quillon Card", "Groceries"));
    assertEquals(trial.debitMinor(), 1200);
    assertEquals(trial.creditMinor(), 1200);
    assertTrue(trial.balances());
  }

  @Test
  public void saysSoWhenDebitsAndCreditsDiffer() {
    assertFalse(TrialBalance.of(List.of(new AccountBalance(CURRENT, 1))).balances());
  }

  @Test
  public void theRegisterRunsBackFromTheNewestBalance() {
    assertEquals(
        RunningBalance.newestFirst(235_845, List.of(-1_640L, -3_439L, 300_000L)),
        List.of(235_845L, 237_485L, 240_924L));
  }
}
