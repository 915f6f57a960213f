package org.yewledger.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.Formats;

/**
 * Reads the journal's query. Its grammar:
 *
 * <pre>
 * query = { term }                              all terms hold
 * term  = [ "-" ] ( field ":" value { "," value } | text )
 * value = text                                  any of the values will do
 * text  = characters without spaces | '"' characters '"'
 * </pre>
 *
 * The fields are those of {@link QueryField}; a minus seeks what is not like that. A text by itself
 * may stand anywhere in an entry. What cannot be read stays as a term with its problem, so that
 * nothing typed is dropped in silence. The cost is that of a short text.
 */
public final class QueryText {
  /** Longer queries are refused. */
  public static final int LONGEST = 500;

  private final QueryValues values;

  private QueryText(QueryValues values) {
    this.values = values;
  }

  /**
   * @param today where the household lives
   * @param currency in which amounts are read that name none
   * @throws Refusal {@code query-too-long}
   */
  public static JournalQuery read(
      String typed, LocalDate today, CurrencyUnit currency, Formats formats) {
    if (typed.length() > LONGEST) {
      throw Refusal.ofField(
          "query-too-long", "text", "A query has at most %d characters.".formatted(LONGEST));
    }
    var reader = new QueryText(new QueryValues(today, currency, formats));
    return new JournalQuery(QueryToken.of(typed).stream().map(reader::term).toList());
  }

  /** A term for a field and a value, as it is typed. */
  public static String term(QueryField field, String value) {
    return term(field, List.of(value));
  }

  /** A term for a field and values of which any will do, as it is typed. */
  public static String term(QueryField field, List<String> values) {
    return field.word()
        + ":"
        + values.stream().map(QueryToken::quoted).collect(Collectors.joining(","));
  }

  private QueryTerm term(QueryToken token) {
    String name = token.name();
    QueryField field = name == null ? null : QueryField.of(name);
    if (token.open()) {
      return unread(token, field, "The quote is not closed. Type another \".");
    }
    if (name == null) {
      String text = token.whole();
      return text.isEmpty()
          ? unread(token, null, "There is nothing between the quotes.")
          : new QueryTerm(
              token.from(),
              token.to(),
              token.text(),
              null,
              token.not(),
              text,
              List.of(new Sought.AnyText(text)),
              null);
    }
    if (field == null) {
      return unread(
          token,
          null,
          "There is no field %s. The fields are %s. To look for it as text, put it in quotes."
              .formatted(name, QueryField.all()));
    }
    return ofField(token, field);
  }

  private QueryTerm ofField(QueryToken token, QueryField field) {
    var meant = new ArrayList<QueryValues.Meant>();
    for (String value : field.isListed() ? token.values() : List.of(token.whole())) {
      if (value.isEmpty()) {
        return unread(token, field, "What should it be? Type %s.".formatted(field.takes()));
      }
      switch (values.read(field, value)) {
        case QueryValues.Meant one -> meant.add(one);
        case QueryValues.Unread(String reason) -> {
          return unread(token, field, reason);
        }
      }
    }
    return new QueryTerm(
        token.from(),
        token.to(),
        token.text(),
        field,
        token.not(),
        meant.stream().map(QueryValues.Meant::words).collect(Collectors.joining(" or ")),
        meant.stream().map(QueryValues.Meant::sought).toList(),
        null);
  }

  private static QueryTerm unread(QueryToken token, @Nullable QueryField field, String problem) {
    return new QueryTerm(
        token.from(),
        token.to(),
        token.text(),
        field,
        token.not(),
        token.whole(),
        List.of(),
        problem);
  }
}
