package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amounts;

/** A debit or credit line of an entry; one of the two amounts is null. */
public record PostingJson(
    UUID accountId,
    String accountName,
    @Nullable BigDecimal debit,
    @Nullable BigDecimal credit,
    String note) {

  public static PostingJson of(Posting posting) {
    BigDecimal amount =
        Amounts.toDecimal(Math.abs(posting.amountMinor()), posting.account().currency());
    boolean debit = posting.amountMinor() > 0;
    return new PostingJson(
        posting.account().id(),
        posting.account().name(),
        debit ? amount : null,
        debit ? null : amount,
        posting.note());
  }

  /** An entry's postings as books show them: debits before credits. */
  public static List<PostingJson> of(Entry entry) {
    return java.util.stream.Stream.concat(
            entry.postings().stream().filter(p -> p.amountMinor() > 0),
            entry.postings().stream().filter(p -> p.amountMinor() < 0))
        .map(PostingJson::of)
        .toList();
  }
}
