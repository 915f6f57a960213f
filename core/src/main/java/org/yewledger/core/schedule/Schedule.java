package org.yewledger.core.schedule;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * An entry that recurs.
 *
 * @param payee whom it is with
 * @param account of one's own, which pays or receives
 * @param parts where the amount goes; one for a plain entry, more for a split
 * @param about how far the amount may be from the usual one and still be expected; zero where it is
 *     always the same
 * @param shift where an item goes that falls on a day off
 * @param trusted whether a line that is surely an item is posted without being looked at
 */
public record Schedule(
    UUID id,
    String payee,
    String note,
    Account account,
    List<Part> parts,
    Amount about,
    Recurrence when,
    Shift shift,
    boolean trusted) {
  private static final int MOST_PARTS = 20;

  /**
   * A part of the amount.
   *
   * @param account a category, or another account of one's own in the same currency
   * @param amount in the currency of the schedule's account, with its sign: −12.00 is paid from it
   */
  public record Part(Account account, Amount amount, String note) {
    private Part plus(Amount more) {
      return new Part(account, amount.plus(more), note);
    }
  }

  /** One whose items a person looks at before they are posted. */
  public Schedule(
      UUID id,
      String payee,
      String note,
      Account account,
      List<Part> parts,
      Amount about,
      Recurrence when,
      Shift shift) {
    this(id, payee, note, account, parts, about, when, shift, false);
  }

  public Schedule {
    parts = List.copyOf(parts);
  }

  /**
   * Whether an entry can recur so.
   *
   * @throws Refusal {@code payee-missing}, {@code schedule-not-own}, {@code parts-missing}, {@code
   *     too-many-parts}, {@code part-to-itself}, {@code schedule-across-currencies}, {@code
   *     nothing-moved}, {@code about-out-of-range}, {@code account-closed}
   */
  public Schedule require() {
    if (payee.isBlank()) {
      throw Refusal.ofField("payee-missing", "payee", "Say who this is.");
    }
    if (account.group() || !account.kind().hasOpeningBalance()) {
      throw Refusal.ofField(
          "schedule-not-own",
          "accountId",
          "%s is no account of your own that pays or receives.".formatted(account.name()));
    }
    if (parts.isEmpty()) {
      throw Refusal.ofField("parts-missing", "parts", "Say where it goes.");
    }
    if (parts.size() > MOST_PARTS) {
      throw Refusal.ofField(
          "too-many-parts", "parts", "It goes to %d places at most.".formatted(MOST_PARTS));
    }
    parts.forEach(this::require);
    if (whole().isZero()) {
      throw Refusal.ofField("nothing-moved", "parts", "It moves nothing. Type an amount.");
    }
    if (about.sign() < 0 || about.minor() >= whole().size().minor()) {
      throw Refusal.ofField(
          "about-out-of-range",
          "about",
          "It may differ by zero or more, and by less than the amount itself.");
    }
    return this;
  }

  private void require(Part part) {
    if (part.account().id().equals(account.id())) {
      throw Refusal.ofField(
          "part-to-itself", "parts", "%s cannot pay itself.".formatted(account.name()));
    }
    if (part.account().group() || part.account().closedOn() != null) {
      throw Refusal.ofField(
          "account-closed",
          "parts",
          "%s takes no entries. Choose another.".formatted(part.account().name()));
    }
    boolean own = part.account().kind().hasOpeningBalance();
    if (own && !part.account().currency().equals(account.currency())) {
      throw Refusal.ofField(
          "schedule-across-currencies",
          "parts",
          "%s is in %s. What arrives there is not known before."
              .formatted(part.account().name(), part.account().currency()));
    }
  }

  /** What the account pays, below zero, or receives, when it is as usual. */
  public Amount whole() {
    return Amount.sum(account.currency(), parts.stream().map(Part::amount).toList());
  }

  /** The parts of an item that comes to another amount: the first takes what is apart. */
  public List<Part> parts(Amount whole) {
    List<Part> all = new ArrayList<>(parts);
    all.set(0, parts.getFirst().plus(whole.minus(whole())));
    return all;
  }

  /** Whether an amount is one that is expected. */
  public boolean expects(Amount amount) {
    return amount.currency().equals(account.currency())
        && amount.sign() == whole().sign()
        && amount.minus(whole()).size().minor() <= about.minor();
  }

  /** The same with another usual amount, which the first part takes, and what it may differ by. */
  public Schedule withUsual(Amount whole, Amount about) {
    return new Schedule(id, payee, note, account, parts(whole), about, when, shift, trusted)
        .require();
  }

  /** The same with other parts. */
  public Schedule with(List<Part> others) {
    return new Schedule(id, payee, note, account, others, about, when, shift, trusted);
  }

  /** How often it recurs, in words, such as "every month on the 1st, or the next working day". */
  public String inWords() {
    return when.inWords()
        + switch (shift) {
          case NONE -> "";
          case WORKING_DAY_BEFORE -> ", or the working day before";
          case NEXT_WORKING_DAY -> ", or the next working day";
        };
  }
}
