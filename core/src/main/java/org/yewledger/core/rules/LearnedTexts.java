package org.yewledger.core.rules;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * Which part of a bank's text lasts, learned from the texts by which banks call the payees of a
 * household: where those of one payee begin alike and go on differently, what differs is a branch
 * or a town. A text that nobody has named yet, but that begins so too, is likely of that payee.
 */
public final class LearnedTexts {
  private static final int A_PATTERN = 2;

  /**
   * What a text is like.
   *
   * @param lasting the words that all of them begin with
   * @param texts those of the payee that begin so, by name
   */
  public record Like(UUID payeeId, Words lasting, List<String> texts) {
    public Like {
      texts = List.copyOf(texts);
    }
  }

  private final Map<String, Map<String, UUID>> byFirstWord = new HashMap<>();

  private LearnedTexts() {}

  /**
   * @param payees who is called by which text; cost: linear in their number
   */
  public static LearnedTexts of(Map<String, UUID> payees) {
    var learned = new LearnedTexts();
    payees.forEach((text, payee) ->
        learned
            .byFirstWord
            .computeIfAbsent(firstWord(text), word -> new TreeMap<>())
            .put(text, payee));
    return learned;
  }

  /** The word that lasts where texts go on differently; empty if a text has none. */
  public static String firstWord(String text) {
    List<String> words = Words.of(text).list();
    return words.isEmpty() ? "" : words.getFirst();
  }

  /** The payee whose texts go on differently behind the first word of this one. */
  public Optional<Like> like(String text) {
    String word = firstWord(text);
    Map<String, UUID> alike = byFirstWord.getOrDefault(word, Map.of());
    Set<UUID> payees = alike.values().stream().collect(Collectors.toSet());
    // A word that begins the texts of two payees tells neither.
    if (alike.size() < A_PATTERN || payees.size() > 1 || LastingWords.telling(word).isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new Like(payees.iterator().next(), Words.of(word), List.copyOf(alike.keySet())));
  }
}
