package org.yewledger.app.chart;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.BookService.BookFacts;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.chart.StarterChart;
import org.yewledger.core.ledger.FiscalYear;
import org.yewledger.core.money.Currencies;
import org.yewledger.core.report.ReturnPeriod;
import org.yewledger.core.tax.TaxRate;

/** Books with their fiscal year and sales tax, and the currencies to choose from. */
@RestController
@Tag(name = "books")
class BookController {
  /** A fiscal year that a book is in. */
  record FiscalYearJson(String label, LocalDate first, LocalDate last) {}

  /** {@code fiscalYearStartsIn} is a month, from 1 to 12. */
  record BookJson(
      UUID id,
      int version,
      String name,
      String currency,
      int fiscalYearStartsIn,
      FiscalYearJson fiscalYear,
      String taxNumber,
      @Nullable LocalDate taxedFrom,
      @Nullable UUID usualTaxRateId,
      ReturnPeriod taxPeriod) {}

  record NewBookJson(
      @NotNull @Size(max = Texts.NAME) String name,
      @NotNull @Size(max = Texts.SHORT) String currency,
      @Min(1) @Max(12) int fiscalYearStartsIn,
      @NotNull StarterChart starter) {}

  record BookFactsJson(
      @NotNull @Size(max = Texts.NAME) String name,
      @Min(1) @Max(12) int fiscalYearStartsIn,
      @NotNull @Size(max = Texts.SHORT) String taxNumber,
      @Nullable LocalDate taxedFrom,
      @Nullable UUID usualTaxRateId,
      @NotNull ReturnPeriod taxPeriod) {}

  record TaxStepJson(@NotNull LocalDate from, @NotNull BigDecimal percent) {}

  /** {@code percent} is the one of today; null if none holds yet. */
  record TaxRateJson(
      UUID id, UUID bookId, String name, @Nullable BigDecimal percent, List<TaxStepJson> steps) {}

  record TaxRateDraftJson(
      @NotNull UUID bookId,
      @NotNull @Size(max = Texts.NAME) String name,
      @NotEmpty List<@Valid TaxStepJson> steps) {
    TaxRate toRate() {
      return new TaxRate(
          name, steps.stream().map(s -> new TaxRate.Step(s.from(), s.percent())).toList());
    }
  }

  record CurrencyJson(String code, String name, int decimals) {}

  private final ChartService charts;
  private final BookService books;
  private final TaxRateService taxRates;
  private final HouseholdDays days;

  BookController(
      ChartService charts, BookService books, TaxRateService taxRates, HouseholdDays days) {
    this.charts = charts;
    this.books = books;
    this.taxRates = taxRates;
    this.days = days;
  }

  /** The books, with their currency, fiscal year and sales tax. */
  @GetMapping("/api/books")
  List<BookJson> books() {
    return charts.chart().books().map(this::json).toList();
  }

  /** Makes a book with a starter chart. */
  @PostMapping("/api/books")
  @ResponseStatus(HttpStatus.CREATED)
  ChartJson.MadeJson add(@Valid @RequestBody NewBookJson draft) {
    return new ChartJson.MadeJson(
        books
            .add(
                draft.name(),
                Currencies.of(draft.currency(), "currency"),
                Month.of(draft.fiscalYearStartsIn()),
                draft.starter().groups())
            .id());
  }

  /** Changes what a book is called, its fiscal year and its sales tax. */
  @PutMapping("/api/books/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(
      @PathVariable UUID id, @RequestParam int version, @Valid @RequestBody BookFactsJson facts) {
    books.change(
        id,
        new BookFacts(
            facts.name(),
            Month.of(facts.fiscalYearStartsIn()),
            facts.taxNumber(),
            facts.taxedFrom(),
            facts.usualTaxRateId(),
            facts.taxPeriod()),
        version);
  }

  /** The sales-tax rates of the books, each with its steps. */
  @GetMapping("/api/tax-rates")
  List<TaxRateJson> taxRates() {
    return taxRates.all().stream().map(this::json).toList();
  }

  /** Adds a sales-tax rate. */
  @PostMapping("/api/tax-rates")
  @ResponseStatus(HttpStatus.CREATED)
  TaxRateJson addRate(@Valid @RequestBody TaxRateDraftJson draft) {
    return json(taxRates.add(draft.bookId(), draft.toRate()));
  }

  /** Changes the name and the steps of a rate. */
  @PutMapping("/api/tax-rates/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void changeRate(@PathVariable UUID id, @Valid @RequestBody TaxRateDraftJson draft) {
    taxRates.change(id, draft.toRate());
  }

  /** Removes a rate that nothing was taxed at. */
  @DeleteMapping("/api/tax-rates/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeRate(@PathVariable UUID id) {
    taxRates.remove(id);
  }

  /** The currencies of ISO 4217, as the JDK knows them. */
  @GetMapping("/api/currencies")
  List<CurrencyJson> currencies() {
    List<String> usable = Currencies.inUse().stream().map(CurrencyUnit::getCode).toList();
    return Currency.getAvailableCurrencies().stream()
        .filter(c -> usable.contains(c.getCurrencyCode()))
        .sorted(Comparator.comparing(Currency::getCurrencyCode))
        .map(c ->
            new CurrencyJson(
                c.getCurrencyCode(),
                c.getDisplayName(Locale.ENGLISH),
                CurrencyUnit.of(c.getCurrencyCode()).getDecimalPlaces()))
        .toList();
  }

  private BookJson json(BookEntity b) {
    FiscalYear year = FiscalYear.of(days.today(), b.fiscalYearStartsIn());
    return new BookJson(
        b.id(),
        b.version(),
        b.name(),
        b.currency(),
        b.fiscalYearStartsIn().getValue(),
        new FiscalYearJson(year.label(), year.first(), year.last()),
        b.taxNumber(),
        b.taxedFrom(),
        b.usualTaxRateId(),
        b.taxPeriod());
  }

  private TaxRateJson json(TaxRateService.Kept kept) {
    return new TaxRateJson(
        kept.id(),
        kept.bookId(),
        kept.rate().name(),
        kept.rate().percentOn(days.today()).orElse(null),
        kept.rate().steps().stream().map(s -> new TaxStepJson(s.from(), s.percent())).toList());
  }
}
