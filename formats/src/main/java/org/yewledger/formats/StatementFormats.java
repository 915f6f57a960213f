package org.yewledger.formats;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.regex.Pattern;
import org.yewledger.core.gather.LineSource;

/** Tells the format of a file by what is in it, never by its name. */
public final class StatementFormats {
  private static final int LOOKED_AT = 4096;
  private static final Pattern CAMT =
      Pattern.compile("<(?:\\w+:)?(?:BkToCstmrStmt|BkToCstmrAcctRpt|Document)\\b");
  private static final Pattern MT940 = Pattern.compile("(?m)^:(?:20|25|60[FM]):");

  private StatementFormats() {}

  /**
   * @return any of the sources but {@link LineSource#FEED}
   * @throws UnreadableFile if the file is none of them; says what it looks like instead
   */
  public static LineSource recognise(byte[] bytes) {
    if (bytes.length == 0) {
      throw UnreadableFile.whole("The file is empty.");
    }
    if (bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4) {
      return LineSource.XLSX;
    }
    String head = head(bytes);
    String upper = head.toUpperCase(Locale.ROOT).stripLeading();
    if (upper.startsWith("OFXHEADER") || upper.contains("<OFX>")) {
      return LineSource.OFX;
    }
    if (upper.startsWith("<") && CAMT.matcher(head).find()) {
      return LineSource.CAMT;
    }
    if (upper.startsWith("{1:") || MT940.matcher(head).find()) {
      return LineSource.MT940;
    }
    if (!isText(head) || isMarkup(upper) || !upper.matches("(?s).*[,;\t|].*")) {
      throw UnreadableFile.whole(
          "This is no statement file that can be read: it begins with %s. OFX, camt, MT940, CSV and XLSX can."
              .formatted(Excerpt.of(head)));
    }
    return LineSource.CSV;
  }

  /** UTF-16 looks like text to the patterns once its zero bytes are gone. */
  private static String head(byte[] bytes) {
    String head =
        new String(bytes, 0, Math.min(bytes.length, LOOKED_AT), StandardCharsets.ISO_8859_1);
    if (head.startsWith("\u00ef\u00bb\u00bf")) {
      return head.substring(3);
    }
    boolean utf16 = head.startsWith("\u00fe\u00ff") || head.startsWith("\u00ff\u00fe");
    return utf16 ? head.substring(2).replace("\0", "") : head;
  }

  private static boolean isText(String head) {
    return head.chars().noneMatch(c -> c < ' ' && c != '\n' && c != '\r' && c != '\t');
  }

  private static boolean isMarkup(String upper) {
    return upper.startsWith("<") || upper.startsWith("%PDF");
  }
}
