package org.yewledger.core.entry;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.tax.TaxChoice;

/**
 * An entry that others are typed after: what is filled in when one begins.
 *
 * @param usual its places, amount, tax and marks, where it has one of each
 * @param account where it has several places on one side: the account of one's own that pays or
 *     receives; null if it has just two places, or several accounts of one's own
 * @param amount what that account pays, below zero, or receives; null without it
 * @param parts what that is split into, gross; empty without it
 */
public record Template(
    String payee,
    String note,
    LastEntry usual,
    @Nullable Account account,
    @Nullable Amount amount,
    List<Booking.Part> parts) {

  /** What an entry fills in. Cost: linear in its postings. */
  public static Template of(Entry entry, SalesTaxes taxes) {
    LastEntry usual = LastEntry.of(entry.date(), entry.postings(), entry.marks(), taxes);
    Optional<Posting> own =
        usual.from() != null && usual.to() != null
            ? Optional.empty()
            : only(entry.postings(), p -> p.account().kind().hasOpeningBalance());
    return new Template(
        entry.payee(),
        entry.note(),
        usual,
        own.map(Posting::account).orElse(null),
        own.map(Posting::amount).orElse(null),
        own.map(p -> parts(entry.postings(), p, entry.date(), taxes)).orElse(List.of()));
  }

  private static Optional<Posting> only(List<Posting> postings, Predicate<Posting> that) {
    List<Posting> found = postings.stream().filter(that).toList();
    return found.size() == 1 && found.getFirst().account().closedOn() == null
        ? Optional.of(found.getFirst())
        : Optional.empty();
  }

  /** The tax of a part stands behind its net amount; together they are what was typed. */
  private static List<Booking.Part> parts(
      List<Posting> postings, Posting own, LocalDate day, SalesTaxes taxes) {
    List<Booking.Part> parts = new ArrayList<>();
    for (Posting posting : postings) {
      Account account = posting.account();
      PostingTax tax = posting.tax();
      boolean isTax = tax != null && tax.role() == PostingTax.Role.TAX;
      if (isTax && !parts.isEmpty()) {
        Booking.Part net = parts.removeLast();
        parts.add(
            new Booking.Part(
                net.account(), net.amount().minus(posting.amount()), net.note(), null, net.tax()));
      } else if (posting != own && isPlace(account)) {
        TaxChoice choice =
            account.accountClass().isCategory()
                ? taxes.choiceOf(account, tax, day)
                : TaxChoice.AS_USUAL;
        parts.add(
            new Booking.Part(account, posting.amount().negated(), posting.note(), null, choice));
      }
    }
    // In another currency nothing says what a part was of the whole.
    boolean oneCurrency =
        parts.stream().allMatch(p -> p.amount().currency().equals(own.amount().currency()));
    return oneCurrency ? List.copyOf(parts) : List.of();
  }

  /** Whether somebody said it: what the core adds between books is no place. */
  private static boolean isPlace(Account account) {
    return account.kind() != AccountKind.DRAWINGS
        && account.kind() != AccountKind.EXCHANGE
        && account.closedOn() == null;
  }
}
