package org.yewledger.app.platform;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/** The list of codes is that of the sources: none is forgotten, none is left over. */
public class ProblemCodesTest {
  private static final List<Pattern> MADE =
      List.of(
          Pattern.compile("(?:Refusal\\s*\\.of(?:Field)?|new Conflict)\\(\\s*\"([a-z0-9-]+)\""),
          Pattern.compile("require\\([^;\"]*,\\s*\"([a-z0-9-]+)\",\\s*(?:\"|field)"),
          Pattern.compile("wall\\(\\s*\"[^\"]+\",\\s*\"([a-z0-9-]+)\""),
          Pattern.compile("HttpStatus\\.\\w+,\\s*\"([a-z0-9-]+)\""),
          Pattern.compile("urn:yew:problem:([a-z][a-z0-9-]+)"));

  private static Stream<Path> sources() throws IOException {
    return Stream.of("../core", "../formats", ".")
        .map(module -> Path.of(module, "src/main/java"))
        .flatMap(root -> {
          try {
            return Files.walk(root);
          } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
          }
        })
        .filter(file -> file.toString().endsWith(".java"));
  }

  @Test
  public void theListIsThatOfTheSources() throws IOException {
    Set<String> made = new TreeSet<>();
    try (Stream<Path> files = sources()) {
      for (Path file : files.toList()) {
        String source = Files.readString(file);
        MADE.forEach(pattern ->
            made.addAll(
                pattern
                    .matcher(source)
                    .results()
                    .map((MatchResult m) -> m.group(1))
                    .collect(Collectors.toSet())));
      }
    }
    assertEquals(new TreeSet<>(ProblemCodes.ALL), made);
    assertEquals(made.size(), ProblemCodes.ALL.size(), "a code is listed twice");
  }
}
