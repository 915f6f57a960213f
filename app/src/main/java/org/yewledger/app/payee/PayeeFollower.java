package org.yewledger.app.payee;

import java.util.UUID;

/** Something that refers to payees, and follows when one becomes part of another. */
public interface PayeeFollower {
  /** A payee as it is referred to. */
  record Payee(UUID id, String name) {}

  /** All that was of {@code from} is of {@code into} now; {@code from} goes in this transaction. */
  void merged(Payee from, Payee into);
}
