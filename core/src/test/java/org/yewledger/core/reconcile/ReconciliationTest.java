package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.money.Amount;

public class ReconciliationTest {
  @Test
  public void isOneSum() {
    var sum = Reconciliation.of(eur(241_806), List.of(eur(333_775), eur(-332_476)), eur(240_965));
    assertEquals(sum.in(), eur(333_775));
    assertEquals(sum.out(), eur(332_476));
    assertEquals(sum.ticked(), eur(243_105));
    assertEquals(sum.difference().minor(), -2_140);
  }

  @Test
  public void finishesAtZeroAndAtNothingElse() {
    Reconciliation.of(eur(100), List.of(eur(50), eur(-30)), eur(120)).requireAgreement();
    for (long closing : new long[] {119, 121, -120, 0}) {
      var off = Reconciliation.of(eur(100), List.of(eur(50), eur(-30)), eur(closing));
      assertEquals(refusalOf(() -> off.requireAgreement()), "difference-not-zero");
    }
  }

  @Test
  public void tickingEverythingThatHappenedAlwaysAgrees() {
    var random = new Random(3);
    for (int round = 0; round < 300; round++) {
      long opening = random.nextInt(-100_000, 100_000);
      var amounts = new ArrayList<Amount>();
      for (int i = 0; i < random.nextInt(60); i++) {
        amounts.add(eur(random.nextInt(-50_000, 50_000)));
      }
      long closing = opening + amounts.stream().mapToLong(Amount::minor).sum();
      assertEquals(Reconciliation.of(eur(opening), amounts, eur(closing)).difference().minor(), 0);
      if (!amounts.isEmpty()) {
        long missing = amounts.removeFirst().minor();
        assertEquals(
            Reconciliation.of(eur(opening), amounts, eur(closing)).difference().minor(), missing);
      }
    }
  }

  @Test
  public void aPostingIsOpenThenClearedThenReconciled() {
    assertEquals(PostingState.of(false, false, false), PostingState.OPEN);
    assertEquals(PostingState.of(true, false, false), PostingState.CLEARED);
    assertEquals(PostingState.of(false, true, false), PostingState.CLEARED);
    assertEquals(PostingState.of(true, true, true), PostingState.RECONCILED);
  }
}
