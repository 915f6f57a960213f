package org.yewledger.core.rules;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;

/** When a bank line looks like this, then book it so. */
public record Rule(UUID id, When when, Then then) {

  /** The way money goes. */
  public enum Direction {
    IN,
    OUT,
    EITHER;

    boolean fits(long amountMinor) {
      return this == EITHER || (this == IN) == (amountMinor > 0);
    }
  }

  /**
   * @param words whole words that must stand next to each other in any of the line's texts
   * @param accountId the only account it is for; null for all
   */
  public record When(Words words, Direction direction, @Nullable UUID accountId) {
    public When {
      if (words.isEmpty()) {
        throw Refusal.ofField(
            "rule-without-words", "words", "Give at least one word of letters or digits.");
      }
    }
  }

  /**
   * @param payee who it is; empty to keep what the bank says
   * @param accountId the category, or the account of one's own, that the line is booked to
   */
  public record Then(String payee, UUID accountId) {}

  /** Whether the line fits. Cost: linear in the line's texts. */
  public boolean fits(UUID accountId, BankLine line) {
    return LineTexts.of(line).have(when.words()) && fitsBesidesWords(accountId, line);
  }

  boolean fitsBesidesWords(UUID accountId, BankLine line) {
    return when.direction().fits(line.amountMinor())
        && (when.accountId() == null || when.accountId().equals(accountId));
  }
}
