package org.yewledger.app.act;

import java.util.Collection;
import java.util.Map;

/**
 * Says by name what changed rows say by identity, so that history reads as it was. Whose table the
 * identity leads to knows the names.
 */
public interface NamedRows {
  /** The column with identities, such as {@code payee_id}. */
  String column();

  /** The names, by identity; what is not there any more is missing. */
  Map<String, String> names(Collection<String> ids);
}
