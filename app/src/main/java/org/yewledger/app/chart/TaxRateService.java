package org.yewledger.app.chart;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;
import org.yewledger.core.tax.TaxRate;

/** The sales-tax rates of the books. */
@Service
public class TaxRateService {
  /** A rate as kept. */
  public record Kept(UUID id, UUID bookId, TaxRate rate) {}

  private record Row(
      UUID id, UUID bookId, String name, Date fromDay, java.math.BigDecimal percent) {}

  private final JdbcClient jdbc;
  private final ChartService charts;
  private final Acts acts;

  TaxRateService(JdbcClient jdbc, ChartService charts, Acts acts) {
    this.jdbc = jdbc;
    this.charts = charts;
    this.acts = acts;
  }

  /** All rates, by book and name. */
  @Transactional(readOnly = true)
  public List<Kept> all() {
    Map<UUID, List<Row>> byRate = new LinkedHashMap<>();
    jdbc.sql(
            """
            select r.id, r.book_id, r.name, s.from_day, s.percent from tax_rate r
            join tax_rate_step s on s.household_id = r.household_id and s.tax_rate_id = r.id
            order by r.book_id, lower(r.name), s.from_day\
            """)
        .query(Row.class)
        .list()
        .forEach(row -> byRate.computeIfAbsent(row.id(), id -> new ArrayList<>()).add(row));
    return byRate.values().stream().map(TaxRateService::kept).toList();
  }

  private static Kept kept(List<Row> rows) {
    Row first = rows.getFirst();
    List<TaxRate.Step> steps =
        rows.stream()
            .map(r -> new TaxRate.Step(r.fromDay().toLocalDate(), r.percent().stripTrailingZeros()))
            .toList();
    return new Kept(first.id(), first.bookId(), new TaxRate(first.name(), steps));
  }

  @Transactional
  @ForBookkeepers
  public Kept add(UUID bookId, TaxRate rate) {
    charts.chart().book(bookId);
    requireName(bookId, rate.name(), new UUID(0, 0));
    acts.begin(ActKind.TAX_RATES, "Added the tax rate " + rate.name());
    UUID id = Ids.next();
    jdbc.sql("insert into tax_rate (household_id, id, book_id, name) values (?, ?, ?, ?)")
        .params(SignedIn.now().householdId(), id, bookId, rate.name())
        .update();
    addSteps(id, rate);
    return new Kept(id, bookId, rate);
  }

  @Transactional
  @ForBookkeepers
  public void change(UUID id, TaxRate rate) {
    Kept before = find(id);
    requireName(before.bookId(), rate.name(), id);
    acts.begin(ActKind.TAX_RATES, "Changed the tax rate " + rate.name());
    jdbc.sql(
            "update tax_rate set name = ?, version = version + 1 where household_id = ? and id = ?")
        .params(rate.name(), SignedIn.now().householdId(), id)
        .update();
    removeSteps(id);
    addSteps(id, rate);
  }

  /**
   * @throws Refusal {@code tax-rate-used} while accounts have it as their default
   */
  @Transactional
  @ForBookkeepers
  public void remove(UUID id) {
    Kept before = find(id);
    List<String> users =
        jdbc.sql(
                "select name from account where household_id = ? and tax_rate_id = ? order by name")
            .params(SignedIn.now().householdId(), id)
            .query((row, no) -> String.valueOf(row.getString(1)))
            .list();
    if (charts.chart().books().anyMatch(book -> id.equals(book.usualTaxRateId()))) {
      throw Refusal.of(
          "tax-rate-used",
          "%s is the usual rate of its book. Choose another there first."
              .formatted(before.rate().name()));
    }
    if (!users.isEmpty()) {
      throw Refusal.of(
          "tax-rate-used",
          "%s is the rate of %s. Choose another there first."
              .formatted(before.rate().name(), String.join(", ", users)));
    }
    acts.begin(ActKind.TAX_RATES, "Removed the tax rate " + before.rate().name());
    removeSteps(id);
    jdbc.sql("delete from tax_rate where household_id = ? and id = ?")
        .params(SignedIn.now().householdId(), id)
        .update();
  }

  private void removeSteps(UUID id) {
    jdbc.sql("delete from tax_rate_step where household_id = ? and tax_rate_id = ?")
        .params(SignedIn.now().householdId(), id)
        .update();
  }

  /**
   * The tax in what is booked to an account on a day; empty where there is none.
   *
   * @throws Refusal as {@link SalesTaxes#on} does
   */
  @Transactional(readOnly = true)
  public Optional<TaxOnDay> on(UUID accountId, TaxChoice choice, LocalDate day) {
    Chart chart = charts.chart();
    return taxes(chart).on(chart.account(accountId), choice, day);
  }

  /** The sales tax of all books, as it bears on entries. */
  @Transactional(readOnly = true)
  public SalesTaxes taxes(Chart chart) {
    Map<UUID, SalesTaxes.Registration> registered = new HashMap<>();
    chart
        .books()
        .forEach(book -> {
          if (book.taxedFrom() != null) {
            registered.put(
                book.id(), new SalesTaxes.Registration(book.taxedFrom(), book.usualTaxRateId()));
          }
        });
    if (registered.isEmpty()) {
      return SalesTaxes.NONE;
    }
    Map<UUID, SalesTaxes.Rate> rates = new HashMap<>();
    all().forEach(kept -> rates.put(kept.id(), new SalesTaxes.Rate(kept.bookId(), kept.rate())));
    Map<UUID, UUID> ofAccounts = new HashMap<>();
    chart
        .accounts()
        .forEach(account -> {
          UUID rate = chart.facts(account.id()).taxRateId();
          if (rate != null) {
            ofAccounts.put(account.id(), rate);
          }
        });
    return new SalesTaxes(registered, rates, ofAccounts);
  }

  /**
   * @throws NotFound if the book has no such rate
   */
  public void requireOf(UUID id, UUID bookId) {
    if (!find(id).bookId().equals(bookId)) {
      throw new NotFound("tax rate");
    }
  }

  private Kept find(UUID id) {
    return all().stream()
        .filter(k -> k.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("tax rate"));
  }

  private void requireName(UUID bookId, String name, UUID except) {
    boolean taken =
        all().stream()
            .anyMatch(k ->
                k.bookId().equals(bookId)
                    && !k.id().equals(except)
                    && k.rate().name().equalsIgnoreCase(name));
    if (taken) {
      throw Refusal.ofField(
          "name-taken",
          "name",
          "The book already has a rate %s. Add a date to that.".formatted(name));
    }
  }

  private void addSteps(UUID id, TaxRate rate) {
    for (TaxRate.Step step : rate.steps()) {
      jdbc.sql(
              "insert into tax_rate_step (household_id, tax_rate_id, from_day, percent) values (?, ?, ?, ?)")
          .params(SignedIn.now().householdId(), id, Date.valueOf(step.from()), step.percent())
          .update();
    }
  }
}
