package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
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
