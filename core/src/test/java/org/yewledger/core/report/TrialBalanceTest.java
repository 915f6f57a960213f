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
import org.testng.annotations.Test;
import org.yewledger.core.report.TrialBalance.AccountBalance;

public class TrialBalanceTest {
  @Test
  public void putsEachBalanceOnItsSideInTheOrderOfClasses() {
    TrialBalance trial =
        TrialBalance.of(
            CURRENT.currency(),
            List.of(
                new AccountBalance(SCHOOL, eur(0)),
                new AccountBalance(GROCERIES, eur(700)),
                new AccountBalance(CARD, eur(-1200)),
                new AccountBalance(CURRENT, eur(500))));
    assertEquals(
        trial.rows().stream().map(r -> r.account().name()).toList(),
        List.of("Harbour Current", "Quillon Card", "Groceries"));
    assertEquals(trial.debit().minor(), 1200);
    assertEquals(trial.credit().minor(), 1200);
    assertTrue(trial.balances());
  }

  @Test
  public void categoriesBeginTheirYearAnewAndEquityHasWhatEarlierYearsCameTo() {
    TrialBalance trial =
        TrialBalance.of(
            CURRENT.currency(),
            List.of(
                new AccountBalance(CURRENT, eur(-1000), eur(-700)),
                new AccountBalance(GROCERIES, eur(800), eur(500)),
                new AccountBalance(SCHOOL, eur(200), eur(200))));
    assertEquals(
        trial.rows().stream().map(r -> r.account().name()).toList(),
        List.of("Harbour Current", "Groceries"));
    assertEquals(trial.rows().getLast().debit(), eur(300));
    assertEquals(trial.earlier(), eur(700));
    assertEquals(trial.debit(), eur(1000));
    assertTrue(trial.balances());
  }

  @Test
  public void saysSoWhenDebitsAndCreditsDiffer() {
    assertFalse(
        TrialBalance.of(CURRENT.currency(), List.of(new AccountBalance(CURRENT, eur(1))))
            .balances());
  }

  @Test
  public void theRegisterRunsBackFromTheNewestBalance() {
    assertEquals(
        RunningBalance.newestFirst(eur(235_845), List.of(eur(-1_640), eur(-3_439), eur(300_000))),
        List.of(eur(235_845), eur(237_485), eur(240_924)));
  }
}
