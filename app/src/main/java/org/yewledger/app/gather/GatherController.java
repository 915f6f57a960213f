package org.yewledger.app.gather;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
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
import org.yewledger.app.event.Events;
import org.yewledger.app.gather.GatherJson.BatchTakenBackJson;
import org.yewledger.app.gather.GatherJson.DecisionJson;
import org.yewledger.app.gather.GatherJson.DoubtJson;
import org.yewledger.app.gather.GatherJson.FileChoiceJson;
import org.yewledger.app.gather.GatherJson.GatheredJson;
import org.yewledger.app.gather.GatherJson.TakenInJson;
import org.yewledger.app.platform.Download;

/** Bank lines: what is here, what a file would bring, taking it in and back. */
@RestController
@RequestMapping("/api/gather")
@Tag(name = "gather")
class GatherController {
  private final GatherService gather;
  private final CoverageService coverage;
  private final DoubtService doubts;
  private final BatchService batches;
  private final LineExportService exports;
  private final Events events;

  GatherController(
      GatherService gather,
      CoverageService coverage,
      DoubtService doubts,
      BatchService batches,
      LineExportService exports,
      Events events) {
    this.events = events;
    this.gather = gather;
    this.coverage = coverage;
    this.doubts = doubts;
    this.batches = batches;
    this.exports = exports;
  }

  /** What has been gathered of a month: batches by account, and the days that are missing. */
  @GetMapping
  GatheredJson gathered(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return coverage.gathered(month, book);
  }

  /** Reads a file without keeping it. */
  @PostMapping(path = "/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  FilePreviewJson preview(
      @RequestPart MultipartFile file,
      @RequestParam @Nullable UUID account,
      @RequestPart(required = false) @Nullable List<FileChoiceJson> choices,
      @RequestPart(required = false) @Nullable LayoutJson layout)
      throws IOException {
    FileReading.Upload upload =
        upload(file, account, choices == null ? List.of() : choices, layout);
    return FilePreviewJson.of(upload.fileName(), gather.preview(upload));
  }

  /** Takes the new lines of a file in: one batch for each account in it, all or none. */
  @PostMapping(path = "/batches", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  List<TakenInJson> takeIn(
      @RequestPart MultipartFile file,
      @RequestPart List<FileChoiceJson> choices,
      @RequestParam(defaultValue = "true") boolean keepLayout,
      @RequestPart(required = false) @Nullable LayoutJson layout)
      throws IOException {
    FileReading.Upload upload = upload(file, null, choices, layout);
    try {
      return gather
          .takeIn(upload, choices.stream().map(FileChoiceJson::toChoice).toList(), keepLayout)
          .stream()
          .map(TakenInJson::of)
          .toList();
    } finally {
      events.progress(new Events.Progress(upload.fileName(), ""));
    }
  }

  /** Takes a batch back, but for what is reconciled. */
  @DeleteMapping("/batches/{id}")
  BatchTakenBackJson takeBack(@PathVariable UUID id) {
    return events.during(
        new Events.Progress("Taking a batch back", "its lines and the entries that they became"),
        () -> BatchTakenBackJson.of(batches.takeBack(id)));
  }

  /** The lines that may be others once more. */
  @GetMapping("/doubts")
  List<DoubtJson> doubts(@RequestParam @Nullable UUID book) {
    return doubts.undecided(book);
  }

  /** Decides of a line in doubt whether it is the one that is here already. */
  @PutMapping("/doubts/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void decide(@PathVariable UUID id, @RequestBody DecisionJson decision) {
    doubts.decide(id, decision.decision());
  }

  /** The bank lines of an account as a file. */
  @GetMapping("/accounts/{id}/lines")
  ResponseEntity<byte[]> lines(
      @PathVariable UUID id,
      @RequestParam LineExportService.ExportFormat format,
      @RequestParam @Nullable LocalDate from,
      @RequestParam @Nullable LocalDate to) {
    LineExportService.Exported file = exports.export(id, format, from, to);
    return Download.of(
        file.fileName(), MediaType.parseMediaType(format.mediaType()), file.content());
  }

  private static FileReading.Upload upload(
      MultipartFile file,
      @Nullable UUID account,
      List<FileChoiceJson> choices,
      @Nullable LayoutJson layout)
      throws IOException {
    Map<String, UUID> chosen = new HashMap<>();
    choices.forEach(c -> chosen.put(c.accountNumber(), c.accountId()));
    return new FileReading.Upload(
        Objects.requireNonNullElse(file.getOriginalFilename(), "file"),
        file.getBytes(),
        account,
        chosen,
        layout);
  }
}
