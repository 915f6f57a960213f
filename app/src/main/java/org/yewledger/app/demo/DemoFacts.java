package org.yewledger.app.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.BookService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.report.ReturnPeriod;
import org.yewledger.core.tax.TaxRate;
import org.yewledger.demo.AldercottChart.ChartAccount;

/** What the Aldercotts wrote down about their accounts and their sales tax. */
final class DemoFacts {
  private static final LocalDate REGISTERED = LocalDate.of(2024, 1, 1);

  private DemoFacts() {}

  /**
   * @param exempt the rate of what carries no sales tax
   */
  static AccountFacts of(ChartAccount account, UUID exempt) {
    return switch (account.name()) {
      case "Account fees" ->
          new AccountFacts("", "", "", "", "", "", false, null, null, exempt, "6 Bank charges");
      case "Harbour Current" -> bank(account, "Harbour Bank", "harbour.example", null, null);
      case "Harbour Savings" -> bank(account, "Harbour Bank", "harbour.example", null, "1.12");
      case "Quillon Card" -> bank(account, "Quillon", "quillon.example", 3_000_00L, "14.9");
      case "Home loan" -> bank(account, "Harbour Bank", "harbour.example", null, "3.85");
      case "Kestrel Current" -> bank(account, "Kestrel Bank", "kestrel.example", null, null);
      case "Kestrel Card" -> bank(account, "Kestrel Bank", "kestrel.example", 1_500_00L, "12.5");
      case "Commissions", "Fairs", "Online shop", "Stationers" -> onForm(account, "1 Turnover");
      case "Paper and ink" -> onForm(account, "2 Materials");
      case "Workshop" -> onForm(account, "3 Premises");
      case "Stalls", "Post and couriers" -> onForm(account, "4 Selling");
      case "Software" -> onForm(account, "5 Office");
      default -> AccountFacts.ofTail(account.tail());
    };
  }

  private static AccountFacts onForm(ChartAccount account, String line) {
    return new AccountFacts("", account.tail(), "", "", "", "", false, null, null, null, line);
  }

  private static AccountFacts bank(
      ChartAccount account,
      String institution,
      String webPage,
      @Nullable Long creditLimitMinor,
      @Nullable String interest) {
    return new AccountFacts(
        "NL00DEMO00" + account.tail(),
        account.tail(),
        institution,
        webPage,
        "",
        "",
        false,
        creditLimitMinor,
        interest == null ? null : new BigDecimal(interest),
        null,
        "");
  }

  /**
   * The press is registered, at the standard rate unless something else is said.
   *
   * @return the rate of what carries no sales tax
   */
  static UUID register(TaxRateService taxRates, BookService books, Book press) {
    UUID standard = taxRates.add(press.id(), rate("standard", "21")).id();
    taxRates.add(press.id(), rate("reduced", "9"));
    UUID exempt = taxRates.add(press.id(), rate("exempt", "0")).id();
    books.change(
        press.id(),
        new BookService.BookFacts(
            press.name(), Month.OCTOBER, "SL 4417", REGISTERED, standard, ReturnPeriod.QUARTER),
        0);
    return exempt;
  }

  private static TaxRate rate(String name, String percent) {
    return new TaxRate(name, List.of(new TaxRate.Step(REGISTERED, new BigDecimal(percent))));
  }
}
