package org.yewledger.formats;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;

/**
 * Bytes to text, strictly: a byte that does not belong is an error with its line, never a question
 * mark.
 */
public final class TextDecoding {
  /**
   * Western European text as older programs write it; unlike ISO-8859-1 it leaves five bytes
   * undefined.
   */
  public static final Charset WINDOWS_1252 = Charset.forName("windows-1252");

  private TextDecoding() {}

  /**
   * @param why how the encoding is known, for the message, such as "the header says"
   * @throws UnreadableFile at the line of the first byte that the encoding does not know
   */
  public static String strictly(byte[] bytes, Charset charset, String why) {
    CharsetDecoder decoder =
        charset
            .newDecoder()
            .onMalformedInput(CodingErrorAction.REPORT)
            .onUnmappableCharacter(CodingErrorAction.REPORT);
    ByteBuffer in = ByteBuffer.wrap(bytes);
    CharBuffer out =
        CharBuffer.allocate((int) (bytes.length * (double) decoder.maxCharsPerByte()) + 1);
    CoderResult result = decoder.decode(in, out, true);
    if (result.isError()) {
      int line = 1;
      for (int i = 0; i < in.position(); i++) {
        line += bytes[i] == '\n' ? 1 : 0;
      }
      throw UnreadableFile.at(
          line,
          "byte 0x%02X is not %s, which %s. Save the file in that encoding, or export it again."
              .formatted(bytes[in.position()] & 0xFF, charset.name(), why));
    }
    decoder.flush(out);
    String text = out.flip().toString();
    int nul = text.indexOf('\0');
    if (nul >= 0) {
      throw UnreadableFile.at(
          1 + (int) text.substring(0, nul).chars().filter(c -> c == '\n').count(),
          "a zero byte stands in the text, so this is not a text file.");
    }
    return text;
  }

  /** Whether the bytes are text in this encoding from end to end. */
  public static boolean isAll(byte[] bytes, Charset charset) {
    try {
      strictly(bytes, charset, "");
      return true;
    } catch (UnreadableFile e) {
      return false;
    }
  }

  /**
   * UTF-8 where the bytes allow it, else Windows-1252: text in the second is almost never valid in
   * the first.
   */
  public static Charset guess(byte[] bytes) {
    if (bytes.length >= 2 && (bytes[0] & 0xFF) == 0xFE && (bytes[1] & 0xFF) == 0xFF
        || bytes.length >= 2 && (bytes[0] & 0xFF) == 0xFF && (bytes[1] & 0xFF) == 0xFE) {
      return StandardCharsets.UTF_16;
    }
    return isAll(bytes, StandardCharsets.UTF_8) ? StandardCharsets.UTF_8 : WINDOWS_1252;
  }
}
