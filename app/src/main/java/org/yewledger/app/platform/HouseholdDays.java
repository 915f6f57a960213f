package org.yewledger.app.platform;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.core.Refusal;

/** Days as the household lives them: its day begins where it lives, whatever the server's zone. */
@Component
public class HouseholdDays {
  private final JdbcClient jdbc;
  private final Clock clock;

  HouseholdDays(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Today where the household lives. Cost: a query by key. */
  @Transactional(propagation = Propagation.SUPPORTS)
  public LocalDate today() {
    return LocalDate.ofInstant(clock.instant(), zone());
  }

  /** The household's time zone; UTC until it has chosen one. */
  @Transactional(readOnly = true)
  public ZoneId zone() {
    return jdbc.sql("select time_zone from household where id = ?")
        .param(SignedIn.now().householdId())
        .query(String.class)
        .optional()
        .map(HouseholdDays::known)
        .orElse(ZoneOffset.UTC);
  }

  /**
   * The name of a zone as the IANA time zone database has it; UTC if none is said.
   *
   * @throws Refusal {@code unknown-zone}
   */
  public static String named(@Nullable String zone) {
    return zone == null || zone.isBlank() ? "Etc/UTC" : Zones.named(zone, "timeZone").getId();
  }

  /** A zone that this machine does not know any more must not stop anybody's work. */
  private static ZoneId known(String zone) {
    try {
      return ZoneId.of(zone);
    } catch (DateTimeException e) {
      return ZoneOffset.UTC;
    }
  }
}
