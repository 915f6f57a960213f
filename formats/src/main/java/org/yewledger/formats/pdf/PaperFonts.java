package org.yewledger.formats.pdf;

import java.awt.Color;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.stream.Stream;
import org.openpdf.text.Font;
import org.openpdf.text.Phrase;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.FontSelector;

/**
 * The product's fonts, cut into scripts: of each character, the first that has it. Letters of other
 * scripts are set as a question mark, so that nothing goes missing unseen.
 */
final class PaperFonts {
  private static final List<String> SANS = List.of("latin", "latin-ext", "greek", "cyrillic");
  private static final List<String> SERIF = List.of("latin", "latin-ext");
  static final List<BaseFont> REGULAR = load("source-sans-3-%s-400.ttf", SANS);
  static final List<BaseFont> STRONG = load("source-sans-3-%s-600.ttf", SANS);
  static final List<BaseFont> TITLE =
      Stream.concat(load("source-serif-4-%s-600.ttf", SERIF).stream(), STRONG.stream()).toList();

  private PaperFonts() {}

  /** A text in fonts, at a size in points. */
  static Phrase phrase(String text, List<BaseFont> fonts, float size, Color colour) {
    var selector = new FontSelector();
    fonts.forEach(font -> selector.addFont(new Font(font, size, Font.NORMAL, colour)));
    var known = new StringBuilder(text.length());
    text.codePoints()
        .map(c -> Character.isISOControl(c) ? ' ' : c)
        .map(c -> fonts.stream().anyMatch(f -> f.charExists(c)) ? c : replaced(c))
        .forEach(known::appendCodePoint);
    Phrase set = selector.process(known.toString());
    // What the library adds by itself, such as the end of a paragraph, is set like the rest.
    set.setFont(new Font(fonts.getFirst(), size, Font.NORMAL, colour));
    return set;
  }

  /** Spaces of any width are spaces. */
  private static int replaced(int character) {
    return Character.isSpaceChar(character) ? ' ' : '?';
  }

  private static List<BaseFont> load(String file, List<String> scripts) {
    return scripts.stream().map(script -> load(file.formatted(script))).toList();
  }

  private static BaseFont load(String file) {
    try (InputStream in = PaperFonts.class.getResourceAsStream(file)) {
      if (in == null) {
        throw new IllegalStateException("no font " + file);
      }
      return BaseFont.createFont(
          file, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, true, in.readAllBytes(), null);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
