package org.yewledger.formats;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
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
    if (begins(bytes, 'P', 'K', 3, 4)) {
      return LineSource.XLSX;
    }
    refusePacked(bytes);
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
    refuseOther(head, upper);
    return LineSource.CSV;
  }

  /** Kinds of files that are told by their first bytes. */
  private static void refusePacked(byte[] bytes) {
    if (begins(bytes, 0x1F, 0x8B)) {
      throw UnreadableFile.whole(
          "This is a packed file (gzip). Unpack it and take in the file that is in it.");
    }
    if (begins(bytes, 'B', 'Z', 'h') || begins(bytes, 0xFD, '7', 'z') || begins(bytes, '7', 'z')) {
      throw UnreadableFile.whole("This is a packed file. Unpack it and take in what is in it.");
    }
    if (begins(bytes, 0xD0, 0xCF, 0x11, 0xE0)) {
      throw UnreadableFile.whole(
          "This is a workbook of the old kind (XLS). Open it in a spreadsheet and save it as XLSX or CSV.");
    }
    if (begins(bytes, '%', 'P', 'D', 'F')) {
      throw UnreadableFile.whole(
          "This is a PDF: it is made for reading, not for taking in. Ask the bank for OFX, camt.053, MT940 or CSV.");
    }
  }

  private static void refuseOther(String head, String upper) {
    if (head.isBlank()) {
      throw UnreadableFile.whole("The file is blank: it holds only spaces and empty lines.");
    }
    if (head.indexOf('\0') >= 0 || !isText(head)) {
      throw UnreadableFile.whole(
          "This is no text file: zero bytes or control characters stand in it. It may be damaged, or of a kind that cannot be read; export it again as OFX, camt.053, MT940, CSV or XLSX.");
    }
    if (upper.startsWith("<!DOCTYPE HTML")
        || upper.startsWith("<HTML")
        || upper.contains("<BODY")) {
      throw UnreadableFile.whole(
          "This is a web page, not a statement: the bank may have answered with an error or with its sign-in page. Sign in there and export the file again.");
    }
    if (upper.startsWith("{") || upper.startsWith("[")) {
      throw UnreadableFile.whole(
          "This is an answer made for programs (JSON), perhaps an error: it begins with %s. Export the file again as OFX, camt.053, MT940, CSV or XLSX."
              .formatted(Excerpt.of(head)));
    }
    if (upper.contains("<!DOCTYPE") || upper.contains("<!ENTITY")) {
      throw UnreadableFile.whole(
          "The file declares a document type; no statement does. Export it again from the bank itself.");
    }
    if (upper.startsWith("<") || !upper.matches("(?s).*[,;\t|].*")) {
      throw UnreadableFile.whole(
          "This is no statement file that can be read: it begins with %s. OFX, camt.053, MT940, CSV and XLSX can."
              .formatted(Excerpt.of(head)));
    }
  }

  private static boolean begins(byte[] bytes, int... with) {
    for (int i = 0; i < with.length; i++) {
      if (i >= bytes.length || (bytes[i] & 0xFF) != with[i]) {
        return false;
      }
    }
    return true;
  }

  /** The beginning as text; bytes that belong to no encoding stay as they are. */
  private static String head(byte[] bytes) {
    byte[] first = Arrays.copyOf(bytes, Math.min(bytes.length, LOOKED_AT));
    Charset charset = TextDecoding.guess(first);
    boolean wide = charset.name().startsWith("UTF-16");
    String head = new String(first, wide ? charset : StandardCharsets.ISO_8859_1);
    if (head.startsWith("\u00ef\u00bb\u00bf")) {
      return head.substring(3);
    }
    return head.startsWith("\ufeff") ? head.substring(1) : head;
  }

  private static boolean isText(String head) {
    return head.chars().noneMatch(c -> c < ' ' && c != '\n' && c != '\r' && c != '\t' && c != '\f');
  }
}
