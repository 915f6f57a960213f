package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amounts;

/**
 * A debit or credit line of an entry; one of the two amounts is null.
 *
 * @param debit in the base currency of the book
 * @param credit in the base currency of the book
 * @param own the amount in the account's own currency, where that is another; without a sign
 */
public record PostingJson(
    UUID accountId,
    String accountName,
    UUID bookId,
    String bookName,
    String currency,
    @Nullable BigDecimal debit,
    @Nullable BigDecimal credit,
    @Nullable BigDecimal own,
    String ownCurrency,
    String note) {

  public static PostingJson of(Posting posting) {
    Account account = posting.account();
    Book book = account.book();
    BigDecimal value = Amounts.toDecimal(Math.abs(posting.baseMinor()), book.currency());
    return new PostingJson(
        account.id(),
        account.name(),
        book.id(),
        book.name(),
        book.currency().getCode(),
        posting.isDebit() ? value : null,
        posting.isDebit() ? null : value,
        account.isForeign()
            ? Amounts.toDecimal(Math.abs(posting.amountMinor()), account.currency())
            : null,
        account.currency().getCode(),
        posting.note());
  }

  /** An entry's postings as books show them: book by book, debits before credits. */
  public static List<PostingJson> of(Entry entry) {
    return inOrder(entry.postings()).stream().map(PostingJson::of).toList();
  }

  static List<Posting> inOrder(List<Posting> postings) {
    List<Book> books = postings.stream().map(p -> p.account().book()).distinct().toList();
    return postings.stream()
        .sorted(
            Comparator.comparing((Posting p) -> books.indexOf(p.account().book()))
                .thenComparing(p -> !p.isDebit()))
        .toList();
  }
}
