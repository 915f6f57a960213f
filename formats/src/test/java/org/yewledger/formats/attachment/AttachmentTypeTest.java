package org.yewledger.formats.attachment;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;

public class AttachmentTypeTest {
  private static final byte[] PDF = "%PDF-1.7 and so on".getBytes(StandardCharsets.US_ASCII);

  @DataProvider
  Object[][] contents() {
    return new Object[][] {
      {PDF, AttachmentType.PDF, "a.pdf"},
      {new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, 0x00}, AttachmentType.JPEG, "a.JPEG"},
      {new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0}, AttachmentType.PNG, "a.b.png"},
      {
        "\0\0\0\u0018ftypheic\0\0".getBytes(StandardCharsets.ISO_8859_1),
        AttachmentType.HEIC,
        "x.heic"
      },
    };
  }

  @Test(dataProvider = "contents")
  public void aFileIsWhatItsFirstBytesSay(byte[] content, AttachmentType type, String name) {
    assertEquals(AttachmentType.of(content), Optional.of(type));
    assertEquals(AttachmentType.of(name, content), type);
  }

  @Test
  public void whatIsNoneOfThemIsRefusedWhateverItsNameSays() {
    byte[] page = "<html><script>alert(1)</script>".getBytes(StandardCharsets.US_ASCII);
    var refusal = expectThrows(Refusal.class, () -> AttachmentType.of("bill.pdf", page));
    assertEquals(refusal.code(), "attachment-unknown");
    assertEquals(refusal.field(), "file");
    assertTrue(refusal.getMessage().startsWith("bill.pdf is no PDF"), refusal.getMessage());
  }

  @Test
  public void aPageHiddenBehindSomethingElseIsNoDocument() {
    byte[] behind =
        ("<html>" + new String(PDF, StandardCharsets.US_ASCII)).getBytes(StandardCharsets.US_ASCII);
    assertEquals(AttachmentType.of(behind), Optional.empty());
  }

  @Test
  public void aNameThatSaysSomethingElseIsRefusedWithWhatItIs() {
    var refusal = expectThrows(Refusal.class, () -> AttachmentType.of("bill.png", PDF));
    assertEquals(refusal.code(), "attachment-misnamed");
    assertEquals(
        refusal.getMessage(),
        "bill.png is a PDF document by its content. If that is right, name it with .pdf at the end.");
    assertThrows(Refusal.class, () -> AttachmentType.of("bill", PDF));
  }

  @Test
  public void nothingAndTooMuchAreRefused() {
    assertEquals(
        expectThrows(Refusal.class, () -> AttachmentType.of("a.pdf", new byte[0])).code(),
        "attachment-empty");
    byte[] large = new byte[AttachmentType.LARGEST + 1];
    System.arraycopy(PDF, 0, large, 0, PDF.length);
    assertEquals(
        expectThrows(Refusal.class, () -> AttachmentType.of("a.pdf", large)).code(),
        "attachment-too-large");
  }

  /**
   * However a content is cut or changed behind its first bytes, it stays what it is, or is nothing.
   */
  @Test
  public void noContentIsTakenForAnotherKind() {
    var random = new Random(20261126);
    for (Object[] of : contents()) {
      for (int i = 0; i < 500; i++) {
        byte[] content = ((byte[]) of[0]).clone();
        content[random.nextInt(content.length)] = (byte) random.nextInt(256);
        byte[] cut = java.util.Arrays.copyOf(content, random.nextInt(content.length + 1));
        AttachmentType.of(cut).ifPresent(type -> assertEquals(type, of[1]));
      }
    }
  }
}
