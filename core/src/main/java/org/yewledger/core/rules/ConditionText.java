package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Conditions as one line of plain text, as tables and histories have them:
 *
 * <pre>
 * any text has the words "COBBLERS ROW" and paid out and (on "Harbour Current", "Quillon Card" or amount up to 20)
 * amount 40 to 180 · amount from 40 · amount 12.5 · day 28 · days 28 to 3 · memo is like "RENT.*"
 * </pre>
 *
 * A quotation mark within a text is doubled. {@link ConditionReader} reads it back.
 */
public final class ConditionText {
  private ConditionText() {}

  /**
   * @param names what accounts are called
   */
  public static String of(Condition when, Function<UUID, String> names) {
    return switch (when) {
      case Condition.All(List<Condition> parts) -> joined(parts, " and ", names);
      case Condition.Any(List<Condition> parts) -> joined(parts, " or ", names);
      case Condition.Text text ->
          text.place().words() + ' ' + text.match().words() + ' ' + quoted(text.what());
      case Condition.Way(var direction) ->
          direction == Condition.Direction.IN ? "paid in" : "paid out";
      case Condition.AmountIs(var from, var to) -> amount(from, to);
      case Condition.On(var accounts) ->
          "on "
              + accounts.stream()
                  .map(names)
                  .sorted(Comparator.naturalOrder())
                  .map(ConditionText::quoted)
                  .collect(Collectors.joining(", "));
      case Condition.Days(int from, int to) ->
          from == to ? "day " + from : "days %d to %d".formatted(from, to);
    };
  }

  private static String joined(List<Condition> parts, String with, Function<UUID, String> names) {
    return parts.stream()
        .map(part ->
            Condition.parts(part).size() > 1 ? '(' + of(part, names) + ')' : of(part, names))
        .collect(Collectors.joining(with));
  }

  private static String amount(@Nullable BigDecimal from, @Nullable BigDecimal to) {
    if (from == null) {
      return to == null ? "" : "amount up to " + to.toPlainString();
    }
    if (to == null) {
      return "amount from " + from.toPlainString();
    }
    return from.equals(to)
        ? "amount " + from.toPlainString()
        : "amount %s to %s".formatted(from.toPlainString(), to.toPlainString());
  }

  private static String quoted(String text) {
    return '"' + text.replace("\"", "\"\"") + '"';
  }

  static Optional<TextPlace> place(String words) {
    return Arrays.stream(TextPlace.values()).filter(p -> p.words().equals(words)).findFirst();
  }
}
