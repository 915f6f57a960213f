package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** The statements of one account, in which each opens with what the one before closed with. */
public record StatementChain(Account account, Amount openingBalance, List<Link> links) {

  /** One statement of the chain. */
  public record Link(UUID id, LocalDate closesOn, Amount closing, boolean finished) {}

  /** {@code links} in any order; the chain keeps them by date. */
  public StatementChain {
    links = links.stream().sorted(Comparator.comparing(Link::closesOn)).toList();
  }

  /** The statement that the given day comes after. */
  public Optional<Link> before(LocalDate day) {
    return links.stream().filter(l -> l.closesOn().isBefore(day)).reduce((a, b) -> b);
  }

  /** What a statement that closes on this day opens with. */
  public Amount opening(LocalDate closesOn) {
    return before(closesOn).map(Link::closing).orElse(openingBalance);
  }

  /** The last day of the finished part of the chain. */
  public Optional<LocalDate> agreedThrough() {
    return links.stream().filter(Link::finished).map(Link::closesOn).max(Comparator.naturalOrder());
  }

  /**
   * Checks that a new statement, or one moved to another day, fits into the chain.
   *
   * @throws Refusal naming the statement that stands in the way
   */
  public void requireRoomFor(LocalDate closesOn) {
    LocalDate opensOn = account.opensOn();
    if (opensOn != null && closesOn.isBefore(opensOn)) {
      throw Refusal.ofField(
          "before-opening",
          "closesOn",
          "The books of %s begin on %s; a statement cannot close before."
              .formatted(account.name(), opensOn));
    }
    agreedThrough()
        .filter(agreed -> !closesOn.isAfter(agreed))
        .ifPresent(agreed -> {
          throw Refusal.ofField(
              "already-agreed",
              "closesOn",
              "%s is agreed through %s. The next statement closes on a later day."
                  .formatted(account.name(), agreed));
        });
    if (links.stream().anyMatch(l -> l.closesOn().equals(closesOn))) {
      throw Refusal.ofField(
          "statement-exists",
          "closesOn",
          "%s already has a statement of %s.".formatted(account.name(), closesOn));
    }
  }

  /**
   * Only the last agreed statement is opened again, and none that a closed month agrees with.
   *
   * @param closedThrough the last closed month of the account's book; null if none
   * @throws Refusal {@code later-agreed}, naming the statement that has to be opened first; {@code
   *     month-closed}
   */
  public void requireReopening(LocalDate closesOn, @Nullable YearMonth closedThrough) {
    agreedThrough()
        .filter(agreed -> agreed.isAfter(closesOn))
        .ifPresent(agreed -> {
          throw Refusal.of(
              "later-agreed",
              "%s is agreed through %s as well, and begins with this one. Open that one again first."
                  .formatted(account.name(), agreed));
        });
    LocalDate covers = before(closesOn).map(Link::closesOn).orElse(LocalDate.MIN);
    if (closedThrough != null && closedThrough.atEndOfMonth().isAfter(covers)) {
      throw Refusal.of(
          "month-closed",
          "%s is closed through %s, which agrees with this statement. An owner opens that month first."
              .formatted(account.book().name(), closedThrough));
    }
  }

  /**
   * Statements are finished in their order, since each opens with the one before.
   *
   * @throws Refusal {@code earlier-statement-open}
   */
  public void requireNext(LocalDate closesOn) {
    before(closesOn)
        .filter(earlier -> !earlier.finished())
        .ifPresent(earlier -> {
          throw Refusal.of(
              "earlier-statement-open",
              "Agree the statement of %s first: this one opens with its closing balance."
                  .formatted(earlier.closesOn()));
        });
  }
}
