package org.yewledger.app.attachment;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.yewledger.app.attachment.AttachmentFiles.AttachedFile;
import org.yewledger.app.attachment.AttachmentFiles.Drawing;
import org.yewledger.app.platform.NotFound;
import org.yewledger.formats.attachment.DrawingProcess;
import org.yewledger.formats.attachment.DrawingProcess.NotDrawnException;

/**
 * Pictures of the pages of files, drawn the first time that somebody looks at one. No transaction
 * is open meanwhile.
 */
@Component
class AttachmentPictures {
  private static final Logger log = LoggerFactory.getLogger(AttachmentPictures.class);

  /** Each takes a processor and some hundred megabytes. */
  private static final int AT_ONCE = 2;

  private static final Duration REST = Duration.ofMinutes(10);

  private static final String UNREADABLE =
      "It cannot be shown here: it may be damaged or protected. Open the file to see it.";
  private static final String NO_READER =
      "HEIC pictures cannot be shown here until libheif's programs are installed. Open the file to see it.";
  private static final String TOO_MUCH =
      "It takes too long to be shown here. Open the file to see it, or come back in some minutes.";

  private final AttachmentFiles files;
  private final Clock clock;
  private final DrawingProcess drawing = new DrawingProcess(Duration.ofSeconds(30));
  private final Semaphore free = new Semaphore(AT_ONCE, true);

  /** Until when files rest that took too much. */
  private final Map<UUID, Instant> tooMuch = new ConcurrentHashMap<>();

  AttachmentPictures(AttachmentFiles files, Clock clock) {
    this.files = files;
    this.clock = clock;
  }

  /**
   * How many pages a file has, and how many of them there are pictures of.
   *
   * @throws NotFound if it is not there
   */
  Drawing drawing(UUID id) {
    Optional<Drawing> drawn = files.drawing(id).or(() -> resting(id));
    if (drawn.isPresent()) {
      return drawn.get();
    }
    free.acquireUninterruptibly();
    try {
      // Somebody else may have asked for it meanwhile.
      return files.drawing(id).or(() -> resting(id)).orElseGet(() -> draw(id));
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
    try {
      DrawingProcess.Drawn drawn = drawing.draw(file.content(), file.type());
      List<byte[]> pictures = new ArrayList<>();
      pictures.add(drawn.thumbnail());
      pictures.addAll(drawn.pictures());
      return kept(id, file, drawn.pages(), pictures, "");
    } catch (NotDrawnException e) {
      log.info("no pictures of attachment {}: {}", id, e.reason());
      return switch (e.reason()) {
        case UNREADABLE -> kept(id, file, 0, List.of(), UNREADABLE);
        case NO_READER -> new Drawing(0, 0, NO_READER);
        case TOO_MUCH -> restAfter(id);
      };
    } catch (IOException e) {
      log.warn("attachment {} could not be drawn", id, e);
      return new Drawing(0, 0, TOO_MUCH);
    }
  }

  private Drawing kept(
      UUID id, AttachedFile file, int pages, List<byte[]> pictures, String problem) {
    files.keep(file.sha256(), pages, pictures, problem);
    return files.drawing(id).orElseThrow(() -> new NotFound("attachment"));
  }

  /** What took too much does so again; it is tried again, but not each time that it is seen. */
  private Drawing restAfter(UUID id) {
    tooMuch.put(id, clock.instant().plus(REST));
    return new Drawing(0, 0, TOO_MUCH);
  }

  private Optional<Drawing> resting(UUID id) {
    Instant until = tooMuch.get(id);
    if (until == null) {
      return Optional.empty();
    }
    if (clock.instant().isAfter(until)) {
      tooMuch.remove(id);
      return Optional.empty();
    }
    return Optional.of(new Drawing(0, 0, TOO_MUCH));
  }
}
