package org.yewledger.app.worth;

import java.math.BigDecimal;
import java.sql.Date;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.worth.Security;

/** Keeps securities and their prices. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Securities {
  private final JdbcClient jdbc;

  Securities(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By their names. */
  List<Security> all() {
    return jdbc.sql(
            "select id, name, code, currency from security where household_id = ? order by lower(name)")
        .param(SignedIn.now().householdId())
        .query((row, at) ->
            new Security(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                Objects.requireNonNull(row.getString(2)),
                Objects.requireNonNull(row.getString(3)),
                CurrencyUnit.of(row.getString(4))))
        .list();
  }

  /**
   * @throws NotFound if the household has no such security
   */
  Security find(UUID id) {
    return all().stream()
        .filter(security -> security.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("security"));
  }

  void add(Security security) {
    jdbc.sql("insert into security (household_id, id, name, code, currency) values (?, ?, ?, ?, ?)")
        .params(
            SignedIn.now().householdId(),
            security.id(),
            security.name(),
            security.code(),
            security.currency().getCode())
        .update();
  }

  /** Prices that were told, by security and day. */
  Map<UUID, Map<LocalDate, BigDecimal>> prices() {
    Map<UUID, Map<LocalDate, BigDecimal>> prices = new HashMap<>();
    jdbc.sql("select security_id, day, price from price where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          prices
              .computeIfAbsent(row.getObject(1, UUID.class), id -> new HashMap<>())
              .put(
                  Objects.requireNonNull(row.getObject(2, LocalDate.class)),
                  row.getBigDecimal(3).stripTrailingZeros());
        });
    return prices;
  }

  /** In place of what was told of the day before. */
  void keepPrice(UUID securityId, LocalDate day, BigDecimal price) {
    jdbc.sql(
            """
            insert into price (household_id, security_id, day, price) values (?, ?, ?, ?)
            on conflict (household_id, security_id, day) do update set price = excluded.price\
            """)
        .params(SignedIn.now().householdId(), securityId, Date.valueOf(day), price)
        .update();
  }

  void removePrice(UUID securityId, LocalDate day) {
    jdbc.sql("delete from price where household_id = ? and security_id = ? and day = ?")
        .params(SignedIn.now().householdId(), securityId, Date.valueOf(day))
        .update();
  }
}
