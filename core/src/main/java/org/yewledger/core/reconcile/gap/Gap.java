package org.yewledger.core.reconcile.gap;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/**
 * What a statement and the ticked postings are apart, and all that may have to do with it. Amounts
 * are in minor units of the account's currency, money in above zero.
 *
 * @param difference the statement's closing balance less that of the ticked postings
 * @param openingApart what the statement opens with, less what the books do; 0 where it does not
 *     say, or they agree
 * @param ticked the postings that are ticked for the statement
 * @param open those up to its day that are not
 * @param waiting bank lines up to its day that are not posted
 */
public record Gap(
    long difference, long openingApart, List<Item> ticked, List<Item> open, List<Item> waiting) {

  /** A posting or a bank line. */
  public record Item(UUID id, LocalDate date, String payee, long minor) {}

  public Gap {
    ticked = List.copyOf(ticked);
    open = List.copyOf(open);
    waiting = List.copyOf(waiting);
  }
}
