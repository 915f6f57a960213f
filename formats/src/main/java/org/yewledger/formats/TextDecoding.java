package org.yewledger.formats;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.yewledger.core.Refusal;

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

  /** As ISO-8859-1, with the euro. */
  public static final Charset ISO_8859_15 = Charset.forName("ISO-8859-15");

  /** All encodings in which a table can be read, for the choice of a person. */
  public static final List<Charset> ENCODINGS =
      List.of(
          StandardCharsets.UTF_8,
          StandardCharsets.UTF_16,
          StandardCharsets.UTF_16LE,
          StandardCharsets.UTF_16BE,
          WINDOWS_1252,
          StandardCharsets.ISO_8859_1,
          ISO_8859_15);

  private static final int LOOKED_AT = 4096;

  private TextDecoding() {}

  /**
   * The encoding that a person has chosen.
   *
   * @throws Refusal {@code unknown-encoding}
   */
  public static Charset named(String name) {
    return ENCODINGS.stream()
        .filter(c -> c.name().equalsIgnoreCase(name))
        .findFirst()
        .orElseThrow(() ->
            Refusal.ofField("unknown-encoding", "encoding", "Files are not read as " + name + "."));
  }

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
   * UTF-16 by its mark or by zero bytes in many of every other place; else UTF-8 where the bytes
   * allow it; else the Western encoding that all bytes fit. ISO-8859-15 has the euro where
   * Windows-1252 has a sign that no bank writes.
   */
  public static Charset guess(byte[] bytes) {
    if (bytes.length >= 2 && (startsWith(bytes, 0xFE, 0xFF) || startsWith(bytes, 0xFF, 0xFE))) {
      return StandardCharsets.UTF_16;
    }
    int atEven = zeros(bytes, 0);
    int atOdd = zeros(bytes, 1);
    // Typographic quotes and accents have no zero byte, but digits, spaces and line ends have.
    int looked = Math.min(bytes.length, LOOKED_AT) / 2;
    if (looked > 1
        && Math.max(atEven, atOdd) * 3 >= looked
        && Math.min(atEven, atOdd) * 20 < looked) {
      return atOdd > atEven ? StandardCharsets.UTF_16LE : StandardCharsets.UTF_16BE;
    }
    if (isAll(bytes, StandardCharsets.UTF_8)) {
      return StandardCharsets.UTF_8;
    }
    boolean hasControls = false;
    boolean hasEuroSign = false;
    for (byte b : bytes) {
      int value = b & 0xFF;
      hasControls |= value >= 0x80 && value <= 0x9F;
      hasEuroSign |= value == 0xA4;
    }
    if (hasControls) {
      return isAll(bytes, WINDOWS_1252) ? WINDOWS_1252 : StandardCharsets.ISO_8859_1;
    }
    return hasEuroSign ? ISO_8859_15 : WINDOWS_1252;
  }

  private static int zeros(byte[] bytes, int from) {
    int zeros = 0;
    for (int i = from; i < Math.min(bytes.length, LOOKED_AT); i += 2) {
      zeros += bytes[i] == 0 ? 1 : 0;
    }
    return zeros;
  }

  private static boolean startsWith(byte[] bytes, int first, int second) {
    return (bytes[0] & 0xFF) == first && (bytes[1] & 0xFF) == second;
  }
}
