package org.yewledger.app.chart;

import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;

/** How far each account agrees with its statements. Reconciling knows. */
public interface AgreedThrough {
  /** The closing day of the last finished statement, by account; missing where there is none. */
  Map<UUID, LocalDate> byAccount();
}
