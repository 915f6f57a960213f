package org.yewledger.app.attachment;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.yewledger.app.attachment.AttachmentFiles.Drawing;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.Refusal;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Note;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Picture;

/** Attached files on paper, each page as it is drawn. */
@Component
public class AttachmentPrints {
  /** So many pages of about half a megabyte each are made in memory. */
  private static final int MOST_PAGES = 200;

  private final AttachmentPictures pictures;

  AttachmentPrints(AttachmentPictures pictures) {
    this.pictures = pictures;
  }

  /**
   * A file that is to be printed.
   *
   * @param belongsTo what it is a receipt of, in words
   */
  public record ToPrint(UUID id, String name, String belongsTo) {}

  /**
   * The pages of files in their order; one that cannot be drawn has a page that says why. Cost:
   * half a second for each page that nobody has looked at before.
   *
   * @throws Refusal {@code too-many-receipts} if they have more than 200 pages
   */
  public List<Part> of(List<ToPrint> files) {
    requireRoom(files.size());
    var parts = new ArrayList<Part>();
    for (ToPrint file : files) {
      parts.addAll(of(file));
      requireRoom(parts.size());
    }
    return parts;
  }

  private List<Part> of(ToPrint file) {
    Drawing drawing = pictures.drawing(file.id());
    if (drawing.drawn() == 0) {
      return List.of(
          new Head(file.name(), file.belongsTo()),
          new Note(drawing.problem().isEmpty() ? "It has no page." : drawing.problem()));
    }
    return IntStream.rangeClosed(1, drawing.drawn())
        .<Part>mapToObj(page ->
            new Picture(
                file.belongsTo(),
                about(file, page, drawing),
                () -> pictures.picture(file.id(), page).orElseThrow(() -> new NotFound("page"))))
        .toList();
  }

  private static String about(ToPrint file, int page, Drawing drawing) {
    if (drawing.pages() == 1) {
      return file.name();
    }
    String about = "%s, page %d of %d".formatted(file.name(), page, drawing.pages());
    boolean isCut = page == drawing.drawn() && drawing.drawn() < drawing.pages();
    return isCut ? about + "; the pages after it are in the file only" : about;
  }

  private static void requireRoom(int pages) {
    if (pages > MOST_PAGES) {
      throw Refusal.ofField(
          "too-many-receipts",
          "last",
          "They have more than %d pages. Choose a shorter span.".formatted(MOST_PAGES));
    }
  }
}
