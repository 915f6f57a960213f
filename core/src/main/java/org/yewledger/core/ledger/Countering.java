package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.List;
import org.yewledger.core.Refusal;

/** How one entry takes another back; both stay in the books and add up to nothing. */
public enum Countering {
  /** On the same day: the entry should never have been. */
  VOID,
  /** On a later day: it was right, and is taken back since. */
  REVERSAL;

  /**
   * The opposite of an entry.
   *
   * @param on the day of the opposite; that of the entry for {@link #VOID}
   * @throws Refusal {@code reversal-before-entry}; {@code opening-by-sheet} for an opening balance
   */
  public Entry of(Entry entry, LocalDate on) {
    if (entry.origin() == Entry.Origin.OPENING) {
      throw Refusal.of(
          "opening-by-sheet",
          "An opening balance is corrected on the sheet of opening balances, with its day.");
    }
    if (on.isBefore(entry.date())) {
      throw Refusal.ofField(
          "reversal-before-entry",
          "date",
          "The entry is of %s; it cannot be taken back before that.".formatted(entry.date()));
    }
    List<Posting> opposite =
        entry.postings().stream()
            .map(p ->
                new Posting(
                    p.account(), p.amount().negated(), p.value().negated(), p.note(), p.tax()))
            .toList();
    return new Entry(
        this == VOID ? entry.date() : on,
        entry.payee(),
        entry.note(),
        Entry.Origin.BY_HAND,
        opposite,
        entry.marks());
  }
}
