package org.yewledger.core.post;

import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;

/**
 * Lines that are said to be postings in the books already: one that is one, one that several
 * postings add up to, or several that add up to one.
 */
public record Pairing(List<Side> lines, List<Side> postings) {
  /**
   * A line or a posting.
   *
   * @param amount what it brings, or takes
   */
  public record Side(UUID accountId, Amount amount) {}

  /**
   * @throws Refusal {@code not-answered} if several are said to be several, {@code not-the-same} if
   *     not all stand on one account
   */
  public Pairing {
    lines = List.copyOf(lines);
    postings = List.copyOf(postings);
    if (lines.isEmpty() || postings.isEmpty() || (lines.size() > 1 && postings.size() > 1)) {
      throw Refusal.ofField(
          "not-answered", "lines", "Say of each line how it is booked, or what it is already.");
    }
    if (Stream.concat(lines.stream(), postings.stream()).map(Side::accountId).distinct().count()
        > 1) {
      throw Refusal.of("not-the-same", "The line and the posting stand on different accounts.");
    }
  }

  /**
   * @throws Refusal {@code not-the-same} unless both add up to the same
   */
  public void requireSame() {
    Amount bank = sum(lines);
    Amount books = sum(postings);
    if (!bank.equals(books)) {
      throw Refusal.of(
          "not-the-same",
          "The bank says %s, the books say %s: they are not the same."
              .formatted(bank.shown(), books.shown()));
    }
  }

  /** How much of a line stands for how much of a posting, by their places. */
  public Amount share(int line, int posting) {
    return postings.size() > 1 ? postings.get(posting).amount() : lines.get(line).amount();
  }

  private static Amount sum(List<Side> sides) {
    return Amount.sum(
        sides.getFirst().amount().currency(), sides.stream().map(Side::amount).toList());
  }
}
