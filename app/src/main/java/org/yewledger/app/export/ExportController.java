package org.yewledger.app.export;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.nio.file.Path;
import java.util.UUID;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.export.ExportJson.ExportChoiceJson;
import org.yewledger.app.export.ExportJson.ExportKeptJson;
import org.yewledger.app.export.ExportJson.ExportLookJson;
import org.yewledger.app.export.ExportJson.ExportWantedJson;
import org.yewledger.app.export.ExportJson.ExportWrittenJson;
import org.yewledger.app.export.ExportJson.ExportsJson;
import org.yewledger.app.export.ExportService.Made;
import org.yewledger.app.platform.Download;
import org.yewledger.core.export.ExportPlan;

/** Saved exports of entries and bank lines. */
@RestController
@RequestMapping("/api/exports")
@Tag(name = "exports")
class ExportController {
  private final ExportService exports;
  private final ExportFolder folder;

  ExportController(ExportService exports, ExportFolder folder) {
    this.exports = exports;
    this.folder = folder;
  }

  /** The saved exports, when they were written, and the columns that exports can have. */
  @GetMapping
  ExportsJson exports() {
    return new ExportsJson(
        exports.all().stream().map(ExportKeptJson::of).toList(),
        ExportChoiceJson.all(),
        folder.ofHousehold().map(Path::toString).orElse(null));
  }

  /** Says what an export would hold: its last rows. */
  @PostMapping("/preview")
  ExportLookJson look(@Valid @RequestBody ExportWantedJson wanted) {
    return new ExportLookJson(exports.look(wanted));
  }

  /** Saves an export. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  UUID saveExport(@Valid @RequestBody ExportWantedJson wanted) {
    return exports.add(wanted);
  }

  /** Changes a saved export. */
  @PutMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void changeExport(
      @PathVariable UUID id,
      @RequestParam int version,
      @Valid @RequestBody ExportWantedJson wanted) {
    exports.change(id, version, wanted);
  }

  /** Gives a saved export up; a file that it has written stays. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void giveUpExport(@PathVariable UUID id, @RequestParam int version) {
    exports.remove(id, version);
  }

  /** What a saved export holds at this moment, as a file; a token that may read fetches it. */
  @GetMapping("/{id}/file")
  ResponseEntity<byte[]> file(@PathVariable UUID id) {
    Made made = exports.made(id);
    return Download.of(made.fileName(), type(made.format()), made.content());
  }

  /** Writes an export into its file now. */
  @PostMapping("/{id}/write")
  ExportWrittenJson write(@PathVariable UUID id) {
    return new ExportWrittenJson(exports.writeNow(id));
  }

  private static MediaType type(ExportPlan.Format format) {
    return switch (format) {
      case CSV -> Download.CSV;
      case XLSX -> Download.WORKBOOK;
      case JSON -> MediaType.APPLICATION_JSON;
      case OFX -> MediaType.parseMediaType("application/x-ofx");
      case CAMT -> MediaType.APPLICATION_XML;
    };
  }
}
