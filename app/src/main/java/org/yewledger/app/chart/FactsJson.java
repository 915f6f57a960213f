package org.yewledger.app.chart;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;

/** What is known of an account; texts are empty where nothing is said. */
public record FactsJson(
    @NotNull @Size(max = 60) String number,
    @NotNull @Size(max = 12) String tail,
    @NotNull @Size(max = 100) String institution,
    @NotNull @Size(max = 200) String webPage,
    @NotNull @Size(max = 300) String contact,
    @NotNull @Size(max = 4000) String notes,
    boolean pinned,
    @Nullable BigDecimal creditLimit,
    @Nullable BigDecimal interestRate,
    @Nullable UUID taxRateId,
    @NotNull @Size(max = 60) String taxFormLine) {

  public static FactsJson of(AccountFacts f, CurrencyUnit currency) {
    return new FactsJson(
        f.number(),
        f.tail(),
        f.institution(),
        f.webPage(),
        f.contact(),
        f.notes(),
        f.pinned(),
        f.creditLimitMinor() == null
            ? null
            : Amount.ofMinor(f.creditLimitMinor(), currency).decimal(),
        f.interestRate() == null ? null : f.interestRate().stripTrailingZeros(),
        f.taxRateId(),
        f.taxFormLine());
  }

  public AccountFacts toFacts(CurrencyUnit currency) {
    return new AccountFacts(
        number.strip(),
        tail.strip(),
        institution.strip(),
        webPage.strip(),
        contact.strip(),
        notes.strip(),
        pinned,
        creditLimit == null ? null : Amount.of(creditLimit, currency).minor(),
        interestRate,
        taxRateId,
        taxFormLine.strip());
  }
}
