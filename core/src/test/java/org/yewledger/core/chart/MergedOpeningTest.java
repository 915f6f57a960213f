package org.yewledger.core.chart;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.OPENS;
import static org.yewledger.core.Fixtures.account;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import org.testng.annotations.Test;
import org.yewledger.core.chart.MergedOpening.One;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;

public class MergedOpeningTest {
  private static final Account PURSE = account(BOOK, "Purse", AccountKind.CASH, OPENS);
  private static final Account JAR = account(BOOK, "Jar", AccountKind.CASH, OPENS);

  private static MergedOpening merged(
      Account into, Long balance, LocalDate first, LocalDate agreed) {
    return MergedOpening.of(
        new One(PURSE, eur(5_000)),
        new One(into, balance == null ? null : eur(balance)),
        first,
        agreed);
  }

  @Test
  public void balancesOfOneDayAddUp() {
    assertEquals(merged(JAR, 700L, null, null), new MergedOpening(OPENS, eur(5_700)));
    assertEquals(merged(JAR, null, OPENS, null), new MergedOpening(OPENS, eur(5_000)));
    assertEquals(
        merged(JAR.openingOn(null), null, null, null), new MergedOpening(OPENS, eur(5_000)));
  }

  @Test
  public void balancesOfDifferentDaysDoNot() {
    assertEquals(
        refusalOf(() -> merged(JAR.openingOn(OPENS.plusDays(1)), 700L, null, null)),
        "openings-differ");
  }

  @Test
  public void noEntryEndsUpBeforeTheOpeningAndNoStatementLosesWhatItBeganWith() {
    assertEquals(
        refusalOf(() -> merged(JAR.openingOn(null), null, OPENS.minusDays(1), null)),
        "before-opening");
    assertEquals(refusalOf(() -> merged(JAR, 700L, null, OPENS.plusDays(30))), "opening-agreed");
  }
}
