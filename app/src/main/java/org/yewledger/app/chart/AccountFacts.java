package org.yewledger.app.chart;

import jakarta.persistence.Embeddable;
import java.math.BigDecimal;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What is known of an account besides its place in the ledger. Texts are empty where nothing is
 * said.
 *
 * @param tail the last digits of its number
 * @param creditLimitMinor minor units of its currency, above zero
 * @param interestRate percent a year
 * @param taxRateId the sales-tax rate that its entries have unless said otherwise
 * @param taxFormLine the line of the yearly tax form that it belongs to
 */
@Embeddable
public record AccountFacts(
    String number,
    String tail,
    String institution,
    String webPage,
    String contact,
    String notes,
    boolean pinned,
    @Nullable Long creditLimitMinor,
    @Nullable BigDecimal interestRate,
    @Nullable UUID taxRateId,
    String taxFormLine) {

  public static final AccountFacts NONE = ofTail("");

  public AccountFacts withTaxFormLine(String line) {
    return new AccountFacts(
        number,
        tail,
        institution,
        webPage,
        contact,
        notes,
        pinned,
        creditLimitMinor,
        interestRate,
        taxRateId,
        line);
  }

  public static AccountFacts ofTail(String tail) {
    return new AccountFacts("", tail, "", "", "", "", false, null, null, null, "");
  }
}
