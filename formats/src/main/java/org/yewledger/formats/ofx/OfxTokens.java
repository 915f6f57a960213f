package org.yewledger.formats.ofx;

import java.util.Locale;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;

/**
 * Splits OFX into tags and texts. One tokenizer reads both SGML, where a value's closing tag is
 * left out, and XML, and is lenient where banks are careless (a bare ampersand) but not where it
 * would be dangerous: document types and entities of one's own are refused.
 */
final class OfxTokens {
  private static final int LONGEST_TAG = 80;
  private static final int LONGEST_TEXT = 20_000;

  private static final Pattern REFERENCE =
      Pattern.compile("&(#\\d{1,7}|#[xX][0-9A-Fa-f]{1,6}|[A-Za-z]{2,6});");
  private static final Map<String, String> NAMED =
      Map.of("lt", "<", "gt", ">", "quot", "\"", "apos", "'", "nbsp", " ", "amp", "&");

  /** What stands at a place of the file. */
  sealed interface Token {
    int line();

    record Open(String name, int line) implements Token {}

    record Close(String name, int line) implements Token {}

    record Text(String text, int line) implements Token {}
  }

  private final String text;
  private int at;
  private int line = 1;

  OfxTokens(String text) {
    this.text = text;
  }

  /** The next tag or text that is not blank; null at the end. */
  @Nullable Token next() {
    while (at < text.length()) {
      Token token = text.charAt(at) == '<' ? tag() : text();
      if (token != null) {
        return token;
      }
    }
    return null;
  }

  private @Nullable Token tag() {
    int startLine = line;
    char second = at + 1 < text.length() ? text.charAt(at + 1) : ' ';
    if (second == '?' || second == '!') {
      return besidesTags(startLine);
    }
    int end = text.indexOf('>', at);
    if (end < 0 || end - at > LONGEST_TAG) {
      throw UnreadableFile.at(
          line,
          "the tag %s has no end."
              .formatted(Excerpt.of(text.substring(at, Math.min(at + 20, text.length())))));
    }
    String name = text.substring(at + 1, end).strip().toUpperCase(Locale.ROOT);
    advanceTo(end + 1);
    if (name.endsWith("/")) {
      return null; // <MEMO/> says no more than no MEMO
    }
    return name.startsWith("/")
        ? new Token.Close(name.substring(1).strip(), startLine)
        : new Token.Open(name, startLine);
  }

  /** Instructions and comments, which say nothing, and text that is marked as such. */
  private @Nullable Token besidesTags(int startLine) {
    if (text.startsWith("<?", at) || text.startsWith("<!--", at)) {
      skipPast(text.startsWith("<?", at) ? "?>" : "-->");
      return null;
    }
    if (text.startsWith("<![CDATA[", at)) {
      int start = at + 9;
      skipPast("]]>");
      return new Token.Text(text.substring(start, at - 3), startLine);
    }
    throw UnreadableFile.at(line, "a document type or entity stands in the file; OFX has none.");
  }

  private @Nullable Token text() {
    int startLine = line;
    int end = text.indexOf('<', at);
    end = end < 0 ? text.length() : end;
    if (end - at > LONGEST_TEXT && !text.substring(at, end).isBlank()) {
      throw UnreadableFile.at(line, "a text is longer than 20,000 characters.");
    }
    String value = unescape(text.substring(at, end)).strip();
    advanceTo(end);
    return value.isEmpty() ? null : new Token.Text(value, startLine);
  }

  private void skipPast(String closing) {
    int end = text.indexOf(closing, at);
    if (end < 0) {
      throw UnreadableFile.at(line, "%s is missing.".formatted(Excerpt.of(closing)));
    }
    advanceTo(end + closing.length());
  }

  private void advanceTo(int end) {
    for (; at < end; at++) {
      line += text.charAt(at) == '\n' ? 1 : 0;
    }
  }

  private static String unescape(String value) {
    if (value.indexOf('&') < 0) {
      return value;
    }
    return REFERENCE.matcher(value).replaceAll(m -> Matcher.quoteReplacement(character(m)));
  }

  /** The character that a reference stands for; as it is written where it stands for none. */
  private static String character(MatchResult reference) {
    String name = reference.group(1);
    if (!name.startsWith("#")) {
      return NAMED.getOrDefault(name.toLowerCase(Locale.ROOT), reference.group());
    }
    boolean hex = name.length() > 1 && (name.charAt(1) == 'x' || name.charAt(1) == 'X');
    int code = hex ? Integer.parseInt(name.substring(2), 16) : Integer.parseInt(name.substring(1));
    boolean isText =
        Character.isValidCodePoint(code) && (code >= ' ' || code == '\n' || code == '\t');
    return isText ? Character.toString(code) : reference.group();
  }
}
