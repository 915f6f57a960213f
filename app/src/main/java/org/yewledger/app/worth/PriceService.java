package org.yewledger.app.worth;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.worth.Prices;
import org.yewledger.core.worth.Security;
import org.yewledger.formats.table.PriceTable;

/** Keeps prices of securities, one by one or from a table. */
@Service
public class PriceService {
  private final Securities securities;
  private final Acts acts;

  PriceService(Securities securities, Acts acts) {
    this.securities = securities;
    this.acts = acts;
  }

  /**
   * @throws NotFound if the household has no such security
   * @throws Refusal {@code bad-price}
   */
  @Transactional
  @ForBookkeepers
  public void keepPrice(UUID securityId, LocalDate day, BigDecimal price) {
    Security security = securities.find(securityId);
    BigDecimal good = Prices.require(price);
    acts.begin(
        ActKind.WORTH,
        "Kept the price of %s on %s, %s".formatted(security.name(), day, good.toPlainString()));
    securities.keepPrice(securityId, day, good);
  }

  @Transactional
  @ForBookkeepers
  void removePrice(UUID securityId, LocalDate day) {
    Security security = securities.find(securityId);
    acts.begin(ActKind.WORTH, "Took the price of %s on %s out".formatted(security.name(), day));
    securities.removePrice(securityId, day);
  }

  /**
   * Keeps all prices of a table, or none.
   *
   * @return how many
   * @throws BadRows with every row that is no price of a known security
   */
  @Transactional
  @ForBookkeepers
  int keepPrices(byte[] table) {
    Map<String, Security> known = new HashMap<>();
    for (Security security : securities.all()) {
      known.put(security.name().toLowerCase(Locale.ROOT), security);
      if (!security.code().isEmpty()) {
        known.put(security.code().toLowerCase(Locale.ROOT), security);
      }
    }
    List<PriceTable.Row> rows = PriceTable.read(table);
    List<BadRows.Problem> problems =
        rows.stream()
            .filter(row -> !known.containsKey(row.security().toLowerCase(Locale.ROOT)))
            .map(row ->
                new BadRows.Problem(
                    row.line(),
                    "security",
                    "“%s” is no security here. Make it first.".formatted(row.security())))
            .toList();
    if (!problems.isEmpty()) {
      throw new BadRows(problems);
    }
    acts.begin(ActKind.WORTH, "Kept %d prices of a table".formatted(rows.size()));
    for (PriceTable.Row row : rows) {
      Security security = known.get(row.security().toLowerCase(Locale.ROOT));
      if (security != null) {
        securities.keepPrice(security.id(), row.day(), row.price());
      }
    }
    return rows.size();
  }
}
