package org.yewledger.core.journal;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of a typed query between spaces; what is in double quotes belongs together, and a double
 * quote within them is typed twice.
 *
 * @param name what stands before the first colon outside of quotes, if it is letters; null if none
 * @param values what stands behind it, parted at commas outside of quotes
 * @param whole the value as typed, with its commas, without its quotes
 * @param open whether a quote is not closed
 */
record QueryToken(
    int from,
    int to,
    String text,
    boolean not,
    @Nullable String name,
    List<String> values,
    String whole,
    boolean open) {

  /** Cost: linear in the text. */
  static List<QueryToken> of(String text) {
    var tokens = new ArrayList<QueryToken>();
    int at = 0;
    while (at < text.length()) {
      if (Character.isWhitespace(text.charAt(at))) {
        at++;
      } else {
        QueryToken token = new Reading(text, at).token();
        tokens.add(token);
        at = token.to();
      }
    }
    return tokens;
  }

  /** A value so that it is read as one: in quotes where it needs them. */
  static String quoted(String value) {
    boolean plain =
        !value.isEmpty()
            && !value.startsWith("-")
            && value
                .chars()
                .noneMatch(c -> Character.isWhitespace(c) || c == '"' || c == ',' || c == ':');
    return plain ? value : '"' + value.replace("\"", "\"\"") + '"';
  }

  private static final class Reading {
    private final String text;
    private final int from;
    private int at;
    private boolean quoted;
    private @Nullable String name;
    private final List<String> values = new ArrayList<>();
    private final StringBuilder value = new StringBuilder();
    private final StringBuilder whole = new StringBuilder();
    private boolean wasQuoted;

    Reading(String text, int from) {
      this.text = text;
      this.from = from;
      this.at = from;
    }

    QueryToken token() {
      boolean not =
          text.charAt(at) == '-'
              && at + 1 < text.length()
              && !Character.isWhitespace(text.charAt(at + 1));
      if (not) {
        at++;
      }
      for (; at < text.length(); at++) {
        char c = text.charAt(at);
        if (c == '"') {
          quote();
        } else if (!quoted && Character.isWhitespace(c)) {
          break;
        } else {
          take(c);
        }
      }
      values.add(value.toString());
      return new QueryToken(
          from,
          at,
          text.substring(from, at),
          not,
          name,
          values.stream().map(String::strip).toList(),
          whole.toString().strip(),
          quoted);
    }

    /** A quote opens, closes, or within quotes stands for itself when it is doubled. */
    private void quote() {
      wasQuoted = true;
      if (quoted && at + 1 < text.length() && text.charAt(at + 1) == '"') {
        at++;
        keep('"');
      } else {
        quoted = !quoted;
      }
    }

    private void take(char c) {
      if (!quoted && c == ':' && name == null && !wasQuoted && isWord()) {
        name = value.toString();
        value.setLength(0);
        whole.setLength(0);
      } else if (!quoted && c == ',' && name != null) {
        values.add(value.toString());
        value.setLength(0);
        whole.append(c);
      } else {
        keep(c);
      }
    }

    private boolean isWord() {
      return !value.isEmpty() && value.chars().allMatch(Character::isLetter);
    }

    private void keep(char c) {
      value.append(c);
      whole.append(c);
    }
  }
}
