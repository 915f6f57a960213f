package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;

/**
 * An entry's postings in one of the books that it touches, debits before credits.
 *
 * @param total what either side makes, in the book's currency
 */
public record BookPostingsJson(
    UUID bookId, String bookName, String currency, List<PostingJson> postings, BigDecimal total) {

  /** Book by book, in the order in which the entry touches them. */
  public static List<BookPostingsJson> of(List<Posting> postings) {
    Map<Book, List<Posting>> byBook = new LinkedHashMap<>();
    postings.forEach(
        p -> byBook.computeIfAbsent(p.account().book(), book -> new ArrayList<>()).add(p));
    return byBook.entrySet().stream().map(e -> of(e.getKey(), e.getValue())).toList();
  }

  private static BookPostingsJson of(Book book, List<Posting> postings) {
    return new BookPostingsJson(
        book.id(),
        book.name(),
        book.currency().getCode(),
        postings.stream()
            .sorted(Comparator.comparing(p -> !p.isDebit()))
            .map(PostingJson::of)
            .toList(),
        Amount.sum(book.currency(), postings.stream().map(Posting::debit).toList()).decimal());
  }
}
