package org.yewledger.core.journal;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A condition of a journal query as it was typed.
 *
 * @param from where it begins in the query, counted in UTF-16 units
 * @param to where it ends
 * @param text as typed
 * @param field what it is about; null for a word that may stand anywhere, and where the field is
 *     not known
 * @param not whether entries are sought that are not like that
 * @param words what it asks of its field, for a person
 * @param anyOf what it means: one of these holds; empty where it cannot be read
 * @param problem why it cannot be read and what to type; null if it can
 */
public record QueryTerm(
    int from,
    int to,
    String text,
    @Nullable QueryField field,
    boolean not,
    String words,
    List<Sought> anyOf,
    @Nullable String problem) {
  public QueryTerm {
    anyOf = List.copyOf(anyOf);
  }
}
