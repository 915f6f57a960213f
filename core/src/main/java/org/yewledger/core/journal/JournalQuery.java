package org.yewledger.core.journal;

import java.util.List;
import org.yewledger.core.Refusal;

/**
 * What is sought in the journal: entries for which every term holds.
 *
 * @param terms in the order in which they were typed
 */
public record JournalQuery(List<QueryTerm> terms) {
  public JournalQuery {
    terms = List.copyOf(terms);
  }

  /**
   * This query, if all of it can be read.
   *
   * @throws Refusal {@code query-unclear}, with the first problem
   */
  public JournalQuery clear() {
    terms.stream()
        .filter(t -> t.problem() != null)
        .findFirst()
        .ifPresent(t -> {
          throw Refusal.ofField("query-unclear", "text", t.text() + ": " + t.problem());
        });
    return this;
  }

  /** Whether it says itself of which days entries are sought. */
  public boolean namesDays() {
    return terms.stream().anyMatch(t -> t.field() == QueryField.DATE && t.problem() == null);
  }
}
