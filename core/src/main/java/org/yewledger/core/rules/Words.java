package org.yewledger.core.rules;

import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** A text as whole words: upper case, without accents, split at whatever is no letter or digit. */
public record Words(List<String> list) {
  private static final Pattern MARKS = Pattern.compile("\\p{M}+");
  private static final Pattern BETWEEN = Pattern.compile("[^\\p{L}\\p{N}]+");

  public static Words of(String text) {
    String plain = MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll("");
    return new Words(
        BETWEEN
            .splitAsStream(plain.toUpperCase(Locale.ROOT))
            .filter(word -> !word.isEmpty())
            .toList());
  }

  public boolean isEmpty() {
    return list.isEmpty();
  }

  /**
   * Whether these words stand in the other text next to each other, in this order, from a place on.
   */
  boolean standIn(Words text, int from) {
    return from + list.size() <= text.list.size()
        && text.list.subList(from, from + list.size()).equals(list);
  }

  @Override
  public String toString() {
    return String.join(" ", list);
  }
}
