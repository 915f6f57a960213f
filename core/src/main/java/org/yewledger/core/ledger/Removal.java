package org.yewledger.core.ledger;

import java.util.List;
import org.yewledger.core.Refusal;

/** Which entries may be taken out of the books; history tells of them all the same. */
public final class Removal {
  private Removal() {}

  /**
   * @param standing the postings of the entry, with what bank and statements say of them
   * @throws Refusal {@code opening-by-sheet}; {@code reconciled} or {@code line-linked}, naming the
   *     posting that holds it
   */
  public static void require(Entry.Origin origin, List<Revision.Standing> standing) {
    if (origin == Entry.Origin.OPENING) {
      throw Refusal.of(
          "opening-by-sheet",
          "An opening balance is corrected on the sheet of opening balances, with its day.");
    }
    for (Revision.Standing posting : standing) {
      if (posting.ticked()) {
        throw Refusal.of(
            "reconciled",
            "%s is ticked for a statement, so the entry stays. Void or reverse it instead."
                .formatted(posting.named()));
      }
      if (posting.atBank()) {
        throw Refusal.of(
            "line-linked",
            "A bank line confirms %s. Take the line back first.".formatted(posting.named()));
      }
    }
  }
}
