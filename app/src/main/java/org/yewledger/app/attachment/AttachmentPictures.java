package org.yewledger.app.attachment;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.yewledger.app.attachment.AttachmentFiles.AttachedFile;
import org.yewledger.app.attachment.AttachmentFiles.Drawing;
import org.yewledger.app.platform.NotFound;
import org.yewledger.formats.attachment.AttachmentType;
import org.yewledger.formats.attachment.DrawingProcess;

/**
 * Pictures of the pages of files, drawn the first time that somebody looks at one. No transaction
 * is open meanwhile.
 */
@Component
class AttachmentPictures {
  private static final Logger log = LoggerFactory.getLogger(AttachmentPictures.class);

  /** Each takes a processor and some hundred megabytes. */
  private static final int AT_ONCE = 2;

  private final AttachmentFiles files;
  private final DrawingProcess drawing = new DrawingProcess(Duration.ofSeconds(30));
  private final Semaphore free = new Semaphore(AT_ONCE, true);

  AttachmentPictures(AttachmentFiles files) {
    this.files = files;
  }

  /**
   * How many pages a file has, and how many of them there are pictures of.
   *
   * @throws NotFound if it is not there
   */
  Drawing drawing(UUID id) {
    Optional<Drawing> drawn = files.drawing(id);
    if (drawn.isPresent()) {
      return drawn.get();
    }
    free.acquireUninterruptibly();
    try {
      // Somebody else may have asked for it meanwhile.
      return files.drawing(id).orElseGet(() -> draw(id));
    } finally {
      free.release();
    }
  }

  /** A page from 1 on, or the small picture of the first as page 0. */
  Optional<byte[]> picture(UUID id, int page) {
    drawing(id);
    return files.picture(id, page);
  }

  private Drawing draw(UUID id) {
    AttachedFile file = files.file(id);
    List<byte[]> pictures = new ArrayList<>();
    int pages = 0;
    String problem = "";
    try {
      DrawingProcess.Drawn drawn = drawing.draw(file.content(), file.type());
      pages = drawn.pages();
      pictures.add(drawn.thumbnail());
      pictures.addAll(drawn.pictures());
    } catch (IOException e) {
      log.info("no pictures of attachment {}: {}", id, e.getMessage());
      problem =
          file.type() == AttachmentType.HEIC
              ? "HEIC pictures cannot be shown here. Open the file to see it."
              : "It cannot be shown here: it may be damaged or protected. Open the file to see it.";
    }
    files.keep(file.sha256(), pages, pictures, problem);
    return files.drawing(id).orElseThrow(() -> new NotFound("attachment"));
  }
}
