package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/** Reads what {@link ConditionText} writes, as people type it: case and spaces play no part. */
public final class ConditionReader {
  private static final int LONGEST = 10_000;
  private static final Pattern TOKEN =
      Pattern.compile("\\s*(?:\"((?:[^\"]|\"\")*)\"|([(),])|([^\\s(),\"]+))");

  /** A quoted text, or a word or mark in small letters. */
  private record Token(@Nullable String quoted, String word) {}

  private final List<Token> tokens;
  private final Function<String, Optional<UUID>> accounts;
  private int at;
  private int depth;

  private ConditionReader(List<Token> tokens, Function<String, Optional<UUID>> accounts) {
    this.tokens = tokens;
    this.accounts = accounts;
  }

  /**
   * @param accounts accounts by their names
   * @return a group, be it of one condition
   * @throws Refusal {@code condition-unreadable} at field {@code when}, saying where reading ended;
   *     {@code unknown-account}; or what {@link Condition} refuses
   */
  public static Condition read(String text, Function<String, Optional<UUID>> accounts) {
    if (text.length() > LONGEST) {
      throw unreadable("The conditions are longer than %d letters.".formatted(LONGEST));
    }
    var reader = new ConditionReader(tokens(text), accounts);
    Condition read = reader.either();
    if (reader.at < reader.tokens.size()) {
      throw reader.expected("and, or, or the end");
    }
    return Condition.parts(read).isEmpty() ? new Condition.All(List.of(read)) : read;
  }

  private static List<Token> tokens(String text) {
    var tokens = new ArrayList<Token>();
    Matcher token = TOKEN.matcher(text.stripTrailing());
    int end = 0;
    while (token.find()) {
      if (token.start() != end) {
        break;
      }
      end = token.end();
      String quoted = token.group(1);
      String word = token.group(2) == null ? token.group(3) : token.group(2);
      tokens.add(
          quoted == null
              ? new Token(null, word.toLowerCase(Locale.ROOT))
              : new Token(quoted.replace("\"\"", "\""), ""));
    }
    if (end < text.stripTrailing().length()) {
      throw unreadable("A quotation mark is not closed.");
    }
    return tokens;
  }

  private Condition either() {
    List<Condition> ways = new ArrayList<>(List.of(all()));
    while (isNext("or")) {
      ways.add(all());
    }
    return ways.size() == 1 ? ways.getFirst() : new Condition.Any(ways);
  }

  private Condition all() {
    List<Condition> parts = new ArrayList<>(List.of(one()));
    while (isNext("and")) {
      parts.add(one());
    }
    return parts.size() == 1 ? parts.getFirst() : new Condition.All(parts);
  }

  private Condition one() {
    if (isNext("(")) {
      if (++depth > Condition.DEEPEST) {
        throw unreadable(
            "Groups stand at most %d deep in each other.".formatted(Condition.DEEPEST));
      }
      Condition group = either();
      depth--;
      if (!isNext(")")) {
        throw expected("a closing bracket");
      }
      return group;
    }
    return switch (word()) {
      case "paid" -> way();
      case "amount" -> amount();
      case "on" -> on();
      case "day" -> oneDay(number("a day").intValue());
      case "days" -> days();
      case "any" -> text(TextPlace.ANY, "text");
      case "counterparty" -> text(TextPlace.COUNTERPARTY_ACCOUNT, "account");
      case "payee", "memo", "reference", "type" ->
          text(ConditionText.place(tokens.get(at - 1).word()).orElseThrow());
      default -> {
        at--;
        throw expected("a text, an amount, paid in or out, on an account, or a day");
      }
    };
  }

  private Condition way() {
    if (isNext("in")) {
      return new Condition.Way(Condition.Direction.IN);
    }
    if (isNext("out")) {
      return new Condition.Way(Condition.Direction.OUT);
    }
    throw expected("in or out");
  }

  private Condition amount() {
    if (isNext("from")) {
      return new Condition.AmountIs(number("an amount"), null);
    }
    if (isNext("up")) {
      require("to");
      return new Condition.AmountIs(null, number("an amount"));
    }
    BigDecimal from = number("an amount");
    return new Condition.AmountIs(from, isNext("to") ? number("an amount") : from);
  }

  private static Condition oneDay(int day) {
    return new Condition.Days(day, day);
  }

  private Condition days() {
    int from = number("a day").intValue();
    require("to");
    return new Condition.Days(from, number("a day").intValue());
  }

  private Condition on() {
    Set<UUID> named = new HashSet<>();
    do {
      String name = quoted("the name of an account");
      named.add(
          accounts
              .apply(name)
              .orElseThrow(() ->
                  Refusal.ofField(
                      "unknown-account", "when", "There is no account %s.".formatted(name))));
    } while (isNext(","));
    return new Condition.On(named);
  }

  private Condition text(TextPlace place, String second) {
    require(second);
    return text(place);
  }

  private Condition text(TextPlace place) {
    for (TextMatch match : LONGEST_FIRST) {
      int begin = at;
      boolean said = true;
      for (String word : match.words().split(" ", -1)) {
        said = said && isNext(word);
      }
      if (said) {
        return Condition.Text.of(place, match, quoted("what to look for"));
      }
      at = begin;
    }
    throw expected("has the words, is, contains, begins with, ends with, or is like");
  }

  /** "is like" begins like "is". */
  private static final List<TextMatch> LONGEST_FIRST =
      List.of(
          TextMatch.HAS_WORDS,
          TextMatch.LIKE,
          TextMatch.IS,
          TextMatch.CONTAINS,
          TextMatch.STARTS,
          TextMatch.ENDS);

  private String word() {
    if (at >= tokens.size()) {
      throw expected("a condition");
    }
    return tokens.get(at++).word();
  }

  private boolean isNext(String word) {
    boolean is =
        at < tokens.size() && tokens.get(at).quoted() == null && tokens.get(at).word().equals(word);
    at += is ? 1 : 0;
    return is;
  }

  private void require(String word) {
    if (!isNext(word)) {
      throw expected(word);
    }
  }

  private String quoted(String what) {
    if (at >= tokens.size() || tokens.get(at).quoted() == null) {
      throw expected(what + " between quotation marks");
    }
    return java.util.Objects.requireNonNull(tokens.get(at++).quoted());
  }

  private BigDecimal number(String what) {
    if (at < tokens.size() && tokens.get(at).word().matches("\\d{1,12}(\\.\\d{1,4})?")) {
      return new BigDecimal(tokens.get(at++).word());
    }
    throw expected(what + " such as 40 or 12.50");
  }

  private Refusal expected(String what) {
    if (at >= tokens.size()) {
      return unreadable("The conditions end where %s should come.".formatted(what));
    }
    Token found = tokens.get(at);
    return unreadable(
        "Expected %s, not %s."
            .formatted(what, found.quoted() == null ? found.word() : found.quoted()));
  }

  private static Refusal unreadable(String message) {
    return Refusal.ofField("condition-unreadable", "when", message);
  }
}
