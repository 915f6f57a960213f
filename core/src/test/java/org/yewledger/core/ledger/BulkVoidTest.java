package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.posting;

import java.time.LocalDate;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.BulkChange.Outcome;
import org.yewledger.core.ledger.BulkChange.Stays;
import org.yewledger.core.ledger.BulkChange.Voided;

public class BulkVoidTest {
  private static final Entry SPENT =
      new Entry(
          LocalDate.of(2026, 9, 4),
          "Greengage Market",
          "weekly",
          Entry.Origin.BY_HAND,
          List.of(posting(CURRENT, -4820), posting(GROCERIES, 4820)),
          Marks.NONE);

  private static Outcome of(Entry entry, boolean ticked, boolean countered, boolean closed) {
    return BulkVoid.of(
        entry,
        entry.postings().stream().map(p -> new Revision.Standing(p, ticked, ticked)).toList(),
        countered,
        (book, month) -> closed);
  }

  private static String stays(Outcome outcome) {
    return outcome instanceof Stays(String code, String why) ? code : outcome.toString();
  }

  @Test
  public void anEntryIsTakenBackByItsOppositeOnItsDay() {
    assertTrue(
        of(SPENT, false, false, false) instanceof Voided(Entry opposite)
            && opposite.date().equals(SPENT.date())
            && opposite
                .postings()
                .equals(List.of(posting(CURRENT, 4820), posting(GROCERIES, -4820))));
  }

  @Test
  public void whatIsTickedClosedOrTakenBackStays() {
    assertEquals(stays(of(SPENT, true, false, false)), "reconciled");
    assertEquals(stays(of(SPENT, false, true, false)), "already-countered");
    assertEquals(stays(of(SPENT, false, false, true)), "month-closed");
    Entry opening =
        new Entry(
            SPENT.date(), SPENT.payee(), "", Entry.Origin.OPENING, SPENT.postings(), Marks.NONE);
    assertEquals(stays(of(opening, false, false, false)), "opening-by-sheet");
  }
}
