package org.yewledger.app.sheet;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.io.IOException;
import java.util.Objects;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.event.Events;
import org.yewledger.app.sheet.EntrySheetJson.SheetAskedJson;
import org.yewledger.app.sheet.EntrySheetJson.SheetTakenJson;
import org.yewledger.app.sheet.EntrySheetPreviewJson.SheetPreviewJson;

/** A person's own sheet of entries, as CSV or a workbook. */
@RestController
@RequestMapping("/api/entry-sheet")
@Tag(name = "journal")
class EntrySheetController {
  private final EntrySheetService sheets;
  private final Events events;

  EntrySheetController(EntrySheetService sheets, Events events) {
    this.sheets = sheets;
    this.events = events;
  }

  /** Says what a sheet of entries would bring, row by row, and what has to be said first. */
  @PostMapping(path = "/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  SheetPreviewJson previewSheet(
      @RequestPart MultipartFile file, @RequestPart @Valid SheetAskedJson asked)
      throws IOException {
    return SheetPreviewJson.of(name(file), sheets.preview(file.getBytes(), asked), asked);
  }

  /** Makes entries of all rows of a sheet, or of none. */
  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  SheetTakenJson takeSheetIn(
      @RequestPart MultipartFile file, @RequestPart @Valid SheetAskedJson asked)
      throws IOException {
    String name = name(file);
    byte[] bytes = file.getBytes();
    return events.during(
        new Events.Progress("Taking in", name),
        () -> SheetTakenJson.of(sheets.takeIn(name, bytes, asked)));
  }

  private static String name(MultipartFile file) {
    String name = Objects.requireNonNullElse(file.getOriginalFilename(), "a sheet");
    return name.length() > 80 ? name.substring(0, 80) : name;
  }
}
