package org.yewledger.core.close;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;

/**
 * What a book must show before it is closed through a month. It is worked out from the books each
 * time, and kept nowhere.
 *
 * @param checks each with whether it is met
 */
public record CloseChecklist(String bookName, YearMonth through, List<Check> checks) {
  /** What is looked at. */
  public enum Kind {
    /** The month is over. */
    OVER("The month is over"),
    /** Every account that statements come for agrees through the month's last day. */
    ACCOUNTS_AGREE("Every account agrees"),
    /** No line of a bank up to that day waits to be posted. */
    NOTHING_WAITS("No line waits to be posted"),
    /** Nothing stands in suspense on that day. */
    NOTHING_IN_SUSPENSE("Nothing in suspense"),
    /** No entry up to that day only makes a statement agree, with nothing that explains it. */
    DIFFERENCES_EXPLAINED("Every difference explained"),
    /** The sales tax of every period that ends by then is returned; of registered books only. */
    TAX_RETURNED("Sales tax returned"),
    /** Nothing that was due up to that day is still expected; of books with schedules only. */
    DUE_SETTLED("Everything due came, or was skipped");

    private final String inWords;

    Kind(String inWords) {
      this.inWords = inWords;
    }

    /** What the books must show, for a person. */
    public String inWords() {
      return inWords;
    }
  }

  /**
   * One of them.
   *
   * @param open what is left, in words that follow "cannot be closed: "; empty if it is met
   */
  public record Check(Kind kind, String open) {
    public boolean isMet() {
      return open.isEmpty();
    }
  }

  /**
   * An account that statements come for.
   *
   * @param opensOn its first day
   * @param agreedThrough the last day that it agrees; null if none
   */
  public record AccountThrough(
      String name, @Nullable LocalDate opensOn, @Nullable LocalDate agreedThrough) {
    /** Whether it agrees through a day, or is not there yet. */
    public boolean agrees(LocalDate day) {
      return (opensOn != null && opensOn.isAfter(day))
          || (agreedThrough != null && !agreedThrough.isBefore(day));
    }
  }

  public CloseChecklist {
    checks = List.copyOf(checks);
  }

  /**
   * What the book shows.
   *
   * @param waiting how many lines of the book's accounts, up to the month's last day, wait
   * @param suspense what stands in suspense on that day; empty if the book has no such account
   * @param unexplained how many entries of that day or before are reconciliation differences
   * @param overdue how many due items of that day or before are still expected; empty if the book
   *     has no schedules
   * @param unreturned the periods that end by then whose sales tax is not returned; empty if the
   *     book is not registered
   */
  public record Shown(
      List<AccountThrough> accounts,
      long waiting,
      Optional<Amount> suspense,
      long unexplained,
      Optional<List<Span>> unreturned,
      Optional<Long> overdue) {}

  /**
   * @param today in the household's own time zone
   */
  public static CloseChecklist of(
      String bookName, YearMonth through, LocalDate today, Shown shown) {
    LocalDate last = through.atEndOfMonth();
    List<Check> checks = new ArrayList<>();
    checks.add(
        new Check(
            Kind.OVER,
            today.isAfter(last) ? "" : "it is not over before the end of %s".formatted(last)));
    checks.add(new Check(Kind.ACCOUNTS_AGREE, notAgreed(shown.accounts(), last)));
    checks.add(
        new Check(
            Kind.NOTHING_WAITS,
            counted(shown.waiting(), "line waits", "lines wait", " to be posted")));
    checks.add(
        new Check(
            Kind.NOTHING_IN_SUSPENSE,
            shown
                .suspense()
                .filter(amount -> !amount.isZero())
                .map(amount -> "%s stands in suspense".formatted(amount.shown()))
                .orElse("")));
    checks.add(
        new Check(
            Kind.DIFFERENCES_EXPLAINED,
            counted(
                shown.unexplained(),
                "reconciliation difference waits",
                "reconciliation differences wait",
                " to be explained")));
    shown
        .unreturned()
        .ifPresent(periods -> checks.add(new Check(Kind.TAX_RETURNED, notReturned(periods))));
    shown
        .overdue()
        .ifPresent(items ->
            checks.add(
                new Check(
                    Kind.DUE_SETTLED,
                    counted(items, "due item has", "due items have", " not come"))));
    return new CloseChecklist(bookName, through, checks);
  }

  private static String counted(long count, String one, String many, String forWhat) {
    return count == 0 ? "" : "%,d %s%s".formatted(count, count == 1 ? one : many, forWhat);
  }

  private static String notReturned(List<Span> periods) {
    return periods.isEmpty()
        ? ""
        : "the sales tax of %s is not returned"
            .formatted(
                periods.stream()
                    .map(period -> "%s to %s".formatted(period.first(), period.last()))
                    .collect(Collectors.joining(", ")));
  }

  private static String notAgreed(List<AccountThrough> accounts, LocalDate last) {
    List<String> names =
        accounts.stream().filter(a -> !a.agrees(last)).map(AccountThrough::name).toList();
    return switch (names.size()) {
      case 0 -> "";
      case 1 -> "%s does not agree through %s".formatted(names.getFirst(), last);
      default ->
          "%s and %s do not agree through %s"
              .formatted(
                  names.stream().limit(names.size() - 1L).collect(Collectors.joining(", ")),
                  names.getLast(),
                  last);
    };
  }

  public boolean isReady() {
    return checks.stream().allMatch(Check::isMet);
  }

  /**
   * @throws Refusal {@code month-not-ready}, with all that is left
   */
  public void requireReady() {
    if (!isReady()) {
      throw Refusal.of(
          "month-not-ready",
          "%s cannot be closed through %s: %s."
              .formatted(
                  bookName,
                  through,
                  checks.stream()
                      .map(Check::open)
                      .filter(open -> !open.isEmpty())
                      .collect(Collectors.joining("; "))));
    }
  }
}
