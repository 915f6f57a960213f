package org.yewledger.app.journal;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.journal.QueryCompletion;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryTerm;

/** What the API says about typed queries. */
final class QueryJson {
  private QueryJson() {}

  /**
   * A condition as it was typed.
   *
   * @param from where it begins in the query, in UTF-16 units; {@code to} where it ends
   * @param field what it is about; null for a word by itself
   * @param not whether what is not like that is sought
   * @param words what it asks of its field
   * @param found how many payees, accounts, tags or books its names mean; null if it names none
   * @param problem why it cannot be read, and what to type; null if it can
   */
  record QueryTermJson(
      int from,
      int to,
      String text,
      @Nullable String field,
      boolean not,
      String words,
      @Nullable Integer found,
      @Nullable String problem) {
    static QueryTermJson of(QueryTerm term, @Nullable Integer found) {
      QueryField field = term.field();
      return new QueryTermJson(
          term.from(),
          term.to(),
          term.text(),
          field == null ? null : field.word(),
          term.not(),
          term.words(),
          found,
          term.problem());
    }
  }

  /**
   * @param text replaces what stands between {@code from} and {@code to} of the completion
   * @param words what it is; may be empty
   */
  record ChoiceJson(String text, String words) {}

  /** What may be typed at the caret. */
  record CompletionJson(int from, int to, List<ChoiceJson> choices) {
    static CompletionJson of(QueryCompletion place, List<QueryCompletion.Choice> choices) {
      return new CompletionJson(
          place.from(),
          place.to(),
          choices.stream().map(c -> new ChoiceJson(c.text(), c.words())).toList());
    }
  }

  /**
   * @param namesDays whether it says of which days entries are sought
   */
  record QueryReadJson(List<QueryTermJson> terms, boolean namesDays, CompletionJson completion) {}
}
