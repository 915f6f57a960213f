package org.yewledger.core.journal;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Method;

/**
 * What may be typed at a place of a query: the name of a field, or a value of the one that stands
 * before it.
 *
 * @param from where what is typed there begins; a choice replaces it
 * @param to where it ends
 * @param field whose value it is; null for a word that may become a field's name
 * @param part what was typed of it
 */
public record QueryCompletion(int from, int to, @Nullable QueryField field, String part) {
  /**
   * A text that can be chosen.
   *
   * @param text replaces what was typed
   * @param words what it is, for a person
   */
  public record Choice(String text, String words) {}

  /**
   * @param caret the place in the text, counted in UTF-16 units
   */
  public static QueryCompletion at(String text, int caret) {
    int place = Math.clamp(caret, 0, text.length());
    String before = text.substring(0, place);
    List<QueryToken> tokens = QueryToken.of(before);
    QueryToken last = tokens.isEmpty() ? null : tokens.getLast();
    if (last == null || last.to() < before.length()) {
      return new QueryCompletion(place, place, null, "");
    }
    int begins = last.from() + (last.not() ? 1 : 0);
    String name = last.name();
    if (name == null) {
      return new QueryCompletion(begins, place, null, last.whole());
    }
    QueryField field = QueryField.of(name);
    if (field == null) {
      return new QueryCompletion(begins, place, null, before.substring(begins));
    }
    return new QueryCompletion(
        begins + name.length() + 1 + behindCommas(last), place, field, last.values().getLast());
  }

  /** How much of the values stands before the last one. */
  private static int behindCommas(QueryToken token) {
    String typed = token.text().substring(token.text().indexOf(':') + 1);
    boolean quoted = false;
    int last = 0;
    for (int i = 0; i < typed.length(); i++) {
      char c = typed.charAt(i);
      if (c == '"') {
        quoted = !quoted;
      } else if (c == ',' && !quoted) {
        last = i + 1;
      }
    }
    return last;
  }

  /** A name of the household's as a choice: in quotes where it needs them. */
  public static Choice name(String name, String words) {
    return new Choice(QueryToken.quoted(name) + " ", words);
  }

  /** The choices that are the same in every household: names of fields, and words behind them. */
  public List<Choice> fixed() {
    if (field == null) {
      return QueryField.beginning(part).stream()
          .map(f -> new Choice(f.word() + ":", f.takes()))
          .toList();
    }
    return switch (field) {
      case IS -> words(Sought.Trait.values());
      case HAS -> words(Sought.Part.values());
      case METHOD -> words(Method.values());
      default -> List.of();
    };
  }

  private List<Choice> words(Enum<?>[] constants) {
    return Arrays.stream(constants)
        .map(QueryValues::word)
        .filter(w -> w.startsWith(part.toLowerCase(Locale.ROOT)))
        .map(w -> new Choice(w + " ", ""))
        .toList();
  }
}
