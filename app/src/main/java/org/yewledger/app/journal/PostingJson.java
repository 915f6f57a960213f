package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.PostingTax;

/**
 * A debit or credit line of an entry; one of the two amounts is null.
 *
 * @param debit in the base currency of the book
 * @param credit in the base currency of the book
 * @param own the amount in the account's own currency, where that is another; without a sign
 * @param betweenBooks whether the core added it so that the book balances
 * @param keptByCore whether the core adds it by itself, so that nobody writes it: that between
 *     books, or an exchange difference
 */
public record PostingJson(
    UUID accountId,
    String accountName,
    @Nullable BigDecimal debit,
    @Nullable BigDecimal credit,
    @Nullable BigDecimal own,
    String ownCurrency,
    boolean betweenBooks,
    boolean keptByCore,
    String note,
    @Nullable UUID taxRateId,
    PostingTax.@Nullable Role taxRole) {

  static PostingJson of(Posting posting) {
    Account account = posting.account();
    PostingTax tax = posting.tax();
    BigDecimal value = posting.value().size().decimal();
    return new PostingJson(
        account.id(),
        account.name(),
        posting.isDebit() ? value : null,
        posting.isDebit() ? null : value,
        account.isForeign() ? posting.amount().size().decimal() : null,
        account.currency().getCode(),
        account.kind() == AccountKind.DRAWINGS,
        !account.kind().isBookable(),
        posting.note(),
        tax == null ? null : tax.rateId(),
        tax == null ? null : tax.role());
  }
}
