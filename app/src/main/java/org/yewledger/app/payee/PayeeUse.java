package org.yewledger.app.payee;

import java.util.Collection;
import java.util.Map;
import java.util.UUID;

/** How often payees are used. The journal knows. */
public interface PayeeUse {
  /** How many entries each has; payees without entries are missing. Cost: linear in the entries. */
  Map<UUID, Integer> of(Collection<UUID> payeeIds);
}
