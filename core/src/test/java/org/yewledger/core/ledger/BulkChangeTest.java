package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import java.util.function.BiPredicate;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.BulkChange.Changed;
import org.yewledger.core.ledger.BulkChange.Outcome;
import org.yewledger.core.ledger.BulkChange.Same;
import org.yewledger.core.ledger.BulkChange.Stays;

public class BulkChangeTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 4);
  private static final BiPredicate<UUID, YearMonth> OPEN = (book, month) -> false;

  private static final Entry SPENT = entry(posting(CURRENT, -4820), posting(GROCERIES, 4820));

  private static Entry entry(Posting... postings) {
    return new Entry(
        DAY,
        "Greengage Market",
        "weekly",
        Entry.Origin.BY_HAND,
        List.of(postings),
        Marks.of("R-1", Method.CARD, List.of("Party", "garden")));
  }

  private static BulkChange change(@Nullable Account category, int days) {
    return new BulkChange("", category, List.of(), List.of(), days);
  }

  private static Outcome of(BulkChange change, Entry entry, boolean reconciled) {
    return change.of(
        entry,
        entry.postings().stream()
            .map(p -> new Revision.Standing(p, reconciled, reconciled && p.account() == CURRENT))
            .map(s ->
                s.posting().account() == CURRENT
                    ? s
                    : new Revision.Standing(s.posting(), false, false))
            .toList(),
        OPEN,
        LEDGER);
  }

  private static Entry after(Outcome outcome) {
    assertTrue(outcome instanceof Changed, outcome.toString());
    return ((Changed) outcome).revision().wanted();
  }

  private static String stays(Outcome outcome) {
    assertTrue(outcome instanceof Stays, outcome.toString());
    return ((Stays) outcome).code();
  }

  @Test
  public void onlyWhatIsSaidChanges() {
    Entry after = after(of(change(SCHOOL, 0), SPENT, false));
    assertEquals(after.postings(), List.of(posting(CURRENT, -4820), posting(SCHOOL, 4820)));
    assertEquals(after.date(), SPENT.date());
    assertEquals(after.payee(), SPENT.payee());
    assertEquals(after.note(), SPENT.note());
    assertEquals(after.marks(), SPENT.marks());
  }

  @Test
  public void tagsComeAndGoWhateverTheirCase() {
    var change =
        new BulkChange("Green Grocer ", null, List.of("fair"), List.of("PARTY", "none"), 0);
    Entry after = after(of(change, SPENT, false));
    assertEquals(after.marks().tags(), List.of("fair", "garden"));
    assertEquals(after.payee(), "Green Grocer");
    assertEquals(after.marks().reference(), "R-1");
    assertEquals(of(change, after, false), new Same());
  }

  @Test
  public void whatIsReconciledChangesOnlyWhereTheBankDoesNotSee() {
    after(of(change(SCHOOL, 0), SPENT, true));
    assertEquals(stays(of(change(null, 3), SPENT, true)), "reconciled");
    assertEquals(after(of(change(null, 3), SPENT, false)).date(), DAY.plusDays(3));
  }

  @Test
  public void oneOfSeveralCategoriesIsNotGuessed() {
    Entry split = entry(posting(CURRENT, -10), posting(GROCERIES, 4), posting(SCHOOL, 6));
    assertEquals(stays(of(change(SCHOOL, 0), split, false)), "several-categories");
    Entry twice = entry(posting(CURRENT, -10), posting(GROCERIES, 4), posting(GROCERIES, 6));
    assertEquals(
        after(of(change(SCHOOL, 0), twice, false)).postings(),
        List.of(posting(CURRENT, -10), posting(SCHOOL, 4), posting(SCHOOL, 6)));
    assertEquals(of(change(GROCERIES, 0), twice, false), new Same());
  }

  @Test
  public void aClosedMonthStaysBeforeAndBehind() {
    List<Revision.Standing> standing =
        SPENT.postings().stream().map(p -> new Revision.Standing(p, false, false)).toList();
    for (YearMonth closed : List.of(YearMonth.of(2026, 9), YearMonth.of(2026, 8))) {
      Outcome outcome =
          change(null, -10).of(SPENT, standing, (book, month) -> month.equals(closed), LEDGER);
      assertEquals(stays(outcome), "month-closed");
    }
  }

  @Test
  public void aChangeSaysWhatItChanges() {
    assertEquals(refusalOf(() -> change(null, 0)), "nothing-to-change");
    assertEquals(refusalOf(() -> change(null, 4_000)), "days-out-of-range");
    assertEquals(refusalOf(() -> change(CURRENT, 0)), "not-a-category");
  }
}
