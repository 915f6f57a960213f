package org.yewledger.formats.attachment;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.yewledger.core.Refusal;

/**
 * The kinds of files that can be attached. A file is what its first bytes say (ISO 32000-2 §7.5.2,
 * ITU-T T.81 §B.1.1.3, ISO/IEC 15948 §5.2, ISO/IEC 14496-12 §4.3); its name and whatever a browser
 * says of it are only believed where they say the same.
 */
public enum AttachmentType {
  PDF("a PDF document", "application/pdf", List.of("pdf")),
  JPEG("a JPEG picture", "image/jpeg", List.of("jpg", "jpeg")),
  PNG("a PNG picture", "image/png", List.of("png")),
  HEIC("a HEIC picture", "image/heic", List.of("heic", "heif"));

  /** The largest file that is taken, in bytes: 20 MB. */
  public static final int LARGEST = 20 << 20;

  private static final String FIELD = "file";
  private static final byte[] PNG_SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};
  private static final Set<String> HEIC_BRANDS =
      Set.of("heic", "heix", "heim", "heis", "hevc", "hevx", "mif1", "msf1");

  private final String words;
  private final String mediaType;
  private final List<String> endings;

  AttachmentType(String words, String mediaType, List<String> endings) {
    this.words = words;
    this.mediaType = mediaType;
    this.endings = endings;
  }

  public String mediaType() {
    return mediaType;
  }

  /** What a file of this kind is called if it has no name: without the dot. */
  public String ending() {
    return endings.getFirst();
  }

  /** What the content is; empty if it is nothing that can be attached. */
  public static Optional<AttachmentType> of(byte[] content) {
    if (begins(content, "%PDF-".getBytes(StandardCharsets.US_ASCII))) {
      return Optional.of(PDF);
    }
    if (begins(content, new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF})) {
      return Optional.of(JPEG);
    }
    if (begins(content, PNG_SIGNATURE)) {
      return Optional.of(PNG);
    }
    return isHeic(content) ? Optional.of(HEIC) : Optional.empty();
  }

  private static boolean begins(byte[] content, byte[] with) {
    return content.length >= with.length
        && Arrays.equals(content, 0, with.length, with, 0, with.length);
  }

  private static boolean isHeic(byte[] content) {
    return content.length >= 12
        && "ftyp".equals(ascii(content, 4))
        && HEIC_BRANDS.contains(ascii(content, 8));
  }

  private static String ascii(byte[] content, int from) {
    return new String(content, from, 4, StandardCharsets.US_ASCII);
  }

  /**
   * What a file is that somebody wants to attach.
   *
   * @throws Refusal {@code attachment-empty}, {@code attachment-too-large}, {@code
   *     attachment-unknown}, or {@code attachment-misnamed} if its name says something else
   */
  public static AttachmentType of(String name, byte[] content) {
    if (content.length == 0) {
      throw Refusal.ofField("attachment-empty", FIELD, "%s is empty.".formatted(name));
    }
    if (content.length > LARGEST) {
      throw tooLarge(name);
    }
    AttachmentType type =
        of(content)
            .orElseThrow(() ->
                Refusal.ofField(
                    "attachment-unknown",
                    FIELD,
                    "%s is no PDF, JPEG, PNG or HEIC by its content. Save it as one of these, then attach it."
                        .formatted(name)));
    if (!type.endings.contains(ending(name))) {
      throw Refusal.ofField(
          "attachment-misnamed",
          FIELD,
          "%s is %s by its content. If that is right, name it with .%s at the end."
              .formatted(name, type.words, type.ending()));
    }
    return type;
  }

  /** What is said of a file above {@link #LARGEST}. */
  public static Refusal tooLarge(String name) {
    return Refusal.ofField(
        "attachment-too-large",
        FIELD,
        "%s is larger than 20 MB. Save it smaller, or in parts.".formatted(name));
  }

  private static String ending(String name) {
    return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
  }
}
