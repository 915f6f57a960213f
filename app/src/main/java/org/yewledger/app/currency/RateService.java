package org.yewledger.app.currency;

import java.math.BigDecimal;
import java.sql.Date;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.money.ExchangeRate;
import org.yewledger.core.money.ExchangeRates;

/** The household's dated exchange rates. */
@Service
public class RateService {
  private final JdbcClient jdbc;
  private final Acts acts;

  RateService(JdbcClient jdbc, Acts acts) {
    this.jdbc = jdbc;
    this.acts = acts;
  }

  /** All rates, newest first. */
  @Transactional(readOnly = true)
  public List<ExchangeRate> all() {
    return jdbc.sql(
            "select from_currency, to_currency, day, rate from exchange_rate where household_id = ? order by day desc, 1, 2")
        .param(SignedIn.now().householdId())
        .query(RateService::rate)
        .list();
  }

  @Transactional(readOnly = true)
  public ExchangeRates rates() {
    return new ExchangeRates(all());
  }

  /** Which they are, in one short text; the same for the same rates. */
  @Transactional(readOnly = true)
  public String state() {
    return jdbc.sql(
            """
            select count(*) || ',' || coalesce(sum(hashtextextended(from_currency || to_currency || day || rate, 0)), 0)
              from exchange_rate where household_id = ?\
            """)
        .param(SignedIn.now().householdId())
        .query(String.class)
        .single();
  }

  /** Keeps rates; one that is there for the same currencies and day is replaced. */
  @Transactional
  @ForBookkeepers
  public void keep(List<ExchangeRate> rates) {
    acts.begin(
        ActKind.EXCHANGE_RATES,
        rates.size() == 1
            ? "Kept the rate " + told(rates.getFirst())
            : "Kept %d rates".formatted(rates.size()));
    UUID household = SignedIn.now().householdId();
    for (ExchangeRate rate : rates) {
      jdbc.sql(
              """
              insert into exchange_rate (household_id, from_currency, to_currency, day, rate)
              values (?, ?, ?, ?, ?)
              on conflict (household_id, from_currency, to_currency, day) do update set rate = excluded.rate\
              """)
          .params(
              household,
              rate.from().getCode(),
              rate.to().getCode(),
              Date.valueOf(rate.day()),
              rate.rate())
          .update();
    }
  }

  @Transactional
  @ForBookkeepers
  public void remove(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    acts.begin(
        ActKind.EXCHANGE_RATES, "Removed the rate of %s to %s of %s".formatted(from, to, day));
    int removed =
        jdbc.sql(
                "delete from exchange_rate where household_id = ? and from_currency = ? and to_currency = ? and day = ?")
            .params(SignedIn.now().householdId(), from.getCode(), to.getCode(), Date.valueOf(day))
            .update();
    if (removed == 0) {
      throw new NotFound("rate");
    }
  }

  private static String told(ExchangeRate rate) {
    return "%s 1 %s = %s %s"
        .formatted(rate.day(), rate.from(), rate.rate().toPlainString(), rate.to());
  }

  private static ExchangeRate rate(ResultSet row, int no) throws SQLException {
    BigDecimal rate = row.getBigDecimal(4);
    return new ExchangeRate(
        CurrencyUnit.of(row.getString(1)),
        CurrencyUnit.of(row.getString(2)),
        row.getDate(3).toLocalDate(),
        rate.stripTrailingZeros());
  }
}
