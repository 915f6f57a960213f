package org.yewledger.app.platform;

import java.time.ZoneId;
import java.util.Set;
import org.yewledger.core.Refusal;

/** Time zones by their names in the IANA time zone database. */
public final class Zones {
  private static final Set<String> NAMES = ZoneId.getAvailableZoneIds();

  private Zones() {}

  /**
   * @param field where the name was said
   * @throws Refusal {@code unknown-zone}
   */
  public static ZoneId named(String name, String field) {
    if (!NAMES.contains(name)) {
      throw Refusal.ofField("unknown-zone", field, name + " is no time zone that is known.");
    }
    return ZoneId.of(name);
  }
}
