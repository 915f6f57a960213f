package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * One change to many entries. What is null, empty or 0 leaves what is there.
 *
 * @param payee who they are with
 * @param category takes the place of the one category that an entry has
 * @param tagsAdded tags that they get
 * @param tagsTaken tags that they lose, whatever their case
 * @param days by which they move, later above zero
 */
public record BulkChange(
    String payee,
    @Nullable Account category,
    List<String> tagsAdded,
    List<String> tagsTaken,
    int days) {
  /** More days are a slip of the finger. */
  private static final int MOST_DAYS = 3_660;

  /** What becomes of an entry. */
  public sealed interface Outcome {}

  /** It gets another form. */
  public record Changed(Revision revision) implements Outcome {}

  /** It is taken back by its opposite. */
  public record Voided(Entry opposite) implements Outcome {}

  /** It is like that already. */
  public record Same() implements Outcome {}

  /**
   * It stays as it is.
   *
   * @param code why, for programs
   * @param why for a person
   */
  public record Stays(String code, String why) implements Outcome {}

  /**
   * @throws Refusal {@code nothing-to-change}; {@code days-out-of-range}; {@code not-a-category}
   */
  public BulkChange {
    payee = payee.strip();
    tagsAdded = List.copyOf(tagsAdded);
    tagsTaken = List.copyOf(tagsTaken);
    if (payee.isEmpty()
        && category == null
        && tagsAdded.isEmpty()
        && tagsTaken.isEmpty()
        && days == 0) {
      throw Refusal.of("nothing-to-change", "Say what should change.");
    }
    if (Math.abs(days) > MOST_DAYS) {
      throw Refusal.ofField(
          "days-out-of-range", "days", "Entries move by at most %d days.".formatted(MOST_DAYS));
    }
    if (category != null) {
      category.requireCategory();
    }
  }

  /**
   * What becomes of an entry. Cost: that of {@link Revision#of}.
   *
   * @param standing its postings, in their order
   * @param closed whether a month of a book is closed
   */
  public Outcome of(
      Entry entry,
      List<Revision.Standing> standing,
      BiPredicate<UUID, YearMonth> closed,
      Ledger ledger) {
    try {
      LocalDate day = entry.date().plusDays(days);
      for (Posting posting : entry.postings()) {
        UUID book = posting.account().bookId();
        if (closed.test(book, YearMonth.from(entry.date()))
            || closed.test(book, YearMonth.from(day))) {
          return new Stays("month-closed", "Its month is closed.");
        }
      }
      Entry after =
          new Draft(
                  day,
                  payee.isEmpty() ? entry.payee() : payee,
                  entry.note(),
                  lines(entry),
                  marks(entry.marks()))
              .entry(entry.origin(), entry.postings(), ledger);
      if (isSame(entry, after)) {
        return new Same();
      }
      return new Changed(Revision.of(entry.date(), standing, after));
    } catch (Refusal refusal) {
      return new Stays(refusal.code(), refusal.getMessage());
    }
  }

  private List<Draft.Line> lines(Entry entry) {
    Account wanted = category;
    Account before = wanted == null ? null : onlyCategory(entry, wanted);
    var lines = new ArrayList<Draft.Line>();
    for (Posting p : entry.postings()) {
      // What the core keeps is worked out again from the rest.
      if (!p.account().kind().isBookable()) {
        continue;
      }
      Account at = wanted != null && p.account().equals(before) ? wanted : p.account();
      lines.add(new Draft.Line(at, p.amount(), p.note(), p.tax()));
    }
    return lines;
  }

  /** Where there are several, nobody can know which one is meant. */
  private static Account onlyCategory(Entry entry, Account wanted) {
    List<Account> categories =
        entry.postings().stream()
            .map(Posting::account)
            .filter(a -> a.accountClass().isCategory() && a.kind().isBookable())
            .distinct()
            .toList();
    if (categories.isEmpty()) {
      throw Refusal.of("no-category", "It has no category.");
    }
    if (categories.size() > 1) {
      throw Refusal.of("several-categories", "It has several categories.");
    }
    Account only = categories.getFirst();
    if (!only.bookId().equals(wanted.bookId())) {
      throw Refusal.of("category-other-book", "Its category is in another book.");
    }
    return only;
  }

  private Marks marks(Marks before) {
    Set<String> taken =
        tagsTaken.stream().map(t -> t.strip().toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
    var tags = new ArrayList<String>();
    before.tags().stream()
        .filter(t -> !taken.contains(t.toLowerCase(Locale.ROOT)))
        .forEach(tags::add);
    tags.addAll(tagsAdded);
    return Marks.of(before.reference(), before.method(), tags);
  }

  private static boolean isSame(Entry one, Entry other) {
    return one.date().equals(other.date())
        && one.payee().equals(other.payee())
        && one.marks().equals(other.marks())
        && one.postings().stream()
            .map(p -> p.account().id())
            .toList()
            .equals(other.postings().stream().map(p -> p.account().id()).toList());
  }
}
