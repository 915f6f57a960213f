package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Revision.Standing;

public class RemovalTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 4);

  private static List<Standing> postings(boolean atBank, boolean ticked) {
    return List.of(
        new Standing(posting(CURRENT, -100), atBank, ticked),
        new Standing(posting(GROCERIES, 100), false, false));
  }

  @Test
  public void whatNobodyHoldsGoesAndTheRestStays() {
    Removal.require(Entry.Origin.BY_HAND, postings(false, false));
    assertEquals(
        refusalOf(() -> Removal.require(Entry.Origin.BY_HAND, postings(true, false))),
        "line-linked");
    assertEquals(
        refusalOf(() -> Removal.require(Entry.Origin.BY_HAND, postings(false, true))),
        "reconciled");
    assertEquals(
        refusalOf(() -> Removal.require(Entry.Origin.OPENING, postings(false, false))),
        "opening-by-sheet");
  }

  /** Written again, an entry over two books balances in both, without its reference. */
  @Test
  public void anEntryIsWrittenAgainOnAnotherDay() {
    var draft =
        new Draft(
            DAY,
            "Lampblack Inks",
            "two tins",
            List.of(
                new Draft.Line(CURRENT, posting(CURRENT, -4840).amount(), ""),
                new Draft.Line(PAPER, posting(PAPER, 4840).amount(), "ink")),
            Marks.of("R-1", Method.CARD, List.of("fair")));
    Entry first = draft.entry(Entry.Origin.BY_HAND, List.of(), LEDGER);
    assertEquals(first.postings().size(), 4);
    Draft again = Draft.again(first, DAY.plusDays(30));
    Entry second = again.entry(Entry.Origin.BY_HAND, List.of(), LEDGER);
    assertEquals(second.date(), DAY.plusDays(30));
    assertEquals(second.postings(), first.postings());
    assertEquals(second.marks(), Marks.of("", Method.CARD, List.of("fair")));
  }
}
