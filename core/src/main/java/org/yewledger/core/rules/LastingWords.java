package org.yewledger.core.rules;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.yewledger.core.gather.BankLine;

/**
 * The words of a line that are likely to stand in the next line of the same payee too: not the
 * numbers and dates that change each time, not the ways of paying that stand in everybody's lines.
 */
public final class LastingWords {
  private static final int AT_MOST = 2;
  private static final int MOST_IN_COMMON = 4;
  private static final int SHORTEST_TELLING = 3;
  private static final Set<String> WAYS_OF_PAYING =
      Set.of(
          "CARD",
          "DD",
          "CR",
          "DR",
          "TRF",
          "TRANSFER",
          "PAYMENT",
          "PAY",
          "DIRECT",
          "DEBIT",
          "CREDIT",
          "STANDING",
          "ORDER",
          "REF",
          "INV",
          "INVOICE",
          "POS",
          "CASH",
          "RECEIVED",
          "FROM",
          "TO",
          "THE",
          "AND");

  private LastingWords() {}

  /** The words of all that a line says by which its payee may be told, in their order. */
  public static Set<String> telling(BankLine line) {
    return telling(line.payee() + ' ' + line.memo());
  }

  /** The words of a text that may tell a payee: no numbers, no ways of paying, no abbreviations. */
  public static Set<String> telling(String text) {
    return Words.of(text).list().stream()
        .filter(word -> word.length() >= SHORTEST_TELLING)
        .filter(LastingWords::isLasting)
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  /**
   * The longest run of words that stands in a text of every line and may tell a payee; empty if
   * there is none.
   */
  public static Words common(List<BankLine> lines) {
    Words first = Words.of(lines.getFirst().text());
    List<String> texts =
        lines.stream().map(line -> ' ' + Words.of(line.text()).toString() + ' ').toList();
    for (int length = Math.min(MOST_IN_COMMON, first.list().size()); length > 0; length--) {
      for (int at = 0; at + length <= first.list().size(); at++) {
        var run = new Words(first.list().subList(at, at + length));
        if (!telling(run.toString()).isEmpty()
            && isLasting(run.list().getFirst())
            && isLasting(run.list().getLast())
            && texts.stream().allMatch(text -> text.contains(' ' + run.toString() + ' '))) {
          return run;
        }
      }
    }
    return Words.of("");
  }

  /**
   * A name to begin with for a payee whom no one has named yet: the lasting words as names are
   * written. The bank's text as it stands never becomes a name by itself.
   */
  public static String name(BankLine line) {
    return name(of(line));
  }

  /** Words as names are written. */
  public static String name(Words words) {
    return Arrays.stream(words.toString().toLowerCase(Locale.ROOT).split(" ", -1))
        .map(LastingWords::capital)
        .collect(Collectors.joining(" "));
  }

  private static String capital(String word) {
    return word.isEmpty()
        ? word
        : new StringBuilder()
            .appendCodePoint(Character.toTitleCase(word.codePointAt(0)))
            .append(word.substring(Character.charCount(word.codePointAt(0))))
            .toString();
  }

  private static boolean isLasting(String word) {
    return word.chars().noneMatch(Character::isDigit) && !WAYS_OF_PAYING.contains(word);
  }

  /** The proposed words; all words of the line if none seems lasting, empty if it has no text. */
  public static Words of(BankLine line) {
    Words all = Words.of(line.payee().isBlank() ? line.memo() : line.payee());
    List<String> lasting =
        all.list().stream().filter(word -> word.length() > 1 && isLasting(word)).toList();
    if (lasting.isEmpty()) {
      return all;
    }
    // The phrase must stand in the text as it is: stop where the lasting words stop being
    // neighbours.
    int first = all.list().indexOf(lasting.getFirst());
    int last = first + 1;
    while (last < all.list().size()
        && last - first < AT_MOST
        && lasting.contains(all.list().get(last))) {
      last++;
    }
    return new Words(all.list().subList(first, last));
  }
}
