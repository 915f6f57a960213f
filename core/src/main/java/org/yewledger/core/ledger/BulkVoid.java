package org.yewledger.core.ledger;

import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import java.util.function.BiPredicate;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.BulkChange.Outcome;
import org.yewledger.core.ledger.BulkChange.Stays;
import org.yewledger.core.ledger.BulkChange.Voided;

/** Takes many entries back at once, each by its opposite on its own day. */
public final class BulkVoid {
  private BulkVoid() {}

  /**
   * What becomes of an entry. Of several at once, those that a statement has stay: an opposite
   * would stand open beside them, and that is for somebody to say of each. Cost: linear in the
   * postings.
   *
   * @param standing its postings, in their order
   * @param countered whether another entry takes it back, or it takes another one back
   * @param closed whether a month of a book is closed
   */
  public static Outcome of(
      Entry entry,
      List<Revision.Standing> standing,
      boolean countered,
      BiPredicate<UUID, YearMonth> closed) {
    if (countered) {
      return new Stays(
          "already-countered", "It was taken back already, or takes another one back.");
    }
    YearMonth month = YearMonth.from(entry.date());
    if (entry.postings().stream().anyMatch(p -> closed.test(p.account().bookId(), month))) {
      return new Stays("month-closed", "Its month is closed.");
    }
    if (standing.stream().anyMatch(Revision.Standing::ticked)) {
      return new Stays("reconciled", "It is ticked for a statement.");
    }
    try {
      return new Voided(Countering.VOID.of(entry, entry.date()));
    } catch (Refusal refusal) {
      return new Stays(refusal.code(), refusal.getMessage());
    }
  }
}
