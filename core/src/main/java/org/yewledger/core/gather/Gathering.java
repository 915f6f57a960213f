package org.yewledger.core.gather;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.Arrival.Standing;
import org.yewledger.core.ledger.Account;

/** A statement file held against the account that it is for: what would be taken in. */
public record Gathering(List<Arrival> arrivals) {
  private static final int MOST_TEXT = 8_000;
  private static final int MOST_RAW = 40_000;

  /**
   * @param known the account's lines around the days of the file
   * @param source what the file is, or that it is a feed
   * @throws Refusal {@code not-at-a-bank}, {@code account-closed}, {@code currency-differs}, {@code
   *     nothing-in-file} or {@code before-opening}; the last names the first line at fault
   */
  public static Gathering of(
      Account account, BankStatement file, Collection<KnownLine> known, LineSource source) {
    account.requireAtBank("account");
    if (!file.currency().equals(account.currency())) {
      throw Refusal.ofField(
          "currency-differs",
          "account",
          "The file is in %s, %s is in %s. Choose another account."
              .formatted(file.currency(), account.name(), account.currency()));
    }
    if (file.lines().isEmpty() && file.closing() == null) {
      throw Refusal.of(
          "nothing-in-file",
          "The file can be read, and has no lines and no balance: there is nothing to take in.");
    }
    file.lines()
        .forEach(line -> {
          requireOpen(account, line);
          requireBounded(line);
        });
    return new Gathering(Duplicates.compare(known, file.lines(), source));
  }

  /** The arrivals that are kept: the new and the doubtful. */
  public List<Arrival> comingIn() {
    return arrivals.stream().filter(Arrival::comesIn).toList();
  }

  public int count(Standing standing) {
    return (int) arrivals.stream().filter(a -> a.standing() == standing).count();
  }

  /**
   * Whether the lines may be kept although figures of their source do not come out: only if a
   * person has seen that.
   *
   * @throws Refusal {@code does-not-add-up}, with the first discrepancy in words
   */
  public static void requireSeen(BankStatement file, boolean hasSeen) {
    if (!hasSeen && !file.discrepancies().isEmpty()) {
      throw Refusal.ofField(
          "does-not-add-up",
          "discrepanciesSeen",
          "%s Look at the difference first, then take the file in as it is or export it again."
              .formatted(file.discrepancies().getFirst().inWords()));
    }
  }

  /** What is longer is no line of a bank, and would be kept for ever. */
  private static void requireBounded(BankLine line) {
    int text = line.payee().length() + line.memo().length() + line.reference().length();
    if (text > MOST_TEXT || line.raw().length() > MOST_RAW) {
      throw Refusal.ofField(
          "text-too-long",
          "line",
          "Line %d has more text than any bank writes (%d letters). Look whether the file is whole."
              .formatted(line.sourceLine(), Math.max(text, line.raw().length())));
    }
  }

  private static void requireOpen(Account account, BankLine line) {
    LocalDate opensOn = account.opensOn();
    if (opensOn != null && !account.isOpenOn(line.bookedOn())) {
      throw Refusal.ofField(
          "before-opening",
          "date",
          "Line %d is of %s, and the books of %s begin on %s. Export the file again from that day on."
              .formatted(line.sourceLine(), line.bookedOn(), account.name(), opensOn));
    }
  }
}
