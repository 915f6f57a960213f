package org.yewledger.app.journal;

import java.util.UUID;

/** Something that refers to entries, and follows when one becomes part of another. */
public interface EntryFollower {
  /**
   * All that was of {@code gone} is of {@code stays} now; {@code gone} goes in this transaction.
   */
  void merged(UUID gone, UUID stays);
}
