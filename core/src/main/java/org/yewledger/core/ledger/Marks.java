package org.yewledger.core.ledger;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * What an entry is marked with, beside payee and note; nothing of it moves money.
 *
 * @param reference a number that others know it by: of an invoice, a cheque, an order; may be empty
 * @param method how it was paid, null if that is not known
 * @param tags what it belongs to across categories, each once whatever its case, by name
 */
public record Marks(String reference, @Nullable Method method, List<String> tags) {
  public static final Marks NONE = new Marks("", null, List.of());

  private static final int MOST_TAGS = 20;
  private static final int LONGEST_TAG = 40;

  public Marks {
    reference = reference.strip();
    tags = List.copyOf(tags);
  }

  /**
   * @throws Refusal {@code tag-unreadable} or {@code too-many-tags}
   */
  public static Marks of(String reference, @Nullable Method method, Collection<String> tags) {
    Map<String, String> once = new TreeMap<>();
    for (String tag : tags) {
      String name = tag(tag, "tags");
      once.putIfAbsent(name.toLowerCase(Locale.ROOT), name);
    }
    if (once.size() > MOST_TAGS) {
      throw Refusal.ofField(
          "too-many-tags", "tags", "An entry has at most %d tags.".formatted(MOST_TAGS));
    }
    return new Marks(reference, method, List.copyOf(once.values()));
  }

  /**
   * The name of a tag as a person typed it: without a comma, since commas part tags.
   *
   * @param field where it was typed
   * @throws Refusal {@code tag-unreadable}
   */
  public static String tag(String typed, String field) {
    String name = typed.strip();
    if (name.isEmpty() || name.length() > LONGEST_TAG || name.contains(",")) {
      throw Refusal.ofField(
          "tag-unreadable",
          field,
          "A tag has 1 to %d letters and no comma.".formatted(LONGEST_TAG));
    }
    return name;
  }
}
