package org.yewledger.core.post;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.tax.TaxChoice;

/**
 * How the lines of a payee were booked before.
 *
 * @param payee its name
 * @param entries the newest first, as many as bear on the next one
 * @param likeTexts where no bank has called it by this text yet: the texts of it that begin alike
 */
public record Past(String payee, List<PastEntry> entries, List<String> likeTexts) {
  public Past {
    entries = List.copyOf(entries);
    likeTexts = List.copyOf(likeTexts);
  }

  /** That of a payee who is called by the text. */
  public Past(String payee, List<PastEntry> entries) {
    this(payee, entries, List.of());
  }

  /** Whether what the payee was booked to last was no account of one's own. */
  boolean isOfCategories() {
    return !entries.isEmpty()
        && entries.getFirst().parts().stream()
            .noneMatch(part -> part.account().kind().hasOpeningBalance());
  }

  /** An entry as its bank line saw it: where its amount went. */
  public record PastEntry(UUID id, long no, LocalDate date, List<PastPart> parts) {
    public PastEntry {
      parts = List.copyOf(parts);
    }

    Amount whole() {
      return Amount.sum(
          parts.getFirst().amount().currency(), parts.stream().map(PastPart::amount).toList());
    }

    /**
     * Whether it went the way of another: to the same place, or split into the same parts. A split
     * whose parts change each time, as of a loan into interest and repayment, is not one way.
     */
    boolean isLike(PastEntry other) {
      return parts.size() == 1 && other.parts.size() == 1
          ? parts.getFirst().account().equals(other.parts.getFirst().account())
              && parts.getFirst().tax().equals(other.parts.getFirst().tax())
          : Set.copyOf(parts).equals(Set.copyOf(other.parts));
    }
  }

  /**
   * @param amount with the sign of the bank line: −12.00 is 12.00 spent; gross, with its tax
   * @param tax whether it was taxed as its category is
   */
  public record PastPart(Account account, Amount amount, TaxChoice tax) {
    /** A part with the tax that its category has. */
    public PastPart(Account account, Amount amount) {
      this(account, amount, TaxChoice.AS_USUAL);
    }
  }
}
