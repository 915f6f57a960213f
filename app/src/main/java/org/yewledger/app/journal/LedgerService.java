package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.AccountBalances;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.KeptAccounts;
import org.yewledger.app.chart.KeptAccounts.Missing;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.currency.RateService;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Position;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.tax.TaxChoice;
import org.yewledger.core.tax.TaxOnDay;

/** What the core needs to know of the books while it makes entries. */
@Service
public class LedgerService {
  private final RateService rates;
  private final AccountBalances balances;
  private final KeptAccounts keptAccounts;
  private final TaxRateService taxRates;

  LedgerService(
      RateService rates,
      AccountBalances balances,
      KeptAccounts keptAccounts,
      TaxRateService taxRates) {
    this.rates = rates;
    this.balances = balances;
    this.keptAccounts = keptAccounts;
    this.taxRates = taxRates;
  }

  /** For the length of one transaction; rates are read once, positions when asked for. */
  @Transactional(readOnly = true)
  public Ledger ledger(Chart chart) {
    return ledger(chart, Missing.IS_MADE);
  }

  /** The same to see what entries would be, before an act is begun: it makes no accounts. */
  @Transactional(readOnly = true)
  public Ledger lookingAhead(Chart chart) {
    return ledger(chart, Missing.STANDS_IN);
  }

  private Ledger ledger(Chart chart, Missing missing) {
    ExchangeRates known = rates.rates();
    SalesTaxes taxes = taxRates.taxes(chart);
    return new Ledger() {
      private final Map<UUID, Account> drawings = new HashMap<>();
      private final Map<UUID, Account> suspense = new HashMap<>();
      private final Map<UUID, Account> exchange = new HashMap<>();
      private final Map<UUID, Account> salesTax = new HashMap<>();

      @Override
      public ExchangeRates rates() {
        return known;
      }

      @Override
      public Position position(Account account, LocalDate day) {
        return balances.of(account, day);
      }

      @Override
      public Account drawings(Book book) {
        return drawings.computeIfAbsent(
            book.id(), id -> keptAccounts.of(book, AccountKind.DRAWINGS, chart, missing));
      }

      @Override
      public Account suspense(Book book) {
        return suspense.computeIfAbsent(
            book.id(), id -> keptAccounts.of(book, AccountKind.SUSPENSE, chart, missing));
      }

      @Override
      public Optional<TaxOnDay> tax(Account account, TaxChoice choice, LocalDate day) {
        return taxes.on(account, choice, day);
      }

      @Override
      public Account salesTax(Book book) {
        return salesTax.computeIfAbsent(
            book.id(), id -> keptAccounts.salesTax(book, chart, missing));
      }

      @Override
      public Account exchangeDifferences(Book book) {
        return exchange.computeIfAbsent(
            book.id(), id -> keptAccounts.of(book, AccountKind.EXCHANGE, chart, missing));
      }
    };
  }
}
