package org.yewledger.app.platform;

import java.util.UUID;
import org.hibernate.id.uuid.UuidVersion7Strategy;

/** New identifiers: UUID version 7 (RFC 9562), which sort by time and so keep indexes dense. */
public final class Ids {
  private Ids() {}

  public static UUID next() {
    return UuidVersion7Strategy.INSTANCE.generateUuid(null);
  }
}
