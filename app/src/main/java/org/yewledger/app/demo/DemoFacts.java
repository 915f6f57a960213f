package org.yewledger.app.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.tax.TaxRate;
import org.yewledger.demo.AldercottChart.ChartAccount;

/** What the Aldercotts wrote down about their accounts and their sales tax. */
final class DemoFacts {
  private static final LocalDate REGISTERED = LocalDate.of(2024, 1, 1);

  private DemoFacts() {}

  static AccountFacts of(ChartAccount account) {
    return switch (account.name()) {
      case "Harbour Current" -> bank(account, "Harbour Bank", "harbour.example", null, null);
      case "Harbour Savings" -> bank(account, "Harbour Bank", "harbour.example", null, "1.12");
      case "Quillon Card" -> bank(account, "Quillon", "quillon.example", 3_000_00L, "14.9");
      case "Home loan" -> bank(account, "Harbour Bank", "harbour.example", null, "3.85");
      case "Kestrel Current" -> bank(account, "Kestrel Bank", "kestrel.example", null, null);
      case "Kestrel Card" -> bank(account, "Kestrel Bank", "kestrel.example", 1_500_00L, "12.5");
      default -> AccountFacts.ofTail(account.tail());
    };
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

  static void addTaxRates(TaxRateService taxRates, Book book) {
    taxRates.add(book.id(), rate("standard", "21"));
    taxRates.add(book.id(), rate("reduced", "9"));
  }

  private static TaxRate rate(String name, String percent) {
    return new TaxRate(name, List.of(new TaxRate.Step(REGISTERED, new BigDecimal(percent))));
  }
}
