package org.yewledger.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.google.gson.Gson;
import com.google.gson.reflect.TypeToken;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/**
 * The guide is made of the texts that explain the views in place; {@code -Dyew.writeGuide=true}
 * writes it anew.
 */
public class GuideTest {
  private static final Path HELP = Path.of("../ui/src/help");
  private static final Path GUIDE = Path.of("../docs/guide/README.md");

  /** The work of a month, in its order. */
  private static final List<String> MONTH =
      List.of("/", "/gather", "/post", "/reconcile", "/reconcile/", "/close", "/reports");

  private record View(
      String path,
      String name,
      String what,
      String first,
      List<String> words,
      @Nullable String picture) {}

  private record Word(String word, String means) {}

  private static <T> List<T> read(String file, Class<T> of) throws IOException {
    return new Gson()
        .fromJson(
            Files.readString(HELP.resolve(file)),
            TypeToken.getParameterized(List.class, of).getType());
  }

  private static String section(View view, Map<String, String> means) {
    var text = new StringBuilder("### %s\n\n%s\n\n".formatted(view.name(), view.what()));
    if (view.picture() != null) {
      text.append("![%s](../screenshots/%s)\n\n".formatted(view.name(), view.picture()));
    }
    text.append("**First:** %s\n\n".formatted(view.first()));
    view.words().forEach(word -> text.append("- **%s**: %s\n".formatted(word, means.get(word))));
    return text.append(view.words().isEmpty() ? "" : "\n").toString();
  }

  private static String guide(List<View> views, List<Word> words) {
    Map<String, String> means = words.stream().collect(Collectors.toMap(Word::word, Word::means));
    Map<String, View> byPath = views.stream().collect(Collectors.toMap(View::path, v -> v));
    List<String> parts = new ArrayList<>();
    parts.add(
        "# The guide\n\nEvery view says the same of itself with F1, with the keys that work there."
            + " Ctrl K finds views, words and whatever can be done.\n\n## The month's work\n\n");
    MONTH.forEach(path -> parts.add(section(byPath.get(path), means)));
    parts.add("## The rest\n\n");
    views.stream()
        .filter(view -> !MONTH.contains(view.path()))
        .forEach(view -> parts.add(section(view, means)));
    parts.add("## All words\n\n| word | meaning |\n|---|---|\n");
    words.forEach(word -> parts.add("| %s | %s |\n".formatted(word.word(), word.means())));
    return String.join("", parts);
  }

  @Test
  public void theGuideSaysWhatTheViewsSayOfThemselves() throws IOException {
    List<View> views = read("views.json", View.class);
    List<Word> words = read("words.json", Word.class);
    List<String> known = words.stream().map(Word::word).toList();
    assertEquals(known.stream().distinct().count(), known.size());
    for (View view : views) {
      assertTrue(known.containsAll(view.words()), view.name() + ": " + view.words());
      if (view.picture() != null) {
        assertTrue(Files.exists(Path.of("../docs/screenshots", view.picture())), view.picture());
      }
    }
    String guide = guide(views, words);
    if (Boolean.getBoolean("yew.writeGuide")) {
      Files.createDirectories(GUIDE.getParent());
      Files.writeString(GUIDE, guide);
    }
    assertEquals(Files.readString(GUIDE), guide);
  }
}
