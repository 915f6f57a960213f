package org.yewledger.app.attachment;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.attachment.AttachmentFiles.AttachedFile;
import org.yewledger.app.attachment.AttachmentFiles.Drawing;
import org.yewledger.app.attachment.AttachmentService.Place;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.Texts;
import org.yewledger.formats.attachment.AttachmentType;

/**
 * Receipts and other papers. What is shown of a file are pictures of our own; the file itself is
 * only ever downloaded, and may run nothing wherever it is opened.
 */
@RestController
@RequestMapping("/api/attachments")
@Tag(name = "attachments")
class AttachmentController {
  /**
   * Where a file is put; with none of them it waits for its entry.
   *
   * @param version of the file, as it was seen
   */
  record AttachmentPlaceJson(
      int version, @Nullable UUID entryId, @Nullable UUID lineId, @Nullable UUID statementId) {}

  /**
   * @param pages of the file
   * @param drawn of how many of them there are pictures
   * @param problem why there are none, for the person; empty if there are
   */
  record PagesJson(int pages, int drawn, String problem) {}

  private final AttachmentService service;
  private final AttachmentFiles files;
  private final AttachmentPictures pictures;

  AttachmentController(
      AttachmentService service, AttachmentFiles files, AttachmentPictures pictures) {
    this.service = service;
    this.files = files;
    this.pictures = pictures;
  }

  /**
   * Those of an entry, of a bank line or of a statement; with none of them, all that wait for their
   * entry.
   */
  @GetMapping
  List<AttachmentJson> attachments(
      @RequestParam @Nullable UUID entry,
      @RequestParam @Nullable UUID line,
      @RequestParam @Nullable UUID statement) {
    return service.at(new Place(entry, line, statement));
  }

  /** Keeps a file, at an entry, at a bank line, at a statement, or waiting for its entry. */
  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  AttachmentJson attach(
      @RequestPart MultipartFile file,
      @RequestParam @Nullable UUID entry,
      @RequestParam @Nullable UUID line,
      @RequestParam @Nullable UUID statement)
      throws IOException {
    String name = nameOf(file);
    if (file.getSize() > AttachmentType.LARGEST) {
      throw AttachmentType.tooLarge(name);
    }
    return service.attach(name, file.getBytes(), new Place(entry, line, statement));
  }

  /** Says what an attachment belongs to: an entry, a bank line, a statement, or nothing yet. */
  @PutMapping("/{id}/place")
  AttachmentJson put(@PathVariable UUID id, @Valid @RequestBody AttachmentPlaceJson wanted) {
    return service.put(
        id, wanted.version(), new Place(wanted.entryId(), wanted.lineId(), wanted.statementId()));
  }

  /** Takes an attachment out. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID id, @RequestParam int version) {
    service.remove(id, version);
  }

  /** How many pages an attachment has, and why there are no pictures of them if there are none. */
  @GetMapping("/{id}/pages")
  PagesJson pages(@PathVariable UUID id) {
    Drawing drawing = pictures.drawing(id);
    return new PagesJson(drawing.pages(), drawing.drawn(), drawing.problem());
  }

  /** The picture of a page from 1 on; page 0 is the first one, small. */
  @GetMapping(path = "/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(@PathVariable UUID id, @PathVariable int page) {
    byte[] png = pictures.picture(id, page).orElseThrow(() -> new NotFound("page"));
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        // An attachment's content never changes; it is for this person's browser alone.
        .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate().immutable())
        .body(png);
  }

  /** The file as it came. */
  @GetMapping(path = "/{id}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<byte[]> file(@PathVariable UUID id) {
    AttachedFile file = files.file(id);
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(file.type().mediaType()))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(file.name(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .header("Content-Security-Policy", "sandbox; default-src 'none'; frame-ancestors 'none'")
        .header("Cross-Origin-Resource-Policy", "same-origin")
        .body(file.content());
  }

  /** Without a path and without signs that cannot be read; what is pasted has no name. */
  private static String nameOf(MultipartFile file) {
    String name = file.getOriginalFilename() == null ? "" : file.getOriginalFilename();
    String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
    String readable = last.replaceAll("\\p{C}", "").strip();
    if (readable.length() > Texts.NAME) {
      // The end says what it is.
      readable = readable.substring(readable.length() - Texts.NAME).strip();
    }
    return readable.isEmpty() ? "paper" : readable;
  }
}
