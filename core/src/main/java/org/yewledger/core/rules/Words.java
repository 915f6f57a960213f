package org.yewledger.core.rules;

import java.util.ArrayList;
import java.util.List;
import org.yewledger.core.text.PlainText;

/** A text as whole words: upper case, without accents, split at whatever is no letter or digit. */
public record Words(List<String> list) {
  public static Words of(String text) {
    String plain = PlainText.of(text);
    var words = new ArrayList<String>();
    int start = 0;
    for (int at = 0, c; at < plain.length(); at += Character.charCount(c)) {
      c = plain.codePointAt(at);
      if (!isOfAWord(c)) {
        addIfAny(words, plain, start, at);
        start = at + Character.charCount(c);
      }
    }
    addIfAny(words, plain, start, plain.length());
    return new Words(List.copyOf(words));
  }

  private static void addIfAny(List<String> words, String text, int from, int to) {
    if (from < to) {
      words.add(text.substring(from, to));
    }
  }

  private static boolean isOfAWord(int codePoint) {
    return Character.isLetterOrDigit(codePoint)
        || Character.getType(codePoint) == Character.LETTER_NUMBER
        || Character.getType(codePoint) == Character.OTHER_NUMBER;
  }

  public boolean isEmpty() {
    return list.isEmpty();
  }

  @Override
  public String toString() {
    return String.join(" ", list);
  }
}
