package org.yewledger.core.rules;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.regex.MatchResult;
import org.yewledger.core.Refusal;

/**
 * A regular expression that cannot hang: it is matched in time linear in the text (RE2), and one
 * that would grow beyond bounds when it is made ready is refused. Capitals and small letters are
 * the same.
 */
record LinePattern(String text, Pattern compiled) {
  /** What repetitions within repetitions may multiply to: each copies what is repeated. */
  private static final long MOST_REPEATED = 1_000;

  private static final java.util.regex.Pattern COUNTS =
      java.util.regex.Pattern.compile("\\{(\\d+)(?:,(\\d*))?}");

  /**
   * @throws Refusal {@code pattern-unreadable}
   */
  static LinePattern of(String text) {
    requireBounded(text);
    try {
      return new LinePattern(text, Pattern.compile(text, Pattern.CASE_INSENSITIVE));
    } catch (PatternSyntaxException e) {
      throw refused(
          "The pattern cannot be read: %s. A letter stands for itself, . for any, .* for anything."
              .formatted(e.getDescription()));
    }
  }

  private static void requireBounded(String text) {
    long times = 1;
    for (MatchResult count : (Iterable<MatchResult>) COUNTS.matcher(text).results()::iterator) {
      long most = Math.max(number(count.group(1)), number(count.group(2)));
      times *= Math.max(1, Math.min(most, MOST_REPEATED + 1));
      if (times > MOST_REPEATED) {
        throw refused(
            "The pattern repeats more than %d times over. Say fewer repetitions."
                .formatted(MOST_REPEATED));
      }
    }
  }

  private static long number(@org.jspecify.annotations.Nullable String digits) {
    if (digits == null || digits.isEmpty()) {
      return 0;
    }
    return digits.length() > 6 ? MOST_REPEATED + 1 : Long.parseLong(digits);
  }

  private static Refusal refused(String message) {
    return Refusal.ofField("pattern-unreadable", "text", message);
  }

  boolean isFoundIn(String line) {
    return compiled.matcher(line).find();
  }

  @Override
  public boolean equals(@org.jspecify.annotations.Nullable Object other) {
    return other instanceof LinePattern pattern && text.equals(pattern.text);
  }

  @Override
  public int hashCode() {
    return text.hashCode();
  }
}
