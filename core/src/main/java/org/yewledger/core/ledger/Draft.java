package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/**
 * An entry as a person writes it: accounts and amounts, each in the account's own currency. What an
 * amount in another currency is worth, and what keeps each book balanced, is worked out.
 */
public record Draft(LocalDate date, String payee, String note, List<Line> lines, Marks marks) {
  /**
   * A line of it.
   *
   * @param amount in the account's currency, debits above zero
   * @param tax what it is for sales tax, null where that plays no part
   */
  public record Line(Account account, Amount amount, String note, @Nullable PostingTax tax) {
    public Line(Account account, Amount amount, String note) {
      this(account, amount, note, null);
    }
  }

  /** A draft without marks. */
  public Draft(LocalDate date, String payee, String note, List<Line> lines) {
    this(date, payee, note, lines, Marks.NONE);
  }

  public Draft {
    lines = List.copyOf(lines);
  }

  /** An entry as somebody would write it again on another day; a reference is of one entry only. */
  public static Draft again(Entry entry, LocalDate on) {
    return new Draft(
        on,
        entry.payee(),
        entry.note(),
        entry.postings().stream()
            .filter(p -> p.account().kind().isBookable())
            .map(p -> new Line(p.account(), p.amount(), p.note(), p.tax()))
            .toList(),
        new Marks("", entry.marks().method(), entry.marks().tags()));
  }

  /**
   * The entry that the draft stands for.
   *
   * @param before the postings that it takes the place of: amounts that stay keep their value, and
   *     so does the exchange gain that was realised on them
   * @throws Refusal {@code payee-missing}, {@code kept-by-core}, or whatever {@link Entry} refuses
   */
  public Entry entry(Entry.Origin origin, List<Posting> before, Ledger ledger) {
    if (payee.isBlank()) {
      throw Refusal.ofField("payee-missing", "payee", "Say who this is.");
    }
    var postings = new ArrayList<Posting>();
    for (Line line : lines) {
      if (!line.account().kind().isBookable()) {
        throw Refusal.ofField(
            "kept-by-core",
            "postings",
            "%s is kept by itself. Choose another account.".formatted(line.account().name()));
      }
      postings.add(
          new Posting(
              line.account(), line.amount(), value(line, before, ledger), line.note(), line.tax()));
    }
    before.stream().filter(p -> p.account().kind() == AccountKind.EXCHANGE).forEach(postings::add);
    return new Entry(
        date,
        payee.strip(),
        note.strip(),
        origin,
        BetweenBooks.balanced(postings, ledger::drawings),
        marks);
  }

  private Amount value(Line line, List<Posting> before, Ledger ledger) {
    if (!line.account().isForeign()) {
      return line.amount();
    }
    return before.stream()
        .filter(p -> p.account().id().equals(line.account().id()))
        .filter(p -> p.amount().equals(line.amount()))
        .map(Posting::value)
        .findFirst()
        .orElseGet(
            () -> ledger.rates().convert(line.amount(), line.account().book().currency(), date));
  }
}
