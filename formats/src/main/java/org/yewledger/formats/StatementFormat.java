package org.yewledger.formats;

import java.nio.charset.StandardCharsets;
import java.util.Locale;

/** The formats that can be read, told by what is in a file, never by its name. */
public enum StatementFormat {
  OFX,
  CSV;

  private static final int LOOKED_AT = 4096;

  /**
   * @throws UnreadableFile if the file is neither; says what it looks like instead
   */
  public static StatementFormat of(byte[] bytes) {
    if (bytes.length == 0) {
      throw UnreadableFile.whole("The file is empty.");
    }
    String head =
        new String(bytes, 0, Math.min(bytes.length, LOOKED_AT), StandardCharsets.ISO_8859_1);
    String upper = head.toUpperCase(Locale.ROOT);
    if (upper.stripLeading().startsWith("OFXHEADER") || upper.contains("<OFX>")) {
      return OFX;
    }
    boolean utf16 = head.startsWith("\u00fe\u00ff") || head.startsWith("\u00ff\u00fe");
    boolean text =
        utf16 || head.chars().noneMatch(c -> c < ' ' && c != '\n' && c != '\r' && c != '\t');
    boolean markup =
        upper.stripLeading().startsWith("<") || upper.stripLeading().startsWith("%PDF");
    if (!text || markup || !upper.matches("(?s).*[,;\t|].*")) {
      throw UnreadableFile.whole(
          "This is no OFX file and no CSV file: it begins with %s.".formatted(Excerpt.of(head)));
    }
    return CSV;
  }
}
