package org.yewledger.app.payee;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.Map;
import java.util.UUID;

/** How often payees are used. The journal knows. */
public interface PayeeUse {
  /** How many entries each has; payees without entries are missing. Cost: linear in the entries. */
  Map<UUID, Integer> of(Collection<UUID> payeeIds);

  /**
   * How much each was met of late; payees without entries are missing. Cost: linear in the payees,
   * whatever the years.
   */
  Map<UUID, Lately> lately(Collection<UUID> payeeIds);

  /**
   * @param entries of the last twelve months, counted up to a hundred
   * @param newest the day of the newest entry
   */
  record Lately(int entries, LocalDate newest) {
    static final Lately NEVER = new Lately(0, LocalDate.MIN);
    static final Comparator<Lately> MOST_FIRST =
        Comparator.comparingInt(Lately::entries).thenComparing(Lately::newest).reversed();
  }
}
