package org.yewledger.app.gather;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.time.YearMonth;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.gather.GatherJson.GatheredJson;
import org.yewledger.app.gather.GatherJson.LayoutJson;
import org.yewledger.app.gather.GatherJson.PreviewJson;
import org.yewledger.app.gather.GatherJson.TakenInJson;

/** Statement files: what is here, what a file would bring, taking it in. */
@RestController
@RequestMapping("/api/gather")
@Tag(name = "gather")
class GatherController {
  private final GatherService gather;
  private final CoverageService coverage;

  GatherController(GatherService gather, CoverageService coverage) {
    this.gather = gather;
    this.coverage = coverage;
  }

  @GetMapping
  GatheredJson gathered(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return coverage.gathered(month, book);
  }

  /** Reads a file without keeping it. */
  @PostMapping(path = "/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  PreviewJson preview(
      @RequestPart MultipartFile file,
      @RequestParam @Nullable UUID account,
      @RequestPart(required = false) @Nullable LayoutJson layout)
      throws IOException {
    GatherService.Upload upload = upload(file, account, layout);
    return PreviewJson.of(upload.fileName(), gather.preview(upload));
  }

  /** Takes the new lines of a file in. */
  @PostMapping(path = "/batches", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  TakenInJson takeIn(
      @RequestPart MultipartFile file,
      @RequestParam UUID account,
      @RequestParam boolean makeStatement,
      @RequestPart(required = false) @Nullable LayoutJson layout)
      throws IOException {
    return TakenInJson.of(gather.takeIn(upload(file, account, layout), makeStatement));
  }

  private static GatherService.Upload upload(
      MultipartFile file, @Nullable UUID account, @Nullable LayoutJson layout) throws IOException {
    return new GatherService.Upload(
        Objects.requireNonNullElse(file.getOriginalFilename(), "file"),
        file.getBytes(),
        account,
        layout == null ? null : layout.toLayout());
  }
}
