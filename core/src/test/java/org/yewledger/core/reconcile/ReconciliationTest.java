package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.refusalOf;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;

public class ReconciliationTest {
  @Test
  public void isOneSum() {
    var sum = Reconciliation.of(241_806, List.of(333_775L, -332_476L), 240_965);
    assertEquals(sum.inMinor(), 333_775);
    assertEquals(sum.outMinor(), 332_476);
    assertEquals(sum.tickedMinor(), 243_105);
    assertEquals(sum.differenceMinor(), -2_140);
  }

  @Test
  public void finishesAtZeroAndAtNothingElse() {
    Reconciliation.of(100, List.of(50L, -30L), 120).requireAgreement(CurrencyUnit.EUR);
    for (long closing : new long[] {119, 121, -120, 0}) {
      var off = Reconciliation.of(100, List.of(50L, -30L), closing);
      assertEquals(refusalOf(() -> off.requireAgreement(CurrencyUnit.EUR)), "difference-not-zero");
    }
  }

  @Test
  public void tickingEverythingThatHappenedAlwaysAgrees() {
    var random = new Random(3);
    for (int round = 0; round < 300; round++) {
      long opening = random.nextInt(-100_000, 100_000);
      var amounts = new ArrayList<Long>();
      for (int i = 0; i < random.nextInt(60); i++) {
        amounts.add((long) random.nextInt(-50_000, 50_000));
      }
      long closing = opening + amounts.stream().mapToLong(a -> a).sum();
      assertEquals(Reconciliation.of(opening, amounts, closing).differenceMinor(), 0);
      if (!amounts.isEmpty()) {
        long missing = amounts.removeFirst();
        assertEquals(Reconciliation.of(opening, amounts, closing).differenceMinor(), missing);
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
