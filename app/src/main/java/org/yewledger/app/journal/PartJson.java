package org.yewledger.app.journal;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;

/**
 * A part of a split as a person types it.
 *
 * @param amount gross, with its sales tax
 * @param otherAmount on an account in another currency, what arrives or leaves there
 * @param taxRateId another rate than that of its category
 * @param untaxed true if it contains no sales tax, whatever its category has
 */
public record PartJson(
    @NotNull UUID accountId,
    @NotNull BigDecimal amount,
    @Nullable @Size(max = Texts.NOTE) String note,
    @Nullable BigDecimal otherAmount,
    @Nullable UUID taxRateId,
    @Nullable Boolean untaxed) {

  /** The part that it stands for, of what moves on an account of one's own. */
  public Booking.Part toPart(Account bankAccount, Chart chart) {
    Account account = chart.account(accountId);
    return new Booking.Part(
        account,
        Amount.of(amount, bankAccount.currency()),
        note == null ? "" : note.strip(),
        otherAmount == null ? null : Amount.of(otherAmount, account.currency()),
        TaxChoices.of(taxRateId, untaxed, "parts"));
  }
}
