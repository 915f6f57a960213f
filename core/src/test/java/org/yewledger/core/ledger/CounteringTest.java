package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.EQUITY;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.posting;

import java.time.LocalDate;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.ExchangeRates;

public class CounteringTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 4);
  private static final Entry ENTRY =
      new Entry(
          DAY,
          "Greengage Market",
          "weekly",
          Entry.Origin.BANK_LINE,
          List.of(
              posting(CURRENT, -4_820),
              posting(GROCERIES, 4_000),
              new Posting(SCHOOL, eur(820), "pens")),
          Marks.of("R-12", Method.CARD, List.of("fair")));

  @Test
  public void anEntryAndItsOppositeAddUpToNothing() {
    Entry opposite = Countering.REVERSAL.of(ENTRY, DAY.plusDays(10));
    for (int i = 0; i < ENTRY.postings().size(); i++) {
      Posting one = ENTRY.postings().get(i);
      Posting other = opposite.postings().get(i);
      assertEquals(other.account(), one.account());
      assertEquals(one.amount().minor() + other.amount().minor(), 0);
      assertEquals(one.value().minor() + other.value().minor(), 0);
    }
    assertEquals(opposite.date(), DAY.plusDays(10));
    assertEquals(opposite.marks(), ENTRY.marks());
    assertEquals(opposite.origin(), Entry.Origin.BY_HAND);
  }

  @Test
  public void aVoidIsOfTheSameDayWhateverIsSaid() {
    assertEquals(Countering.VOID.of(ENTRY, DAY.plusDays(10)).date(), DAY);
  }

  @Test
  public void nothingIsTakenBackBeforeItWas() {
    Refusal e = expectThrows(Refusal.class, () -> Countering.REVERSAL.of(ENTRY, DAY.minusDays(1)));
    assertEquals(e.code(), "reversal-before-entry");
  }

  @Test
  public void openingBalancesAreCorrectedOnTheirSheet() {
    Entry opening = Entry.opening(CURRENT, eur(5_000), EQUITY, ExchangeRates.NONE);
    Refusal e = expectThrows(Refusal.class, () -> Countering.VOID.of(opening, opening.date()));
    assertEquals(e.code(), "opening-by-sheet");
  }
}
